import { beforeEach, expect, test, vi } from 'vitest';
import type { ProductionDocument } from '../src/api/client';
import type { ChosenRig, Fit, LocationInput, Numbers, RigInput, ShotInput } from '../src/core/core';
import type { BlockFact } from '../src/sheets/facts';
import { newSheet } from '../src/sheets/kinds';
import type { Mark, TextMark } from '../src/sheets/marks';
import type { ShotAnswer } from '../src/features/brief/sheets/shotRigs';

const figures = {
  magnification: 0.02,
  deliveredAspect: 1.5,
  depthOfFieldNearMm: 1900,
  depthOfFieldFarMm: 2200,
  equivalentFNumber: 3,
  fieldWidthMm: 1800,
  fieldHeightMm: 1200,
} as Numbers;
vi.mock('../src/core/core', () => ({
  coreReady: Promise.resolve(),
  isFocused: (report: { figures: Numbers }) => !Number.isNaN(report.figures.magnification),
  core: () => ({ figures: {}, evaluate: ({ rigs }: { rigs: RigInput[] }) => rigs.map(() => ({ figures })) }),
}));
vi.mock('../src/core/searches', async () => {
  const { create } = await import('zustand');
  return { searches: () => ({ stop: vi.fn(), listen: vi.fn() }), useProgress: create(() => ({})) };
});
vi.mock('../src/ui/figureText', async (original) => ({ ...(await original<object>()), figureText: () => '—' }));
const setRig = vi.hoisted(() => vi.fn());
vi.mock('../src/gear/setRigs', async (original) => ({
  ...(await original<object>()),
  partsOf: () => [{ id: 'l', kind: 'lens', name: '50 mm' }],
  rigOfSetting: setRig,
}));

const { languageOf } = await import('../src/sheets/make/language');
const { rigKey, shotRig, shotsOfSheet } = await import('../src/features/brief/sheets/shotRigs');
const { shotList } = await import('../src/features/brief/sheets/shotList');
const { planOf } = await import('../src/features/brief/sheets/plans');

const say = languageOf({ feet: false }, false);
const loft: LocationInput = { id: 'loft', name: 'Loft', lengthMm: 6000, widthMm: 4000 };
const quay: LocationInput = { id: 'quay', name: 'Quay' };
const chosen = { body: 'b', mode: 'Full', lens: 'l', links: [], front: [], name: 'Skiff, 50 mm' } as unknown as ChosenRig;
const shot = (id: string, part: object = {}) =>
  ({ id, name: `Shot ${id}`, locationId: 'loft', subject: { kind: 'standing', heightMm: 1650 }, ...part }) as ShotInput;
const document = (...shots: ShotInput[]) => ({ locations: [loft, quay], units: ['Shed', 'River'], shots }) as unknown as ProductionDocument;
const fit = (part: object = {}) => ({ distanceMm: 2500, rearMm: 200, cautions: [], findings: [], rig: chosen, ...part }) as unknown as Fit;
const answered = (of: ShotInput, part: Partial<ShotAnswer> = {}): Record<string, ShotAnswer> => ({
  [rigKey(of.id, of.chosen!)]: { key: '', fit: fit(), why: '', frame: { widthMm: 1800, heightMm: 1200 } as never, ...part },
});
const rigFor = (of: ShotInput, answers: Record<string, ShotAnswer> = {}, doc = document(of)) =>
  shotRig(doc, 'p', of, '1', of.chosen, answers, undefined);
const plain = (text: string) => text.replace(/[\u2009\u202f]/g, ' ');
const every = <K extends BlockFact['kind']>(kind: K, blocks: BlockFact[]) =>
  blocks.filter((b): b is Extract<BlockFact, { kind: K }> => b.kind === kind);

beforeEach(() => {
  setRig
    .mockReset()
    .mockImplementation((of: Fit) => ({ id: 'r', name: 'Skiff, 50 mm', focalLengthMm: 50, fNumber: 2, subjectDistanceMm: of.distanceMm }));
});

