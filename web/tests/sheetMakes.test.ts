import { expect, test, vi } from 'vitest';
import type { ProductionDocument } from '../src/api/client';
import type { GearItem, Numbers, RigInput } from '../src/core/core';
import type { GearUnit } from '../src/gear/units';
import type { BlockFact, RowFact } from '../src/sheets/facts';
import { newSheet } from '../src/sheets/kinds';
import type { Mark, TextMark } from '../src/sheets/marks';
import type { SheetRig } from '../src/sheets/make/sheetRig';

/** A thin lens in air: enough optics to see what a sheet does with figures. */
const figuresOf = ({ subjectDistanceMm: d = 2000, focalLengthMm: f, fNumber: n, lens }: RigInput): Numbers => {
  const nearest = lens?.minimumFocusDistanceMm ?? 0;
  const c = 0.03;
  const hyperfocal = (f * f) / (n * c) + f;
  const isNear = d! <= f || d! < nearest;
  return {
    nearestSubjectDistanceMm: nearest,
    magnification: isNear ? NaN : f / (d! - f),
    depthOfFieldNearMm: isNear ? NaN : (d! * (hyperfocal - f)) / (hyperfocal + d! - 2 * f),
    depthOfFieldFarMm: isNear ? NaN : d! >= hyperfocal ? Infinity : (d! * (hyperfocal - f)) / (hyperfocal - d!),
    hyperfocalDistanceMm: hyperfocal,
    fieldWidthMm: isNear ? NaN : (36 * (d! - f)) / f,
    fieldHeightMm: isNear ? NaN : (24 * (d! - f)) / f,
    widestFNumber: n,
    effectiveFNumber: n,
    effectiveTNumber: NaN,
    deliveredAspect: 1.5,
  } as unknown as Numbers;
};
vi.mock('../src/core/core', () => ({
  coreReady: Promise.resolve(),
  isFocused: ({ figures }: { figures: Numbers }) => !Number.isNaN(figures.magnification),
  core: () => ({
    figures: {},
    procedures: [{ of: ['lens', 'body'] }],
    // As the contract has it: at most twelve rigs at once, and one that cannot be refuses all of them.
    evaluate: ({ rigs }: { rigs: RigInput[] }) =>
      rigs.length > 12 ? null : rigs.some((r) => r.fNumber <= 0) ? null : rigs.map((rig) => ({ figures: figuresOf(rig) })),
  }),
}));
vi.mock('../src/picture/pictures', () => ({ printPicture: vi.fn(), usePictures: { getState: () => ({ failed: null }) } }));

const { languageOf } = await import('../src/sheets/make/language');
const { evaluated } = await import('../src/sheets/make/sheetRig');
const { lensSheet, usualApertures } = await import('../src/sheets/make/lens');
const { scales } = await import('../src/sheets/make/scales');
const { testPlan } = await import('../src/sheets/make/testPlan');
const { packingList } = await import('../src/features/brief/sheets/packing');

const say = languageOf({ feet: false }, false);
const scene = { subjectDistanceMm: 2000, backgroundDistanceMm: 4000 };
const item = (part: object) => part as unknown as GearItem;
const lens = (part: object = {}) =>
  item({
    id: 'l',
    kind: 'lens',
    maker: 'Tallow',
    name: '50 mm ƒ2',
    focalShortMm: 50,
    focalLongMm: 50,
    minimumFocusDistanceMm: 450,
    ...part,
  });
const rigOf = (part: Partial<SheetRig> = {}, rig: object = {}): SheetRig => {
  const input = {
    id: 'r',
    sensorWidthMm: 36,
    sensorHeightMm: 24,
    focalLengthMm: 50,
    fNumber: 2,
    lens: { widestFNumber: 2, narrowestFNumber: 16, minimumFocusDistanceMm: 450 },
    ...rig,
  } as RigInput;
  return {
    id: 'r',
    mark: 'A',
    title: 'Skiff, 50 mm',
    scene,
    rig: input,
    figures: figuresOf(input),
    missing: '',
    warnings: [],
    parts: [lens()],
    href: '/bench/1',
    ...part,
  };
};
type Of<K extends BlockFact['kind']> = Extract<BlockFact, { kind: K }>;
const every = <K extends BlockFact['kind']>(kind: K, blocks: BlockFact[]) => blocks.filter((b): b is Of<K> => b.kind === kind);
const cells = (blocks: BlockFact[], key: string) => every('table', blocks).flatMap((t) => t.rows.map((r: RowFact) => r.cells[key]));
const plain = (text: string) => text.replace(/[\u2009\u202f]/g, ' ');

test('figures are asked a dozen at a time, and one that is refused takes no other with it', () => {
  const many = Array.from({ length: 30 }, (_, i) => ({ ...rigOf().rig!, fNumber: i === 17 ? 0 : 2, subjectDistanceMm: 1000 + i }));
  const found = evaluated(scene, many, undefined);
  expect(found).toHaveLength(30);
  expect(found[17]).toBeNull();
  expect(found.filter(Boolean)).toHaveLength(29);
  expect(found[29]!.fieldWidthMm).toBeCloseTo((36 * (1029 - 50)) / 50, 9);
});

