import { beforeEach, expect, test, vi } from 'vitest';
import type { GearItem, HoldRequest, RigInput, Setup, SolveRequest } from '../src/core/core';

const solve = vi.fn((request: SolveRequest): unknown[] => request.setup.rigs.map(() => []));
const hold = vi.fn((request: Omit<HoldRequest, 'fixedFilters'>): unknown => request.after.rigs.map(() => ({ notes: [] })));
const assemble = vi.fn((request: { rig?: RigInput | null }) => ({ rig: { ...request.rig, sensorWidthMm: 24 }, findings: [] }));
vi.mock('../src/core/core', () => ({
  core: () => ({
    evaluate: (setup: Setup) =>
      setup.rigs.map(() => ({ figures: { magnification: 0.1, fieldHeightMm: 900 }, differences: {}, reasons: 0 })),
    words: () => ({ conventions: [], reasons: [], problems: [] }),
    formats: [{ name: 'Full frame', widthMm: 36, heightMm: 24 }],
    solve,
    hold,
    assemble,
  }),
  coreReady: Promise.resolve(),
  isFocused: () => true,
}));

const { useBench, yardstickOf, idAt } = await import('../src/features/bench/benchStore');
const commands = await import('../src/features/bench/commands');
const rows = await import('../src/features/bench/rowCommands');
const { givingOrder, holdNothing, letGo } = await import('../src/features/bench/holding');
const { comparisonVersion } = await import('../src/documents/kinds');

const now = () => useBench.getState();
const setup = () => now().document.setup;
const scene = () => setup().scene;
const rig = (id: string) => setup().rigs.find((r) => r.id === id)!;
const ids = () => setup().rigs.map((r) => r.id);
const rigs: RigInput[] = ['a', 'b', 'c'].map((id, i) => ({
  id,
  name: `Rig ${id}`,
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  focalLengthMm: [25, 35, 50][i]!,
  fNumber: 2.8,
}));

let opened = 0;

beforeEach(() => {
  vi.useFakeTimers();
  vi.clearAllMocks();
  hold.mockImplementation((request) => request.after.rigs.map(() => ({ notes: [] })));
  const document = {
    schemaVersion: comparisonVersion,
    note: '',
    setup: { scene: { subjectDistanceMm: 2000, backgroundDistanceMm: 5000, deliveryAspect: 16 / 9 }, rigs, yardstick: 'b' },
  };
  now().open(`w${opened++}`, null, { name: 'Three', document }, { kind: 'saved', at: '' });
  vi.advanceTimersByTime(1000);
});

test('a change that changes nothing is no step of undo', () => {
  commands.changeScene({ subjectDistanceMm: 2000 });
  commands.changeRig('a', { focalLengthMm: 25 });
  commands.changeRig('nobody', { focalLengthMm: 1 });
  commands.moveSubject(2000);
  expect(now().past).toHaveLength(0);
});

test('when the camera moves, what is behind the subject stays as far behind it', () => {
  commands.moveCamera(3000);
  expect(scene()).toMatchObject({ subjectDistanceMm: 3000, backgroundDistanceMm: 6000 });
  commands.changeScene({ backgroundDistanceMm: null });
  commands.moveCamera(1000);
  expect(scene()).toMatchObject({ subjectDistanceMm: 1000, backgroundDistanceMm: null });
});

test('when the subject moves, cameras and background stay, and a rig at a place of its own is farther by as much', () => {
  commands.standAt('c', 4000);
  commands.moveSubject(2500);
  expect(scene()).toMatchObject({ subjectDistanceMm: 2500, backgroundDistanceMm: 5000 });
  expect([rig('a').subjectDistanceMm, rig('c').subjectDistanceMm]).toEqual([undefined, 4500]);
  commands.standAt('c', null);
  expect(rig('c').subjectDistanceMm).toBeNull();
});

test('what is known of a lens is added to what is known already', () => {
  commands.changeLens('a', { minimumFocusDistanceMm: 400 });
  vi.advanceTimersByTime(1000);
  commands.changeLens('a', { imageCircleMm: 43.3 });
  expect(rig('a').lens).toEqual({ minimumFocusDistanceMm: 400, imageCircleMm: 43.3 });
});

test('a solution that moves the camera gives a rig a distance of its own beside others, and takes the scene along when it is alone', () => {
  const found = { id: 'a', distanceMm: 3100, focuses: false, rig: { focalLengthMm: 40 } };
  commands.applySolutions([found]);
  expect([rig('a').subjectDistanceMm, rig('a').focalLengthMm, scene().subjectDistanceMm]).toEqual([3100, 40, 2000]);
  now().undo();
  expect(rig('a')).toEqual(rigs[0]);
  rows.removeRig('b');
  rows.removeRig('c');
  commands.applySolutions([found]);
  expect([rig('a').subjectDistanceMm, scene().subjectDistanceMm, scene().backgroundDistanceMm]).toEqual([null, 3100, 6100]);
});