test('a shot without a place, without a rig, and one that is being worked out say what they lack', () => {
  expect(rigFor(shot('1', { locationId: 'gone' })).missing).toBe('The shot has no place.');
  expect(rigFor(shot('2')).missing).toBe('No rig is chosen for this shot yet.');
  expect(rigFor(shot('3', { chosen })).missing).toBe('It is being worked out…');
  const cannot = shot('4', { chosen });
  expect(rigFor(cannot, answered(cannot, { fit: null, why: 'The room is too short.' })).missing).toBe(
    'Skiff, 50 mm: The room is too short.',
  );
  const gone = shot('5', { chosen });
  setRig.mockReturnValue(null);
  expect(rigFor(gone, answered(gone)).missing).toBe('A part of this rig is not on the shelf any more.');
});

test('what to mind is said once: of the shot, of the fit, and how nearly it fits', () => {
  const of = shot('1', { chosen, caution: 'Wet planks' });
  const close = { closest: 'room', spares: { room: { say: '90 mm of room left, ± 12 cm', fix: 'Measure the room.' } } };
  const rig = rigFor(
    of,
    answered(of, { fit: fit({ margin: close, cautions: [{ message: 'Wet planks' }], findings: [{ message: 'Close to the end.' }] }) }),
  );
  expect(rig.warnings).toEqual(['Wet planks', '90 mm of room left, ± 12 cm. Measure the room.', 'Close to the end.']);
  expect(rig.missing).toBe('');
  expect(rig.href).toBe('/brief/p?shot=1');
});

test('a rig is put together anew only when something of it is another', () => {
  const of = shot('1', { chosen });
  const doc = document(of);
  const answers = answered(of);
  const first = rigFor(of, answers, doc);
  expect(rigFor(of, { ...answers, other: answers[rigKey('1', chosen)]! }, doc)).toBe(first);
  expect(rigFor(of, answered(of), doc)).not.toBe(first);
  expect(setRig).toHaveBeenCalledTimes(2);
});

test('two rigs of one shot are told apart by all that they are made of', () => {
  const keys = [
    chosen,
    { ...chosen, mode: 'Half' },
    { ...chosen, links: ['a'] },
    { ...chosen, front: ['f'] },
    { ...chosen, punchIn: 2 },
  ].map((one) => rigKey('1', one));
  expect(new Set(keys).size).toBe(5);
  expect(rigKey('1', { ...chosen, punchIn: 1 })).toBe(keys[0]);
});

test('shots go by the sheet’s order: as they stand, by place, or by unit, those without one last', () => {
  const shots = [shot('1', { unit: 'River', locationId: 'quay' }), shot('2'), shot('3', { unit: 'Shed' }), shot('4', { unit: 'River' })];
  const ids = (part: object) => shotsOfSheet(document(...shots), { ...newSheet('shots'), ...part }).map((s) => s.id);
  expect(ids({})).toEqual(['1', '2', '3', '4']);
  expect(ids({ order: 'location' })).toEqual(['2', '3', '4', '1']);
  expect(ids({ order: 'unit' })).toEqual(['3', '1', '4', '2']);
  expect(ids({ unit: 'River' })).toEqual(['1', '4']);
});

test('a shot list has a row a shot, in groups, and a plan of each place where a camera stands', () => {
  const [one, two] = [shot('1', { chosen, note: 'Mind the tide', unit: 'River' }), shot('2', { locationId: 'quay' })];
  const doc = document(one, two);
  const answers = answered(one);
  const listed = [one, two].map((s, i) => ({ shot: s, of: shotRig(doc, 'p', s, String(i + 1), s.chosen, answers, undefined) }));
  const blocks = shotList({ ...newSheet('shots'), order: 'location' }, doc, listed, answers, say);
  expect(every('table', blocks).map((t) => [t.caption, t.rows.length])).toEqual([
    ['Loft', 1],
    ['Quay', 1],
  ]);
  const [first, second] = every('table', blocks).flatMap((t) => t.rows);
  expect(first!.cells).toMatchObject({
    mark: '1',
    title: 'Shot 1',
    unit: 'River',
    place: 'Loft',
    rig: 'Skiff, 50 mm',
    remark: 'Mind the tide',
  });
  expect(plain(first!.cells['distance']!)).toBe('2.50 m');
  expect([second!.warn, second!.cells['rig'], second!.cells['distance']]).toEqual(['rig', 'No rig is chosen for this shot yet.', '']);
  expect(every('drawing', blocks).map((d) => d.caption)).toEqual(['Loft, from above']);
  const out = shotList(
    {
      ...newSheet('shots'),
      items: [
        { id: '1', leftOut: true },
        { id: '2', leftOut: true },
      ],
    },
    doc,
    listed,
    answers,
    say,
  );
  expect(every('text', out)[0]!.text).toBe('Every shot is left out.');
  expect(every('text', shotList(newSheet('shots'), document(), [], {}, say))[0]!.text).toBe('There is no shot yet.');
});

