import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { ShotInput } from '../src/core/core';

vi.mock('../src/core/core', () => ({
  core: () => ({ evaluate: () => [{ figures: { equivalentFocalLengthMm: 52, fieldHeightMm: 1234.56 } }] }),
  coreReady: Promise.resolve(),
}));
vi.mock('../src/gear/setRigs', () => ({ rigOfSetting: () => ({ chain: {} }), partsOf: () => [] }));

const { fillIn, noteOtherCamera, noteTake, otherwise, plannedOf, setSaid, takes, takesOf } =
  await import('../src/features/brief/log/takes');
const { deadWeight, distribution, earned, holes, lensOf, together, uses } = await import('../src/features/brief/log/learn');
const { equivalentOf } = await import('../src/features/brief/log/takeRigs');
const { pickUpOf, withPickUp } = await import('../src/features/brief/log/sameAgain');
const { bringIn, newTakes } = await import('../src/features/brief/log/takeFiles');
const { stillHeaderOf } = await import('../src/features/brief/log/still');
const { clipHeaderOf, isClip } = await import('../src/features/brief/log/clip');

type Take = Parameters<typeof otherwise>[0];
const at = new Date('2026-11-27T10:00:00Z');
const rig = (lens: string) => ({ body: 'b', mode: 'Full', lens, links: [], front: [], punchIn: 1, name: `Tern + ${lens}` });
const shot = (part: object = {}) =>
  ({ id: 's1', name: 'The launch', unit: 'River unit', chosen: rig('zoom'), ...part }) as unknown as ShotInput;
const take = (part: Partial<Take> = {}): Take => ({
  productionId: 'p',
  shotId: 's1',
  shotName: 'The launch',
  takenAt: at.toISOString(),
  number: 1,
  camera: 'A',
  mark: 'none',
  ...part,
});
const row = (value: Take, id: string = crypto.randomUUID()) => ({
  id,
  value,
  revision: 1,
  isUnsaved: false,
  isRemoved: false,
  refused: '',
});
const fit = { focalLengthMm: 49.96, fNumber: 2.8, distanceMm: 2100.4, sensitivityIso: 812.3 } as never;

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  takes.useRows.setState({ rows: [], state: 'ready', say: '' });
  vi.stubGlobal('fetch', () => Promise.reject(new Error('No network.')));
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const noted = (id: string) => takes.useRows.getState().rows.find((r) => r.id === id)!.value;

test('a take begins as its shot is planned, the next as the one before was set', () => {
  const planned = plannedOf(shot(), fit, 25);
  const first = noted(noteTake('p', shot(), planned, [], at));
  expect(first).toMatchObject({
    number: 1,
    camera: 'A',
    crewUnit: 'River unit',
    focalLengthMm: 49.96,
    fNumber: 2.8,
    distanceMm: 2100,
    iso: 812,
    fps: 25,
    rig: rig('zoom'),
  });
  const changed = { ...first, focalLengthMm: 60, mark: 'again' as const, note: 'Shaky', reasons: ['room' as const] };
  const second = noted(noteTake('p', shot(), planned, [row(changed)], at));
  expect(second).toMatchObject({ number: 2, focalLengthMm: 60, mark: 'none', note: '' });
  expect(second.reasons).toBeUndefined();
  // A second camera of the last take does not become the first of the next.
  const both = [row(changed), row({ ...changed, camera: 'B', focalLengthMm: 135 })];
  expect(noted(noteTake('p', shot(), planned, both, at))).toMatchObject({ number: 2, camera: 'A', focalLengthMm: 60 });
  expect(noted(noteTake('p', null, null, [], at))).toMatchObject({ shotId: null, number: 1, rig: null });
});

test('what was noted before its plan was known is filled in, but for what was said meanwhile', () => {
  const id = noteTake('p', shot(), plannedOf(shot(), null, 25), [], at);
  expect(noted(id)).toMatchObject({ focalLengthMm: null, fps: 25 });
  takes.put(id, { ...noted(id), fNumber: 5.6 });
  fillIn(
    takes.useRows.getState().rows.find((r) => r.id === id)!,
    plannedOf(shot(), fit, 50),
  );
  expect(noted(id)).toMatchObject({ focalLengthMm: 49.96, fNumber: 5.6, distanceMm: 2100, iso: 812, fps: 25 });
});