test('the apertures of a table are the widest and full stops that are not as good as it, down to the narrowest', () => {
  expect(usualApertures(1.8, 22)).toEqual([1.8, 2, 2.8, 4, 5.6, 8]);
  expect(usualApertures(2, 4)).toEqual([2, 2.8, 4]);
  expect(usualApertures(4.5, 22)).toEqual([4.5, 5.6, 8, 11, 16, 22]);
  expect(usualApertures(30, 22)).toEqual([30]);
});

test('a lens sheet says by distance what is sharp, in the order of distances, and what is too near', () => {
  const sheet = { ...newSheet('lens'), columns: ['zones'], distancesMm: [3000, 400, 1000], fNumbers: [2, 8] };
  const blocks = lensSheet(sheet, [rigOf()], undefined, say);
  const [table] = every('table', blocks);
  expect(table!.columns.map((c) => c.label)).toEqual(['From the mark', 'Picture', 'ƒ2.0', 'ƒ8.0']);
  expect(table!.rows.map((r) => plain(r.cells['distance']!))).toEqual(['40.0 cm', '1.00 m', '3.00 m', 'hyperfocal']);
  expect(
    cells(blocks, 'picture')
      .slice(0, 2)
      .map((c) => plain(c!)),
  ).toEqual(['too near', '0.68 × 0.46']);
  expect(table!.rows[0]!.warn).toBe('picture');
  expect(table!.rows[0]!.cells['a0']).toBe('—');
  const [near, far] = [figuresOf({ ...rigOf().rig!, subjectDistanceMm: 3000, fNumber: 8 })].flatMap((f) => [
    f.depthOfFieldNearMm,
    f.depthOfFieldFarMm,
  ]);
  expect(table!.rows[2]!.cells['a1']).toBe(`${(near! / 1000).toFixed(2)}–${(far! / 1000).toFixed(2)}`);
  // 50² / (8 · 0.03) + 50 mm.
  expect(plain(table!.rows[3]!.cells['a1']!)).toBe('10.5 m');
});

test('a lens sheet without rigs, and with one that cannot be, says so', () => {
  expect(every('text', lensSheet(newSheet('lens'), [], undefined, say))[0]!.text).toBe('There is no rig to tell of yet.');
  const out = { ...newSheet('lens'), items: [{ id: 'r', leftOut: true }] };
  expect(every('text', lensSheet(out, [rigOf()], undefined, say))[0]!.text).toBe('Every rig is left out.');
  const gone = lensSheet(newSheet('lens'), [rigOf({ rig: null, figures: null, missing: 'The mount does not fit.' })], undefined, say);
  expect(gone.map((b) => b.kind)).toEqual(['heading', 'text']);
  expect(every('text', gone)[0]).toMatchObject({ text: 'The mount does not fit.', isWarning: true });
});

const texts = (marks: Mark[]) => marks.filter((m): m is TextMark => m.kind === 'text');
const strip = (blocks: BlockFact[]) => every('drawing', blocks).find((b) => b.id === 'r strip')!;

test('a strip of distances is as long as it is said to be, and its marks lie by the ratio of reproduction', () => {
  const sheet = { ...newSheet('scales'), stripLengthMm: 200, distancesMm: [600, 1000, 5000] };
  const drawing = strip(scales(sheet, [rigOf()], undefined, say));
  expect(drawing.width).toBe(212);
  const at = new Map(texts(drawing.marks).map((m) => [plain(m.text), m.x]));
  const place = (mm: number) => 6 + 200 * (1 - 50 / (mm - 50) / (50 / (450 - 50)));
  expect(at.get('∞')).toBe(206);
  expect(at.get('45 cm')).toBeCloseTo(6, 9);
  for (const [name, mm] of [
    ['60 cm', 600],
    ['1 m', 1000],
    ['5 m', 5000],
  ] as const)
    expect(at.get(name)).toBeCloseTo(place(mm), 6);
});

test('bars of a strip never leave it, far as what is sharp may reach', () => {
  const sheet = { ...newSheet('scales'), fNumbers: [2, 16], distancesMm: [500, 700, 1000, 2000, 4000, 9000, 30_000] };
  const { marks } = strip(scales(sheet, [rigOf()], undefined, say));
  const ends = marks.flatMap((m) =>
    m.kind === 'path' && m.width === 0.6 ? [...m.d.matchAll(/[ML]\s*(-?[\d.]+)/g)].map((one) => Number(one[1])) : [],
  );
  expect(ends.length).toBeGreaterThan(6);
  expect(Math.min(...ends)).toBeGreaterThanOrEqual(6);
  expect(Math.max(...ends)).toBeLessThanOrEqual(176.31);
});

