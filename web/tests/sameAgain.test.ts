import { beforeEach, expect, test, vi } from 'vitest';

const read = vi.fn();
const write = vi.fn();
const started = vi.fn(() => Promise.resolve('new-id'));
vi.mock('../src/core/core', () => ({
  core: () => ({ evaluate: () => [{ figures: { fieldHeightMm: 1000 } }] }),
  coreReady: Promise.resolve(),
}));
vi.mock('../src/gear/setRigs', () => ({ rigOfSetting: () => ({}), partsOf: () => [] }));
vi.mock('../src/api/client', async (original) => ({ ...(await original<object>()), productions: { read, write, list: vi.fn() } }));
vi.mock('../src/documents/kinds', () => ({
  productionVersion: 4,
  comparisonVersion: 5,
  production: { kind: 'production', upgraded: (document: unknown) => Promise.resolve(document) },
  comparison: { kind: 'comparison' },
}));
vi.mock('../src/documents/outbox', () => ({ startWork: started, useOutbox: () => undefined }));

const { intoNew, intoOther } = await import('../src/features/brief/log/sameAgain');
const { goneOf, settingOf } = await import('../src/features/brief/log/takeRigs');
const { useGear } = await import('../src/gear/fitting');

const pickUp = {
  shot: { id: 's9', name: 'The launch, pick-up', locationId: 'l1', unit: 'River unit', subject: { kind: 'standing' }, size: 'medium' },
  place: { id: 'l1', name: 'River', lengthMm: 6000, widthMm: 4000 },
} as never;
const work = (revision: number, document: object) => ({ id: 'p2', name: 'Second day', revision, document, updatedAt: '', deletedAt: null });

beforeEach(() => {
  read.mockReset();
  write.mockReset();
  started.mockClear();
});

test('a pick-up goes on top of what another production is just now, also where somebody was quicker', async () => {
  read.mockResolvedValueOnce(work(3, { schemaVersion: 4, shots: [], locations: [] }));
  read.mockResolvedValueOnce(work(4, { schemaVersion: 4, shots: [{ id: 's1', name: 'Theirs' }], locations: [] }));
  write.mockResolvedValueOnce({ kind: 'conflict', current: {} });
  write.mockResolvedValueOnce({ kind: 'stored', work: {} });
  expect(await intoOther('p2', pickUp)).toBe('');
  expect(write).toHaveBeenCalledTimes(2);
  const [id, base, name, document] = write.mock.calls[1] as [string, number, string, { shots: { id: string }[] }];
  expect([id, base, name]).toEqual(['p2', 4, 'Second day']);
  expect(document.shots.map((shot) => shot.id)).toEqual(['s1', 's9']);
});

test('what cannot be written says why, and a production that others keep changing is not tried for ever', async () => {
  read.mockResolvedValueOnce({ kind: 'away', say: 'The server cannot be reached.' });
  expect(await intoOther('p2', pickUp)).toBe('The server cannot be reached.');
  read.mockResolvedValue(work(1, { schemaVersion: 4 }));
  write.mockResolvedValueOnce({ kind: 'refused', say: 'There are too many shots.' });
  expect(await intoOther('p2', pickUp)).toBe('There are too many shots.');
  write.mockResolvedValue({ kind: 'conflict', current: {} });
  expect(await intoOther('p2', pickUp)).toContain('Try again in a moment');
  expect(write.mock.calls.length).toBeLessThan(6);
});

test('a day of its own begins with the pick-up, its place, and what is delivered', async () => {
  await intoNew(pickUp, 'Neap tide', { schemaVersion: 4, delivery: { aspect: 2 }, units: ['River unit'] });
  const [, made] = started.mock.calls[0] as unknown as [unknown, { name: string; document: Record<string, unknown> }];
  expect(made.name).toBe('Neap tide, pick-ups');
  expect(made.document).toMatchObject({ schemaVersion: 4, delivery: { aspect: 2 }, units: ['River unit'] });
  expect(made.document['shots']).toMatchObject([{ id: 's9', unit: 'River unit', locationId: 'l1' }]);
  expect(made.document['locations']).toMatchObject([{ id: 'l1', name: 'River' }]);
});

test('a place that is there already under another identity is its place, one with other sides is not', async () => {
  const there = { id: 'x', name: 'River', lengthMm: 6000, widthMm: 4000 };
  read.mockResolvedValue(work(1, { schemaVersion: 4, shots: [], locations: [there] }));
  write.mockResolvedValue({ kind: 'stored', work: {} });
  await intoOther('p2', pickUp);
  type Written = { locations: { id: string }[]; shots: { locationId: string }[] };
  const same = write.mock.calls[0]![3] as Written;
  expect([same.locations.length, same.shots[0]!.locationId]).toEqual([1, 'x']);
  read.mockResolvedValue(work(2, { schemaVersion: 4, shots: [], locations: [{ ...there, lengthMm: 5400 }] }));
  await intoOther('p2', pickUp);
  const other = write.mock.calls[1]![3] as Written;
  expect([other.locations.length, other.shots[0]!.locationId]).toEqual([2, 'l1']);
});

test('what of a rig is gone is told by what it was to it', () => {
  useGear.setState({ items: new Map([['b', {}]]) as never });
  const rig = { body: 'b', mode: 'Full', lens: 'l', links: ['k'], front: [], punchIn: 1, name: '' };
  expect(goneOf(rig)).toEqual(['its lens', 'what stands between them']);
  expect(goneOf({ ...rig, body: 'x', lens: 'x', links: [], front: ['f'] })).toEqual(['its body', 'what is in front']);
  expect(goneOf({ ...rig, lens: 'b', links: [] })).toEqual([]);
});

test('a take without a rig or a focal length has no setting; what else was not noted is as is usual', () => {
  const take = { productionId: 'p', takenAt: '2027-04-19T10:00:00Z' };
  const rig = { body: 'b', mode: 'Full', lens: 'l', name: '' };
  expect(settingOf({ ...take, rig })).toBeNull();
  expect(settingOf({ ...take, focalLengthMm: 35 })).toBeNull();
  expect(settingOf({ ...take, rig, focalLengthMm: 35 })).toMatchObject({
    focalLengthMm: 35,
    distanceMm: 3000,
    fNumber: 4,
    rig: { links: [], front: [], punchIn: 1 },
  });
});