test('other cameras of a take have the same number and the next free letter', () => {
  const first = row(take({ number: 3, note: 'Wind', mark: 'good' }));
  const b = noteOtherCamera(first.value, [first]);
  expect(noted(b)).toMatchObject({ number: 3, camera: 'B', mark: 'none', note: '' });
  const c = noteOtherCamera(first.value, [first, row(noted(b))]);
  expect(noted(c).camera).toBe('C');
});

test('what was done otherwise is told with by how much; what is not known is no difference', () => {
  const planned = plannedOf(shot(), fit, 25);
  expect(
    otherwise(take({ rig: rig('zoom'), focalLengthMm: 50, fNumber: 2.8, distanceMm: 2105, fps: 25, iso: 800 }), planned, false),
  ).toEqual([]);
  expect(
    otherwise(take({ rig: rig('prime'), focalLengthMm: 85, fNumber: 5.6, distanceMm: 1500, fps: 50, iso: 3200 }), planned, false).map((t) =>
      t.replaceAll('\u2009', ' '),
    ),
  ).toEqual([
    'Tern + prime for Tern + zoom',
    '85 mm for 50 mm',
    'ƒ5.6 for ƒ2.8, 2 stops closed',
    '60 cm nearer than 2.1 m',
    '50 fps for 25',
    'ISO 3200 for 812',
  ]);
  expect(otherwise(take(), planned, false)).toEqual([]);
  expect(otherwise(take({ focalLengthMm: 85 }), plannedOf(shot({ chosen: null }), null, 25), false)).toEqual([]);
  expect(setSaid(take({ rig: rig('prime'), focalLengthMm: 85 }), false)).toBe('Tern + prime · 85 mm');
});

test('takes of one production, in the order in which they were taken, without those that go', () => {
  const rows = [
    row(take({ takenAt: '2026-11-27T11:00:00Z' }), 'b'),
    row(take(), 'a'),
    { ...row(take(), 'gone'), isRemoved: true },
    row(take({ productionId: 'other' }), 'c'),
  ];
  expect(takesOf(rows, 'p').map((r) => r.id)).toEqual(['a', 'b']);
});

test('a header fills in what it knows and says what it does not', () => {
  const header = stillHeaderOf({ FocalLength: 35, FNumber: 4, ISO: 800, ExposureTime: 0.02, SubjectDistance: 2.4, DateTimeOriginal: at });
  expect(header).toMatchObject({
    set: { focalLengthMm: 35, fNumber: 4, iso: 800, shutterSeconds: 0.02, distanceMm: 2400 },
    takenAt: at.toISOString(),
    silent: [],
  });
  const poor = stillHeaderOf({ FocalLength: 0, FNumber: 'wide', ISO: Infinity, DateTimeOriginal: new Date('x') });
  expect(poor.set).toEqual({});
  expect(poor.takenAt).toBeNull();
  expect(poor.silent).toHaveLength(5);
});

test('a clip fills in what its header says by the names that cameras use, and no equivalent for a focal length', () => {
  const rich = clipHeaderOf([
    { '@type': 'General', Recorded_Date: '2027-04-19 11:30:00+02:00', Encoded_Date: '2027-04-19 09:00:00 UTC' },
    {
      '@type': 'Video',
      FrameRate: 25,
      FrameRate_Real: 120,
      extra: { IrisFNumber: 'f/2.8', ShutterSpeed_Time: '1/240', ISOSensitivity: '800' },
    },
    {
      '@type': 'Other',
      extra: { LensZoom35mmStillCameraEquivalent: '52.5 mm', FocalLength: '35.0 mm', FocusPosition_ImagePlane: '2.40 m' },
    },
  ]);
  expect(rich).toMatchObject({
    set: { focalLengthMm: 35, fNumber: 2.8, iso: 800, shutterSeconds: 1 / 240, distanceMm: 2400, fps: 120 },
    takenAt: '2027-04-19T09:30:00.000Z',
    silent: [],
  });
  const phone = clipHeaderOf([
    { '@type': 'General', Encoded_Date: '2027-04-19 09:00:00 UTC', extra: { camera_focal_length_35mm_equivalent: '52' } },
    { '@type': 'Video', FrameRate: '25.000' },
  ]);
  expect(phone.set).toEqual({ fps: 25 });
  expect(phone.takenAt).toBe('2027-04-19T09:00:00.000Z');
  expect(phone.silent).toEqual(['focal length', 'aperture', 'sensitivity', 'shutter', 'distance']);
  const odd = clipHeaderOf([{ '@type': 'Video', FrameRate: 'fast', extra: { FocalLength: '0 mm', ISO: 'auto', FNumber: '9999' } }]);
  expect(odd.told).toEqual([]);
  expect(clipHeaderOf([]).takenAt).toBeNull();
  expect([isClip(new File([], 'A001.MXF')), isClip(new File([], 'a.jpg', { type: 'image/jpeg' }))]).toEqual([true, false]);
});