test('a solution that focuses moves the subject, and never puts what is behind in front of it', () => {
  commands.applySolutions([{ id: 'b', distanceMm: 7000, focuses: true, rig: {} }]);
  expect(scene()).toMatchObject({ subjectDistanceMm: 7000, backgroundDistanceMm: 7000 });
  commands.applySolutions([
    { id: 'gone', distanceMm: 1, focuses: false, rig: {} },
    { id: 'c', distanceMm: null, focuses: false, rig: { fNumber: 4 } },
  ]);
  expect(rig('c').fNumber).toBe(4);
});

test('rigs that follow what is held are set as the core says, with what gave', () => {
  commands.setHold({ ...holdNothing, framing: true });
  hold.mockImplementation((request) =>
    request.after.rigs.map((_, i) =>
      i === 1 ? { focalLengthMm: 70, fNumber: null, notes: [{ outcome: 'followed', message: 'Zoomed.' }] } : { notes: [] },
    ),
  );
  commands.changeScene({ subjectDistanceMm: 4000 });
  expect(rig('b')).toMatchObject({ focalLengthMm: 70, fNumber: 2.8 });
  expect(now().holdNotes.map((notes) => notes.length)).toEqual([0, 1, 0]);
  // The drag goes on from where it began, not from what followed.
  commands.changeScene({ subjectDistanceMm: 3000 });
  expect(hold.mock.calls.at(-1)![0].before.scene.subjectDistanceMm).toBe(2000);
  expect(now().past).toHaveLength(2);
});

test('rigs are brought to the yardstick, all of them or one', () => {
  commands.bringToYardstick({ framing: true }, 'c');
  expect(hold.mock.calls[0]![0]).toMatchObject({ place: false, framing: true, blur: false, leader: 1, followers: [2] });
  commands.bringToYardstick({ blur: true });
  expect(hold.mock.calls[1]![0]).not.toHaveProperty('followers');
  expect(now().past).toHaveLength(0);
});

test('a chain names its rig until somebody has', () => {
  const parts = [
    { item: { kind: 'body', id: 'k', name: 'Kestrel' }, revision: 1 },
    { item: { kind: 'lens', id: 'l', name: '40 mm' }, revision: 1 },
  ];
  commands.changeRig('a', { name: 'Full frame' });
  vi.advanceTimersByTime(1000);
  commands.changeChain('a', { parts });
  expect(rig('a')).toMatchObject({ name: 'Kestrel, 40 mm', sensorWidthMm: 24, id: 'a' });
  commands.changeRig('b', { name: 'Mine' });
  vi.advanceTimersByTime(1000);
  commands.changeChain('b', { parts });
  expect(rig('b').name).toBe('Mine');
  commands.changeChain('b', null);
  expect([rig('b').chain, rig('b').sensorWidthMm]).toEqual([null, 24]);
  commands.changeChain('nobody', null);
});

test('names and notes are one line', () => {
  commands.rename('Low\ntide');
  commands.setNote('a\tb');
  expect([now().name, now().document.note]).toEqual(['Low tide', 'a b']);
});

test('the yardstick goes along with its rig, and to the first when its rig goes', () => {
  commands.setYardstick('c');
  rows.moveRig('c', 0);
  expect([ids(), yardstickOf(setup())]).toEqual([['c', 'a', 'b'], 0]);
  rows.orderRigs(['b', 'a', 'c']);
  expect([ids(), yardstickOf(setup())]).toEqual([['b', 'a', 'c'], 2]);
  rows.removeRig('c');
  expect([ids(), setup().yardstick]).toEqual([['b', 'a'], 'b']);
  now().undo();
  expect([ids(), yardstickOf(setup())]).toEqual([['b', 'a', 'c'], 2]);
});

test('a copy stands beside its rig under an identity of its own, and no row is longer than twelve', () => {
  rows.duplicateRig('a');
  expect(setup().rigs.map((r) => r.name)).toEqual(['Rig a', 'Rig a', 'Rig b', 'Rig c']);
  expect(new Set(ids()).size).toBe(4);
  for (let i = 0; i < 20; i++) {
    rows.duplicateRig('a');
  }
  expect(setup().rigs).toHaveLength(rows.mostRigs);
});

test('a row of focal lengths stands in place of its rig, or of all, each named after what it is', () => {
  rows.makeRow(1, { focalLengths: [20, 28], bodies: [1], atOneFraming: false, replaceAll: false });
  expect(setup().rigs.map((r) => [r.name, r.focalLengthMm])).toEqual([
    ['Rig a', 25],
    ['20\u2009mm', 20],
    ['28\u2009mm', 28],
    ['Rig c', 50],
  ]);
  rows.makeRow(0, { focalLengths: [85], bodies: [0, 3], atOneFraming: false, replaceAll: true });
  expect(setup().rigs.map((r) => r.name)).toEqual(['Rig a, 85\u2009mm', 'Rig c, 85\u2009mm']);
  expect(solve).not.toHaveBeenCalled();
});

