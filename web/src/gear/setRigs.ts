import { newId } from '../documents/unique';
import { core, type ChosenRig, type Fit, type FitRig, type GearItem, type RigInput, type SceneInput } from '../core/core';
import { fixed } from '../ui/format';
import { fromParts, mountsOf, nameOf } from './chains';
import { useGear } from './fitting';

/** A rig of parts, and how it is set: what every search says of its answers. */
export type SetRig = Pick<Fit, 'rig' | 'distanceMm' | 'focalLengthMm' | 'fNumber' | 'rackedFarther' | 'sensitivityIso' | 'lowestIso'>;

/** What tells an answer from the others: one body and lens are told once, whatever joins them, unless something is added. */
export const keyOf = ({ rig }: Pick<SetRig, 'rig'>): string =>
  [rig.body, rig.lens, ...rig.front, rig.punchIn].join(' ') + (rig.front.length > 0 || rig.punchIn > 1 ? rig.links.join() : '');

/** The sensitivity that bodies offer nearest to one. */
function settable(iso: number): number {
  const [below, above] = [
    core().step('sensitivity', iso * 1.0001, false, false, false),
    core().step('sensitivity', iso * 0.9999, true, false, false),
  ];
  return iso / below < above / iso ? below : above;
}

/** The parts of a rig, from the body on; null when one of them is not on the shelf any more. */
export function partsOf({ body, links, lens, front }: FitRig | ChosenRig): GearItem[] | null {
  const { items } = useGear.getState();
  const ids = body === lens ? [body, ...(front ?? [])] : [body, ...(links ?? []), lens, ...(front ?? [])];
  const parts = ids.map((id) => items.get(id));
  return parts.every((part) => part !== undefined) ? parts : null;
}

/** An answer as a rig of the Bench; null when a part of it is gone. */
export function rigOfSetting(
  set: SetRig,
  scene: SceneInput,
  { support, captureFps }: { support?: string | null | undefined; captureFps?: number | null | undefined } = {},
): RigInput | null {
  const items = partsOf(set.rig);
  if (!items) {
    return null;
  }
  const carries = support == null ? undefined : useGear.getState().items.get(support);
  const parts = [...items, ...(carries ? [carries] : [])].map((item) => ({ item, revision: 1 }));
  const mounts = mountsOf(
    parts,
    [...useGear.getState().items.values()].filter((item) => item.kind === 'mount'),
  );
  const rig = {
    id: newId(),
    name: nameOf(parts),
    sensorWidthMm: 36,
    sensorHeightMm: 24,
    focalLengthMm: set.focalLengthMm,
    fNumber: set.fNumber,
    punchIn: set.rig.punchIn,
    rackedFarther: set.rackedFarther,
    captureFps: captureFps ?? null,
    sensitivityIso: set.sensitivityIso == null ? null : settable(Math.max(set.sensitivityIso, set.lowestIso ?? 100)),
    chain: { parts, mounts, mode: set.rig.mode },
  } as RigInput;
  return fromParts(rig, scene);
}

/** An answer as a shot keeps it. */
export const chosenOfSetting = ({ rig }: Pick<SetRig, 'rig'>): ChosenRig => ({
  body: rig.body,
  mode: rig.mode,
  lens: rig.lens,
  links: rig.links,
  front: rig.front,
  punchIn: rig.punchIn,
  name: [rig.bodyName, ...rig.linkNames, rig.lensName, ...rig.frontNames].filter(Boolean).join(' + '),
});

/** How a rig's mode is used, in a few words. */
export const modeOf = (rig: FitRig): string => (rig.punchIn > 1 ? `${rig.mode}, punched in ${fixed(rig.punchIn, 2)}×` : rig.mode);

/** The parts of a rig besides body and lens. */
export const addedTo = (rig: FitRig): string => [...rig.linkNames, ...rig.frontNames].join(' · ');

/** Both: all of a rig besides body and lens. */
export const besidesOf = (rig: FitRig): string => [modeOf(rig), addedTo(rig)].filter(Boolean).join(' · ');

/** What all parts of a rig cost: to buy those that are ours, a day of those that are hired; null where one of them is not known. */
export function costOf({ rig }: Pick<SetRig, 'rig'>, field: 'purchasePrice' | 'hirePerDay', items: Map<string, GearItem>): number | null {
  const parts = [...new Set([rig.body, rig.lens, ...rig.links, ...rig.front])].map((id) => items.get(id));
  const wanted = parts.filter((part) => (part?.ownership === 'hire') === (field === 'hirePerDay'));
  const values = wanted.map((part) => part?.[field]);
  return values.every((value) => typeof value === 'number') ? values.reduce((sum, value) => sum + value, 0) : null;
}