test('a pick-up has the rig and the picture of the take, at its place as it really was', () => {
  const document = {
    locations: [{ id: 'l1', name: 'River', lengthMm: 6000, widthMm: 4000, behindMm: 1500 }],
    shots: [shot({ locationId: 'l1', note: 'Wait for the bell.', levelId: 'none', subject: { kind: 'standing', heightMm: 1750 } })],
    units: ['River unit'],
  } as never;
  const pickUp = pickUpOf(
    take({ rig: rig('zoom'), focalLengthMm: 35, fNumber: 2.8, distanceMm: 2400, fps: 50, roomMm: 5400 }),
    document,
    false,
  );
  expect(pickUp.shot).toMatchObject({
    name: 'The launch, pick-up',
    chosen: rig('zoom'),
    framedMm: 1234.6,
    framedAcross: false,
    captureFps: 50,
  });
  expect(pickUp.shot.note).toBe(
    'As take 1A of 27 November 2026: Tern + zoom · 35 mm · ƒ2.8 · 2.4\u2009m. Not on the shelf any more: its body, its lens. Wait for the bell.',
  );
  expect(pickUp.place).toMatchObject({ lengthMm: 5400, taped: true });

  // In its own production it is at the place that is there; in another the place comes along, with a level that it has.
  const own = withPickUp(document, pickUp);
  expect([own.locations!.length, own.shots![1]!.locationId, own.shots![1]!.unit]).toEqual([1, 'l1', 'River unit']);
  const other = withPickUp({ schemaVersion: 4, locations: [], shots: [] }, pickUp);
  expect([other.locations!.length, other.shots![0]!.locationId, other.shots![0]!.unit, other.shots![0]!.levelId]).toEqual([
    1,
    'l1',
    '',
    null,
  ]);
});

test('a take of something nobody planned can be done again too', () => {
  const pickUp = pickUpOf(take({ shotId: null, shotName: '' }), { locations: [], shots: [] } as never, false);
  expect(pickUp.shot).toMatchObject({ name: 'A take, pick-up', chosen: null, size: 'medium' });
  expect(pickUp.shot.framedMm).toBeUndefined();
  expect(withPickUp({ schemaVersion: 4 }, pickUp).locations).toHaveLength(1);
});

test('uses are counted by what was used, and lie on axes between edges', () => {
  const some = [take({ rig: rig('zoom'), mark: 'good' }), take({ rig: rig('zoom') }), take({ rig: rig('prime') }), take()];
  expect(uses(some, lensOf)).toEqual([
    { key: 'zoom', name: 'Tern + zoom', count: 2, good: 1 },
    { key: 'prime', name: 'Tern + prime', count: 1, good: 0 },
  ]);
  const bins = distribution(
    [
      { value: 1, isGood: true },
      { value: 10, isGood: false },
      { value: 999, isGood: false },
    ],
    [5, 20, 50],
  );
  expect(bins.map((bin) => [bin.count, bin.good])).toEqual([
    [2, 1],
    [1, 0],
  ]);
  expect(equivalentOf(take({ rig: rig('zoom'), focalLengthMm: 35 }), 16 / 9)).toBe(52);
  expect(equivalentOf(take({ rig: rig('zoom') }), 16 / 9)).toBeNull();
});