const placed = (mark: string, part: object = {}, of: object = {}) => ({
  mark,
  shot: shot(mark, { behindMm: 1000, ...of }),
  fit: fit(part),
  fieldMm: 1800,
});
const texts = (marks: Mark[]) => marks.filter((m): m is TextMark => m.kind === 'text');
const textOf = (marks: Mark[], text: string) => texts(marks).find((m) => plain(m.text) === text)!;

test('a plan is to scale: the camera stands as far from the subject as its rig says', () => {
  const { width, height, marks } = planOf(loft, 'length', [placed('7')], say);
  const scale = width / 6000;
  expect(height - 6).toBeCloseTo(4000 * scale, 9);
  // Behind the mark of a camera stands its number, 3.8 mm on.
  expect(textOf(marks, '7').x - 3.8).toBeCloseTo((1000 + 2500) * scale, 9);
  expect(textOf(marks, '7').y - 1).toBeCloseTo(2000 * scale, 9);
  expect(texts(marks).map((m) => plain(m.text))).toContain(`6.00 m × 4.00 m, 1:${Math.round(1 / scale)}`);
  const bar = marks.find((m) => m.kind === 'path' && m.width === 0.5) as { d: string };
  expect(bar.d).toContain(String(Math.round(1000 * scale * 1e3) / 1e3));
  expect(textOf(marks, '1 m')).toBeDefined();
});

test('along its width the plan is turned, and a place in the open is as long as it is used', () => {
  const across = planOf(loft, 'width', [placed('1')], say);
  expect(across.width / (across.height - 6)).toBeCloseTo(4000 / 6000, 9);
  const open = planOf(quay, 'length', [placed('1')], say);
  expect(open.width <= 176 && open.height - 6 <= 74).toBe(true);
  // As long as it is used, and a little.
  expect(open.width / (1000 + 2500 + 200)).toBeGreaterThan((open.height - 6) / 3000);
  expect(texts(open.marks).at(-1)!.text).toMatch(/^open, 1:\d+$/);
});

test('a camera overhead stands over its subject, and cameras at one place beside each other', () => {
  const { width, marks } = planOf(loft, 'length', [placed('1', {}, { cameraSupport: 'overhead' }), placed('2'), placed('3')], say);
  expect(textOf(marks, '1').x - 3.8).toBeCloseTo(1000 * (width / 6000), 9);
  expect(textOf(marks, '3').x).toBe(textOf(marks, '2').x);
  expect(textOf(marks, '3').y - textOf(marks, '2').y).toBeGreaterThan(4.4);
});

test('cameras at one place stand apart on the plan however many they are', () => {
  const many = Array.from({ length: 9 }, (_, i) => placed(String(i + 1)));
  const { width, height, marks } = planOf({ ...loft, widthMm: 1500 }, 'length', many, say);
  const at = many.map(({ mark }) => textOf(marks, mark));
  for (const [i, a] of at.entries()) {
    for (const b of at.slice(i + 1)) expect(Math.abs(a.x - b.x) >= 7 || Math.abs(a.y - b.y) >= 4.4, `${a.text} and ${b.text}`).toBe(true);
    expect(a.y - 1).toBeLessThanOrEqual(height - 6);
    expect(a.y - 1).toBeGreaterThanOrEqual(0);
    expect(a.x).toBeLessThanOrEqual(width + 10);
  }
});
