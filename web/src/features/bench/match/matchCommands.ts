import type { ComparisonDocument } from '../../../api/client';
import type { Cut, LookText, RigInput } from '../../../core/core';
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

/** Puts a look that was described beside the rigs, as the yardstick; what it says of distance is its own, of the place everybody's. */
export function describeLook(text: string, look: LookText): void {
  const id = newId();
  change(
    `look${id}`,
    (c) => {
      const { scene, rigs } = c.document.setup;
      const rig = {
        id,
        name: text.trim().slice(0, 60),
        sensorWidthMm: look.sensorWidthMm,
        sensorHeightMm: look.sensorHeightMm,
        focalLengthMm: look.focalLengthMm,
        fNumber: look.fNumber,
        squeeze: look.squeeze,
        ...(look.distanceMm !== null && look.distanceMm !== scene.subjectDistanceMm && { subjectDistanceMm: look.distanceMm }),
      } as RigInput;
      return withSetup(c, {
        scene: {
          ...scene,
          ...(look.behindMm !== null && { backgroundDistanceMm: scene.subjectDistanceMm + look.behindMm }),
          ...(look.isOpenBehind && { backgroundDistanceMm: null }),
          ...(look.deliveryAspect !== null && { deliveryAspect: look.deliveryAspect }),
        },
        rigs: [...rigs.slice(0, mostRigs - 1), rig],
        yardstick: id,
      });
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
