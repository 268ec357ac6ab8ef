import { yardstickOf } from './benchStore';
import type { ComparisonDocument } from '../../api/client';
import type { RigInput } from '../../core/core';
import { conventionFields, rigFields, sceneFields, sceneNumber } from '../../core/fields';
import { distance, plain, shape } from '../../ui/format';
import type { Difference } from '../../documents/ConflictDialog';
import { chainOf } from '../../gear/chains';
import { sheetDifferences } from '../../sheets/sheetDifferences';
import { rigLetter } from '../../ui/RigMark';

interface Content {
  name: string;
  document: ComparisonDocument;
}

/** What differs between two versions; empty when they say the same, however they are written down. */
export function differences(mine: Content, theirs: Content): Difference[] {
  const ours = describe(mine);
  const others = describe(theirs);
  const found = [...new Set([...ours.keys(), ...others.keys()])]
    .map((what) => ({ what, mine: ours.get(what) ?? '—', theirs: others.get(what) ?? '—' }))
    .filter((d) => d.mine !== d.theirs);
  return [...found, ...sheetDifferences(mine.document.sheets ?? [], theirs.document.sheets ?? [])];
}

const length = (mm: number | null | undefined) => (mm == null ? '∞' : distance(mm, false));
const pixels = (a: number | null | undefined, b: number | null | undefined) => (a == null || b == null ? 'not given' : `${a} × ${b}`);

function describe({ name, document }: Content): Map<string, string> {
  const { scene, conventions, rigs } = document.setup;
  const said = new Map<string, string>([
    ['Name', name],
    ['Note', document.note ?? ''],
    ['To the subject', length(scene.subjectDistanceMm)],
    ['To the background', length(scene.backgroundDistanceMm)],
    ['Delivered shape', scene.deliveryAspect == null ? 'as recorded' : shape(scene.deliveryAspect)],
    ['Delivered width', scene.deliveryWidthPx == null ? 'not given' : `${scene.deliveryWidthPx} px`],
    ['Lens height', length(sceneNumber(scene, 'lensHeightMm'))],
    ['Figure height', length(sceneNumber(scene, 'figureHeightMm'))],
    ['Photograph', scene.photo ? `one, ${plain(scene.photo.focalLengthMm)} mm, ${scene.photo.id.slice(0, 8)}` : 'none'],
    ['Yardstick', rigLetter(yardstickOf(document.setup))],
  ]);
  for (const [what, value] of rest(scene, 'scene')) {
    said.set(what, value);
  }
  for (const [what, value] of rest(conventions ?? {}, 'conventions')) {
    said.set(what, value);
  }
  rigs.forEach((rig, i) => {
    for (const [what, value] of describeRig(rig)) {
      said.set(`${rigLetter(i)}: ${what}`, value);
    }
  });
  return said;
}

const describeRig = (rig: RigInput): [string, string][] => [
  ['name', rig.name ?? ''],
  [
    'parts',
    chainOf(rig)
      ?.parts.map((p) => p.item.name)
      .join(' + ') ?? 'none',
  ],
  ['mode', chainOf(rig)?.mode ?? ''],
  ['sensor area', `${plain(rig.sensorWidthMm)} × ${plain(rig.sensorHeightMm)} mm`],
  ['recorded pixels', pixels(rig.recordedWidthPx, rig.recordedHeightPx)],
  ['own distance', rig.subjectDistanceMm == null ? 'none' : distance(rig.subjectDistanceMm, false)],
  ['focal length', `${plain(rig.focalLengthMm)} mm`],
  ['aperture', `ƒ${plain(rig.fNumber)}`],
  ['reducers', (rig.optics ?? []).map((k) => `${plain(k)}×`).join(' ') || '1×'],
  ['squeeze', `${plain(rig.squeeze ?? 1)}×`],
  ['punch-in', `${plain(rig.punchIn ?? 1)}×`],
  ...rest(rig, 'rig'),
  ...rest(rig.lens ?? {}, 'lens'),
];

/** What has a sentence of its own above. */
const told = [
  'name chain sensorWidthMm sensorHeightMm recordedWidthPx recordedHeightPx focalLengthMm fNumber optics squeeze punchIn lens',
  'subjectDistanceMm backgroundDistanceMm deliveryAspect deliveryWidthPx lensHeightMm figureHeightMm photo',
]
  .join(' ')
  .split(' ');

/** What something is when it is left out, by the core's definitions. */
const usual = new Map<string, unknown>(
  Object.entries<{ empty: unknown }>({ ...sceneFields, ...conventionFields, ...rigFields }).map(([key, field]) => [key, field.empty]),
);

/** Everything else by the name of its field, taken apart into words: “nearest focus mm”. */
function rest(thing: object, of: string): [string, string][] {
  return Object.entries(thing as Record<string, unknown>)
    .filter(([key]) => !told.includes(key) || (of === 'conventions' && key === 'focalLength'))
    .filter(([key, value]) => value != null && value !== false && value !== usual.get(of === 'lens' ? `lens.${key}` : key))
    .map(([key, value]) => [
      `${of === 'rig' ? '' : `${of}: `}${inWords(key)}`,
      typeof value === 'number' ? plain(value, 5) : inWords(String(value)),
    ]);
}

const inWords = (text: string) => text.replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);