test('what was carried for nothing, what a bag did and what was missed', () => {
  const items = new Map(
    [
      { id: 'b', kind: 'body', name: 'Tern', weightG: 700 },
      { id: 'zoom', kind: 'lens', name: '24–70', weightG: 900, ownership: 'hire', hirePerDay: 30 },
      { id: 'long', kind: 'lens', name: '100–400', weightG: 1400, testedWeightG: 1450 },
      { id: 'odd', kind: 'lens', name: 'Odd' },
      { id: 'card', kind: 'bagItem', name: 'Card', weightG: 10 },
    ].map((item) => [item.id, item as never]),
  );
  const document = {
    bags: [
      {
        id: 'bag',
        name: 'River',
        firstDay: '2027-04-19',
        lastDay: '2027-04-21',
        lines: ['b', 'zoom', 'long', 'odd', 'card'].map((id) => ({ id })),
      },
    ],
    shots: [shot(), shot({ id: 's2', name: 'A heron' })],
  } as never;
  const some = [take({ rig: rig('zoom'), mark: 'good' }), take({ shotId: 's2', mark: 'again', reasons: ['room'] })];
  const dead = deadWeight(document, some, items);
  expect(together(dead).map((thing) => [thing.id, thing.kilogramDays, thing.bags])).toEqual([
    ['long', 1.45 * 3, ['River']],
    ['odd', null, ['River']],
  ]);
  // Carried on several days, in bags of several productions: each thing once, with all that it was carried for.
  const sea = { id: 'sea', name: 'Sea', kilogramDays: 9, bags: ['Sea'] };
  expect(together([...dead, ...dead, sea]).map((thing) => [thing.id, thing.kilogramDays, thing.bags])).toEqual([
    ['sea', 9, ['Sea']],
    ['long', 1.45 * 6, ['River', 'River']],
    ['odd', null, ['River', 'River']],
  ]);
  expect(earned(document, some, items)).toEqual([{ id: 'bag', name: 'River', takes: 1, good: 1, hire: 90 }]);
  const missed = { id: 's2', name: 'A heron', takes: 1, reasons: ['room'] };
  expect(holes(document, some, () => undefined)).toEqual([{ ...missed, wanted: null }]);
  expect(holes(document, some, (id) => (id === 's2' ? { mm: 600, isMost: false } : undefined))).toEqual([
    { ...missed, wanted: { mm: 600, isMost: false } },
  ]);
});

test('takes of a file stand beside those that are here, once, each with the shot of its name', () => {
  const shots = [shot(), shot({ id: 's2', name: 'A heron' })];
  const here = [row(take())];
  const read = [
    take(),
    take({ shotId: null, shotName: 'A heron', takenAt: '2026-11-27T11:00:00Z' }),
    take({ shotId: null, shotName: 'A heron', takenAt: '2026-11-27T11:00:00.400Z' }),
    take({ shotId: 'gone', shotName: 'Nobody knows', takenAt: '2026-11-27T12:00:00Z', productionId: 'q' }),
  ];
  expect(newTakes(read, here, 'p', shots).map((t) => [t.productionId, t.shotId, t.shotName])).toEqual([
    ['p', 's2', 'A heron'],
    ['p', null, 'Nobody knows'],
  ]);
  // A take that was deleted here comes back.
  expect(newTakes([take()], [{ ...here[0]!, isRemoved: true }], 'p', shots)).toHaveLength(1);
});

test('a file of takes that cannot be read says why, and adds nothing', async () => {
  const file = new File(['a,b'], 'takes.csv');
  expect(await bringIn(file, 'p', [])).toContain('server');
  expect(takes.useRows.getState().rows).toHaveLength(0);
  const large = new File([new Uint8Array(9 * 1024 * 1024)], 'takes.csv');
  expect(await bringIn(large, 'p', [])).toContain('more than 8 MB');
});

test('what a file brings is kept in this browser at once', async () => {
  const answer = { takes: [take({ shotName: 'The launch' }), take({ number: 2 })], problems: ['Line 4 is left out.'] };
  vi.stubGlobal('fetch', () => Promise.resolve(Response.json(answer)));
  expect(await bringIn(new File(['{}'], 'x.json'), 'p', [shot()])).toBe('2 takes brought in. Line 4 is left out.');
  expect(takes.useRows.getState().rows.map((r) => [r.value.number, r.isUnsaved])).toEqual([
    [1, true],
    [2, true],
  ]);
  expect(Object.keys(localStorage).filter((key) => key.startsWith('juxtopsis.rows.takes/'))).toHaveLength(2);
  // A file that is chosen twice in a row is there once.
  const again = () => bringIn(new File(['{}'], 'x.json'), 'p', [shot()]);
  expect(await Promise.all([again(), again()])).toEqual(Array(2).fill('0 takes brought in. 2 were here already. Line 4 is left out.'));
});