test('a rig that is in focus nowhere of these has no strip, and that is said; the rule is there all the same', () => {
  const blocks = scales(
    { ...newSheet('scales'), distancesMm: [300] },
    [rigOf({}, { focalLengthMm: 500, lens: { widestFNumber: 2 } })],
    undefined,
    say,
  );
  expect(every('text', blocks).at(-1)).toMatchObject({ isWarning: true });
  expect(every('text', blocks).at(-1)!.text).toContain('fewer than two');
  const rule = every('drawing', blocks).find((b) => b.id === 'rule')!;
  expect(texts(rule.marks).map((m) => [m.text, m.x])).toEqual([
    ['0 mm', 2],
    ['50 mm', 52],
    ['100 mm', 102],
  ]);
  expect(rule.marks.filter((m) => m.kind === 'path')).toHaveLength(102);
});

test('a test plan tells each thing once, what its papers say of it, and leads to where its readings are typed in', () => {
  const zoom = lens({ id: 'z', name: '24–70 mm', focalShortMm: 24, focalLongMm: 70, squeeze: 1.5, minimumFocusDistanceMm: undefined });
  const adapter = item({ id: 'a', kind: 'adapter', name: 'Plain' });
  const reducer = item({ id: 'k', kind: 'adapter', name: 'Short', magnification: 0.71 });
  const blocks = testPlan(
    newSheet('test'),
    [rigOf({ parts: [lens(), adapter] }), rigOf({ mark: 'B', parts: [lens(), zoom, reducer] })],
    say,
  );
  const [table] = every('table', blocks);
  const heads = table!.rows.filter((r) => r.isItem);
  expect(heads.map((r) => [r.cells['title'], r.cells['for'], r.href])).toEqual([
    ['Tallow 50 mm ƒ2', 'A B', '/shelf/l/tests'],
    ['Plain', 'A', undefined],
    ['Tallow 24–70 mm', 'B', '/shelf/z/tests'],
    ['Short', 'B', undefined],
  ]);
  const of = (id: string) =>
    table!.rows.filter((r) => r.id === id || r.id.startsWith(`${id} `)).map((r) => [r.cells['what'], plain(r.cells['marked']!)]);
  expect(of('l').map(([, marked]) => marked)).toEqual(['50 mm', '45.0 cm', '∞']);
  expect(of('z').map(([, marked]) => marked)).toEqual(['24 mm', '70 mm', 'not known', '∞', '1.5×']);
  expect(of('a')).toEqual([['Far focus is still reached', 'yes']]);
  expect(of('k')).toEqual([['Width seen with and without it, same lens', '0.71×']]);
  expect(every('text', testPlan(newSheet('test'), [rigOf({ parts: [] })], say))[0]!.isWarning).toBe(true);
});

const things = new Map(
  [
    lens({ weightG: 480 }),
    item({ id: 'b', kind: 'body', maker: 'Skiff', name: 'One', weightG: 700 }),
    item({ id: 'c', kind: 'bagItem', name: 'Cell' }),
  ].map((i) => [i.id, i]),
);
const bagOf = (part: object) => ({ bags: [{ id: 'bag', name: 'Shed', ...part }] }) as unknown as ProductionDocument;
const units = [
  { id: 'u1', label: '0417' },
  { id: 'u2', label: '' },
] as GearUnit[];

test('a packing list is by kinds, cameras first, with what is known of weights and units', () => {
  const document = bagOf({
    unit: 'River',
    firstDay: '2027-05-01',
    lastDay: '2027-05-03',
    note: 'Dry bags',
    lines: [{ id: 'c', count: 4 }, { id: 'l', note: 'caps' }, { id: 'gone' }, { id: 'b', count: 2, units: ['u1', 'u2'] }],
  });
  const answers = { bag: { totals: { weightG: { known: 1880, unknown: 5 } } } } as never;
  const blocks = packingList(newSheet('pack'), document, things, units, answers, say);
  expect(every('table', blocks).map((t) => t.caption)).toEqual([
    'Cameras',
    'Lenses',
    'Power, cards and the rest',
    'Not on the shelf any more',
  ]);
  const heading = every('heading', blocks)[0]!;
  expect(plain(`${heading.text}: ${heading.sub}`)).toBe(
    'Shed: 8 things · 1.88 kg and 5 of unknown weight · for River · 2027-05-01 to 2027-05-03',
  );
  expect(cells(blocks, 'unit')[0]).toBe('0417');
  expect(cells(blocks, 'weight').map((c) => plain(c!))).toEqual(['1.4 kg', '480 g', 'not known', 'not known']);
  expect(cells(blocks, 'note')).toEqual(['', 'caps', '', '']);
  expect(every('table', blocks).at(-1)!.rows[0]).toMatchObject({ warn: 'title', cells: { title: 'A thing that was deleted' } });
});

test('what cannot be listed is said: no bag, nothing packed, a shelf that is not here yet', () => {
  const said = (document: ProductionDocument, shelf = things) =>
    every('text', packingList(newSheet('pack'), document, shelf, [], {}, say))[0]!.text;
  expect(said({} as ProductionDocument)).toBe('There is no bag yet.');
  expect(said(bagOf({}))).toBe('Nothing is packed in Shed yet.');
  expect(said(bagOf({ lines: [{ id: 'l' }] }), new Map())).toBe('What is packed is told when the shelf is here.');
});
