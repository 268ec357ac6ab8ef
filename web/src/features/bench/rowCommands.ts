import { useSettings } from '../../app/settings';
import { holdNothing } from './holding';
import { core, type Chain, type RigInput } from '../../core/core';
import { plain, withUnit } from '../../ui/format';
import { newId } from '../../documents/unique';
import { change, useBench, withSetup, yardstickOf } from './benchStore';
import { fromParts, nameOf } from '../../gear/chains';
import { usePanel } from './panels/panelStore';

/** The most rigs that stand side by side; the contract's own bound. */
export const mostRigs = 12;

/** Puts other rigs in the place of all, in one step of undo; the yardstick goes along with its rig. */
function rearrange(what: string, next: (rigs: RigInput[]) => RigInput[]): void {
  usePanel.getState().close();
  change(
    `${what}${performance.now()}`,
    (c) => {
      const { rigs } = c.document.setup;
      const yardstick = rigs[yardstickOf(c.document.setup)]!.id!;
      const after = next(rigs).slice(0, mostRigs);
      return withSetup(c, { rigs: after, yardstick: after.some((rig) => rig.id === yardstick) ? yardstick : after[0]!.id! });
    },
    holdNothing,
  );
}

/** Puts another rig like this one beside it. */
export const duplicateRig = (id: string): void =>
  rearrange('copy', (rigs) => rigs.flatMap((rig) => (rig.id === id ? [rig, { ...rig, id: newId() }] : [rig])));

/** Puts a further rig at the end of the row, like the yardstick in its numbers until it is built of parts; its identity. */
export function addRig(): string {
  const id = newId();
  const { setup } = useBench.getState().document;
  const like = setup.rigs[yardstickOf(setup)]!;
  const { sensorWidthMm, sensorHeightMm, focalLengthMm, fNumber } = like;
  addRigs([{ id, name: '', sensorWidthMm, sensorHeightMm, focalLengthMm, fNumber }]);
  return id;
}

/** Puts rigs at the end of the row. */
export const addRigs = (more: RigInput[]): void => rearrange('add', (rigs) => [...rigs, ...more]);

export const removeRig = (id: string): void => rearrange('remove', (rigs) => rigs.filter((rig) => rig.id !== id));

/** Moves a rig to another place in the row. */
export const moveRig = (id: string, to: number): void =>
  rearrange('move', (rigs) => {
    const from = rigs.findIndex((rig) => rig.id === id);
    return from < 0 ? rigs : rigs.toSpliced(from, 1).toSpliced(to, 0, rigs[from]!);
  });

/** Puts all rigs in another order: for each place, the rig that stands there. */
export const orderRigs = (order: string[]): void =>
  rearrange('order', (rigs) => order.flatMap((id) => rigs.filter((rig) => rig.id === id)));

/** What a row of rigs is made of. */
export interface Row {
  focalLengths: number[];
  /** The rigs whose bodies it is made on. */
  bodies: number[];
  /** Each from where it frames as the rig does that the row is made of, rather than all from one spot. */
  atOneFraming: boolean;
  replaceAll: boolean;
}

/** Makes a row of rigs, each body at each of some focal lengths, in place of one rig or of all. */
export function makeRow(index: number, { focalLengths, bodies, atOneFraming, replaceAll }: Row): void {
  const { document, reports } = useBench.getState();
  const { setup } = document;
  const { scene } = setup;
  const row = bodies.flatMap((body) => {
    const rig = setup.rigs[body]!;
    // By what it is, not by the letter that it has now: letters go along with places.
    const named = bodies.length > 1 ? `${rig.name || `${plain(rig.sensorWidthMm, 1)} mm wide`}, ` : '';
    return focalLengths.map((focalLengthMm) => {
      const next = { ...rig, id: newId(), focalLengthMm, ...(!rig.chain && { name: named + withUnit(plain(focalLengthMm), 'mm') }) };
      return rig.chain ? fromParts(next, scene) : next;
    });
  });
  const sizeMm = reports[index]?.figures.fieldHeightMm ?? NaN;
  const answer =
    atOneFraming && sizeMm > 0
      ? core().solve(
          { setup: { ...setup, rigs: row, yardstick: row[0]!.id! }, goal: 'distance', sizeMm, isAcross: false },
          useSettings.getState().feet,
        )
      : [];
  const found = answer.map((of) => (Array.isArray(of) ? of[0] : undefined));
  const stood = row.map((rig, i) =>
    found[i]?.subjectDistanceMm == null
      ? rig
      : { ...rig, subjectDistanceMm: found[i].subjectDistanceMm, rackedFarther: found[i].rackedFarther },
  );
  rearrange('row', (rigs) => (replaceAll ? stood : rigs.toSpliced(index, 1, ...stood)));
  const { rigs } = useBench.getState().document.setup;
  useBench.setState({
    holdNotes: rigs.map((rig) => {
      const solution = found[stood.indexOf(rig)];
      return solution ? [{ outcome: solution.isMet ? 'followed' : 'stopped', message: solution.message, fix: solution.fix }] : [];
    }),
  });
}

/** Puts a rig with each of some chains in the place of all rigs: a row of lenses on one body. */
export function makeRowOfChains(index: number, chains: Chain[]): void {
  const { scene, rigs } = useBench.getState().document.setup;
  const row = chains.map((chain) => fromParts({ ...rigs[index]!, id: newId(), chain, name: nameOf(chain.parts) }, scene));
  rearrange('row', () => row);
}
