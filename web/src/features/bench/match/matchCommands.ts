import type { ComparisonDocument } from '../../../api/client';
import type { Cut } from '../../../core/core';
import { newId } from '../../../documents/unique';
import { change, withSetup, yardstickOf } from '../benchStore';
import { holdNothing } from '../holding';
import { mostRigs } from '../rowCommands';
import { matchOf } from './matchStore';
import { rigOnBench } from './rigOnBench';

/** Lays the look of a saved comparison on this Bench: the rig of its yardstick, and what counts of it. It is this one's yardstick then. */
export function layLook(saved: ComparisonDocument, name: string): void {
  const look = saved.setup.rigs[yardstickOf(saved.setup)]!;
  const rig = { ...look, id: newId(), name: look.name || name.slice(0, 60) };
  change(
    `look${rig.id}`,
    (c) => {
      const { document, ...rest } = withSetup(c, { rigs: [...c.document.setup.rigs.slice(0, mostRigs - 1), rig], yardstick: rig.id });
      return { ...rest, document: { ...document, match: { ...matchOf(document), ...saved.match } } };
    },
    holdNothing,
  );
}

/** Sets the cameras of the Bench so that they cut together, in one step of undo. */
export function setCut(cut: Cut): void {
  change(
    `cut${newId()}`,
    (c) =>
      withSetup(c, {
        rigs: c.document.setup.rigs.map((rig) => {
          const share = cut.shares.find((s) => s.camera === rig.id);
          const made = share && rigOnBench(share, { ...c.document.setup, rigs: [rig] });
          return made ? { ...made, id: rig.id!, subjectDistanceMm: made.subjectDistanceMm ?? null } : rig;
        }),
      }),
    holdNothing,
  );
}