test('a row at one framing stands where the core says, and says where it could not', () => {
  solve.mockImplementation((request) =>
    request.setup.rigs.map((r, i) => [
      { subjectDistanceMm: i === 0 ? 1500 : null, rackedFarther: false, isMet: i === 0, message: `Rig ${r.focalLengthMm}`, fix: '' },
    ]),
  );
  rows.makeRow(0, { focalLengths: [20, 200], bodies: [0], atOneFraming: true, replaceAll: true });
  expect(solve.mock.calls[0]![0]).toMatchObject({ goal: 'distance', sizeMm: 900 });
  expect(setup().rigs.map((r) => r.subjectDistanceMm ?? null)).toEqual([1500, null]);
  expect(now().holdNotes.map((notes) => notes.map((n) => n.outcome))).toEqual([['followed'], ['stopped']]);
});

test('a row of chains is a row of lenses on one body', () => {
  const chain = (name: string) => ({ parts: [{ item: { kind: 'lens', id: name, name } as GearItem, revision: 1 }] });
  rows.makeRowOfChains(0, [chain('One'), chain('Two')]);
  expect(assemble).toHaveBeenCalledTimes(2);
  expect(new Set(ids()).size).toBe(2);
  expect(idAt(0)).not.toBe('a');
});

test('what is held belongs to the comparison, and is a step of undo', () => {
  commands.setHold({ ...holdNothing, blur: true });
  expect(now().document.hold).toMatchObject({ blur: true });
  now().undo();
  expect(now().document.hold?.blur ?? false).toBe(false);
});

test('a rig that is added stands last, in the yardstick’s numbers', () => {
  const id = rows.addRig();
  expect(ids().at(-1)).toBe(id);
  expect(rig(id)).toMatchObject({ focalLengthMm: 35, fNumber: 2.8, name: '' });
});

test('a distance that is typed for the scene leaves a rig’s own', () => {
  commands.standAt('c', 1500);
  commands.changeScene({ subjectDistanceMm: 3000 });
  expect(rig('c').subjectDistanceMm).toBe(1500);
});

test('what is pinned of a rig is kept with the hold, without rigs that are gone, and let go of by a second press', () => {
  const pinned = () => now().document.hold?.pinned;
  commands.togglePin('a', 'filter');
  commands.togglePin('c', 'shutter');
  commands.togglePin('a', 'aperture');
  expect(pinned()).toEqual([
    { rig: 'c', controls: ['shutter'] },
    { rig: 'a', controls: ['filter', 'aperture'] },
  ]);
  rows.removeRig('c');
  commands.togglePin('a', 'filter');
  expect(pinned()).toEqual([{ rig: 'a', controls: ['aperture'] }]);
  commands.togglePin('a', 'aperture');
  expect(pinned()).toEqual([]);
});

test('right exposure asks for the order and the pins, of one rig or of all, in one step of undo', () => {
  commands.setHold({ ...holdNothing, lightGives: ['shutter'], pinned: [{ rig: 'b', controls: ['filter'] }] });
  hold.mockImplementation((request) =>
    request.after.rigs.map((_, i) => (i === 1 ? { sensitivityIso: 400, notes: [{ message: 'ISO 400.' }] } : { notes: [] })),
  );
  commands.exposeRight('b');
  expect(hold.mock.lastCall![0]).toMatchObject({
    exposeRight: true,
    followers: [1],
    lightGives: ['shutter'],
    pinned: [[], ['filter'], []],
  });
  expect([rig('b').sensitivityIso, now().holdNotes[1]]).toEqual([400, [{ message: 'ISO 400.' }]]);
  commands.exposeRight();
  expect(hold.mock.lastCall![0]).not.toHaveProperty('followers');
  now().undo();
  expect(rig('b').sensitivityIso).toBeUndefined();
});

test('rigs that are brought to the yardstick give in the person’s order, and keep what is pinned', () => {
  commands.setHold({ ...holdNothing, lightGives: ['aperture'], pinned: [{ rig: 'c', controls: ['shutter'] }] });
  commands.bringToYardstick({ light: true });
  expect(hold.mock.lastCall![0]).toMatchObject({ leader: 1, light: true, lightGives: ['aperture'], pinned: [[], [], ['shutter']] });
});

test('what is let go of keeps the order and the pins for the next time', () => {
  const pinned = [{ rig: 'a', controls: ['filter' as const] }];
  expect(letGo({ ...holdNothing, light: true, framing: true, place: false, lightGives: ['aperture'], pinned })).toEqual({
    ...holdNothing,
    lightGives: ['aperture'],
    pinned,
  });
  expect(givingOrder({ ...holdNothing, lightGives: ['aperture'] })).toEqual(['aperture', 'filter', 'sensitivity', 'shutter']);
});
