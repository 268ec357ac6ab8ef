import { expect, test, vi } from 'vitest';
import type { ComparisonDocument, ProductionDocument } from '../src/api/client';
import { comparisonVersion, productionVersion } from '../src/documents/kinds';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { differences: ofComparisons } = await import('../src/features/bench/differences');
const { differences: ofProductions } = await import('../src/features/brief/differences');

const rig = { id: 'a', name: 'A', sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 35, fNumber: 2.8 };
const comparison = (setup: Partial<ComparisonDocument['setup']> = {}, note = ''): { name: string; document: ComparisonDocument } => ({
  name: 'Bench',
  document: { schemaVersion: comparisonVersion, note, setup: { scene: { subjectDistanceMm: 2000 }, rigs: [rig], ...setup } },
});
const told = (list: { what: string; mine: string; theirs: string }[]) => list.map((d) => `${d.what}: ${d.mine} → ${d.theirs}`);

test('two ways of writing the same comparison do not differ', () => {
  const scene = { subjectDistanceMm: 2000, lensHeightMm: 1600, timelineFps: 25 };
  expect(ofComparisons(comparison(), comparison({ scene, rigs: [{ ...rig, squeeze: 1, punchIn: 1, lens: {} }], conventions: {} }))).toEqual(
    [],
  );
});

test('every field of a comparison that differs is told by its name and in its unit', () => {
  const mine = comparison({ scene: { subjectDistanceMm: 2000, backgroundDistanceMm: 5000, deliveryAspect: 16 / 9 } }, 'before');
  const theirs = comparison(
    {
      scene: { subjectDistanceMm: 850, deliveryWidthPx: 3840, mainsHertz: 60 },
      conventions: { crop: 'width', focalLength: 'measured' },
      rigs: [
        { ...rig, focalLengthMm: 40, optics: [0.71], lens: { minimumFocusDistanceMm: 450 }, sensitivityIso: 800 },
        { ...rig, id: 'b', name: 'B', subjectDistanceMm: 3000 },
      ],
      yardstick: 'b',
    },
    'after',
  );
  const said = told(ofComparisons(mine, theirs));
  expect(said).toEqual(
    expect.arrayContaining([
      'Note: before → after',
      'To the subject: 2.00\u2009m → 85.0\u2009cm',
      'To the background: 5.00\u2009m → ∞',
      'Delivered shape: 16:9 → as recorded',
      'Delivered width: not given → 3840 px',
      'Yardstick: A → B',
      'scene: mains hertz: — → 60',
      'conventions: crop: — → width',
      'conventions: focal length: — → measured',
      'A: focal length: 35 mm → 40 mm',
      'A: reducers: 1× → 0.71×',
      'A: lens: minimum focus distance mm: — → 450',
      'A: sensitivity iso: — → 800',
      'B: own distance: — → 3.00\u2009m',
    ]),
  );
});

const place = { id: 'p', name: 'Loft' };
const shot = (id: string, name: string, more: object = {}) => ({
  id,
  name,
  locationId: 'p',
  subject: { kind: 'standing' as const },
  ...more,
});
const production = (document: Partial<ProductionDocument>, name = 'Low water') => ({
  name,
  document: { schemaVersion: productionVersion, ...document },
});

test('shots and places are told by their names: there or not, in another order, and what of them differs', () => {
  const mine = production({ shots: [shot('1', 'One'), shot('2', 'Two', { behindMm: 900 }), shot('3', 'Three')], locations: [place] });
  const theirs = production(
    {
      shots: [shot('3', 'Three'), shot('2', 'Two', { behindMm: 1200, moving: true }), shot('4', 'Four')],
      locations: [{ ...place, note: 'damp' }],
    },
    'High water',
  );
  expect(told(ofProductions(mine, theirs))).toEqual([
    'Name: Low water → High water',
    'Shot “One”: there → —',
    'Shot “Two”: behind: 90.0\u2009cm → 1.20\u2009m',
    'Shot “Two”: moving: — → yes',
    'Shot “Four”: — → there',
    'Order of shots: Two, Three → Three, Two',
    'Place “Loft”: note: — → damp',
  ]);
  expect(ofProductions(mine, mine)).toEqual([]);
});

test('things within things are told in words', () => {
  const mine = production({ delivery: { aspect: 16 / 9 }, units: ['Shed'], locations: [{ ...place, keepOffMm: 400 }] });
  const theirs = production({
    delivery: { aspect: 1, timelineFps: 50 },
    units: ['Shed', 'Boat'],
    locations: [{ ...place, keepOffMm: undefined }],
  });
  expect(told(ofProductions(mine, theirs))).toEqual([
    'delivery: aspect 1.7778 → aspect 1, timeline fps 50',
    'units: Shed → Shed, Boat',
    'Place “Loft”: keep off: 40.0\u2009cm → —',
  ]);
});

test('sheets are told by their titles: there or not, and what of them and of the things on them differs', () => {
  const sheet = (more: object = {}) => ({ id: 's', kind: 'frames' as const, title: 'For the producer', ...more });
  const mine = production({
    sheets: [
      sheet({
        items: [
          { id: 'a', title: 'The rivet' },
          { id: 'b', leftOut: true },
        ],
      }),
      { id: 't', kind: 'lens' as const },
    ],
  });
  const theirs = production({
    sheets: [
      sheet({
        paper: 'a5',
        feet: true,
        items: [
          { id: 'a', title: 'A rivet' },
          { id: 'b', remark: 'Closer' },
        ],
      }),
    ],
  });
  expect(told(ofProductions(mine, theirs))).toEqual([
    'Sheet “For the producer”: paper: a4, upright → a5, upright',
    'Sheet “For the producer”: numbers: as each reads them, point → feet, point',
    'Sheet “For the producer”: things on it: The rivet; left out → A rivet; Closer',
    'Sheet “Lens sheet”: there → —',
  ]);
  const order = (...ids: string[]) => ({
    ...comparison(),
    document: { ...comparison().document, sheets: [sheet({ items: ids.map((id) => ({ id })) })] },
  });
  expect(told(ofComparisons(order('r1', 'r2'), order('r2', 'r1')))).toEqual([
    'Sheet “For the producer”: things on it: order r1 r2 → order r2 r1',
  ]);
  expect(ofComparisons(order('r1'), order('r1'))).toEqual([]);
});
