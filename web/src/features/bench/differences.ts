import type { ComparisonDocument } from '../../api/client';
import type { RigInput } from '../../core/core';
import { distance, plain, shape } from '../../ui/format';
import { rigLetter } from '../../ui/RigMark';

interface Content {
  name: string;
  document: ComparisonDocument;
}

/** One thing in which two versions of a comparison differ, in the words of the screen. */
export interface Difference {
  what: string;
  mine: string;
  theirs: string;
}

/** What differs between two versions; empty when they say the same, however they are written down. */
export function differences(mine: Content, theirs: Content): Difference[] {
  const ours = describe(mine);
  const others = describe(theirs);
  return [...new Set([...ours.keys(), ...others.keys()])]
    .map((what) => ({ what, mine: ours.get(what) ?? '—', theirs: others.get(what) ?? '—' }))
    .filter((d) => d.mine !== d.theirs);
}

const length = (mm: number | null | undefined) => (mm == null ? '∞' : distance(mm, false));
const pixels = (a: number | null | undefined, b: number | null | undefined) => (a == null || b == null ? 'not given' : `${a} × ${b}`);

function describe({ name, document }: Content): Map<string, string> {
  const { scene, conventions, rigs, yardstick } = document.setup;
  const said = new Map<string, string>([
    ['Name', name],
    ['Note', document.note ?? ''],
    ['To the subject', length(scene.subjectDistanceMm)],
    ['To the background', length(scene.backgroundDistanceMm)],
    ['Delivered shape', scene.deliveryAspect == null ? 'as recorded' : shape(scene.deliveryAspect)],
    ['Delivered width', scene.deliveryWidthPx == null ? 'not given' : `${scene.deliveryWidthPx} px`],
    ['Lens height', length(scene.lensHeightMm ?? 1600)],
    ['Figure height', length(scene.figureHeightMm ?? 1750)],
    ['Reference format', `${conventions?.referenceWidthMm ?? 36} × ${conventions?.referenceHeightMm ?? 24} mm`],
    ['Circle of confusion', `1/${conventions?.cocDivisor ?? 1500}`],
    ['Yardstick', rigLetter(yardstick ?? 0)],
  ]);
  rigs.forEach((rig, i) => {
    for (const [what, value] of describeRig(rig)) {
      said.set(`${rigLetter(i)}: ${what}`, value);
    }
  });
  return said;
}

const describeRig = (rig: RigInput): [string, string][] => [
  ['name', rig.name ?? ''],
  ['sensor area', `${plain(rig.sensorWidthMm)} × ${plain(rig.sensorHeightMm)} mm`],
  ['recorded pixels', pixels(rig.recordedWidthPx, rig.recordedHeightPx)],
  ['focal length', `${plain(rig.focalLengthMm)} mm`],
  ['aperture', `ƒ${plain(rig.fNumber)}`],
  ['reducer', `${plain(rig.opticsMagnification ?? 1)}×`],
  ['squeeze', `${plain(rig.squeeze ?? 1)}×`],
  ['punch-in', `${plain(rig.punchIn ?? 1)}×`],
];
