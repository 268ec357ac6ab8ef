import { beforeEach, expect, test, vi } from 'vitest';
import type { Assembled, Fit, FitResponse, GearItem, LocationInput, RigInput, Setup, ShotInput } from '../src/core/core';

const assemble = vi.fn(
  ({ rig }: { rig?: RigInput | null }) => ({ rig: { ...rig, sensorWidthMm: 24.9 }, findings: [] }) as unknown as Assembled,
);
const evaluate = vi.fn((setup: Setup) => setup.rigs.map(() => ({ figures: { fieldWidthMm: 1 } })));
vi.mock('../src/core/core', () => ({ core: () => ({ assemble, evaluate }), coreReady: Promise.resolve() }));
vi.mock('../src/core/searches', () => ({ searches: () => ({}) }));

const { useGear } = await import('../src/gear/fitting');
const { comparisonOf, isChosen, pictured, sceneOf, subjectOf } = await import('../src/features/brief/rigs');
const { besidesOf, chosenOfSetting, partsOf, rigOfSetting } = await import('../src/gear/setRigs');
const chains = await import('../src/gear/chains');

const gear: GearItem[] = [
  { kind: 'body', id: 'body', name: 'Skiff', mounts: ['K-bay'] },
  { kind: 'adapter', id: 'ring', name: 'Ring', bodyMount: 'K-bay', lensMount: 'Thole' },
  { kind: 'lens', id: 'lens', name: '40 mm', mount: 'thole' },
  { kind: 'closeUpLens', id: 'close', name: '+2' },
  { kind: 'mount', id: 'm1', name: 'K-bay' },
  { kind: 'mount', id: 'm2', name: 'Thole' },
  { kind: 'mount', id: 'm3', name: 'Sill' },
];
const fitOf = (more: object = {}, rig: object = {}) =>
  ({
    distanceMm: 3000,
    frontMm: 140,
    rearMm: 90,
    focalLengthMm: 40,
    fNumber: 2.8,
    rackedFarther: false,
    rig: {
      body: 'body',
      mode: 'Wide',
      lens: 'lens',
      links: ['ring'],
      front: [],
      punchIn: 1,
      bodyName: 'Skiff',
      lensName: '40 mm',
      linkNames: ['Ring'],
      frontNames: [],
      ...rig,
    },
    ...more,
  }) as unknown as Fit;
const place: LocationInput = { id: 'p', name: 'Loft', behindMm: 2000, keepOffMm: 400, brightnessEv: 7 };
const shot = { id: 's', name: 'Hands', locationId: 'p', subject: { kind: 'standing', heightMm: 1650 }, note: 'Slow.' } as ShotInput;
const answer = { frame: { lensHeightMm: 1400, roomMm: 5000 } } as FitResponse;

beforeEach(() => {
  vi.clearAllMocks();
  useGear.setState({ items: new Map(gear.map((i) => [i.id, i])) });
});

test('what stands for a subject in a picture goes by what it is and how large', () => {
  const of = (subject: object) => subjectOf({ ...shot, subject } as ShotInput);
  expect([of({ kind: 'seated' }), of({ kind: 'group' }), of({ kind: 'table' })]).toEqual(['seated', 'two', 'hands']);
  expect([20, 500, 9000].map((heightMm) => of({ kind: 'thing', heightMm }))).toEqual(['rivet', 'none', 'hull']);
  expect(of({ kind: 'far' })).toBe('rivet');
});

test('the scene of a shot has the background behind the subject and the camera between its bounds', () => {
  expect(sceneOf(place, shot, {}, answer, fitOf())).toMatchObject({
    subjectDistanceMm: 3000,
    backgroundDistanceMm: 5000,
    deliveryAspect: 16 / 9,
    lensHeightMm: 1400,
    figureHeightMm: 1650,
    nearestCameraMm: 540,
    farthestCameraMm: 4910,
    brightnessEv: 7,
    backdrop: 'shed',
  });
  const open = sceneOf(
    { id: 'p', name: 'Shore' },
    { ...shot, deliveryAspect: 1 },
    { timelineFps: 50 },
    { frame: { ...answer.frame, roomMm: null } },
    fitOf(),
  );
  expect(open).toMatchObject({
    backgroundDistanceMm: null,
    nearestCameraMm: null,
    farthestCameraMm: null,
    deliveryAspect: 1,
    timelineFps: 50,
  });
  // From above, the floor is the background.
  expect(sceneOf(place, { ...shot, cameraSupport: 'overhead' }, {}, answer, fitOf()).backgroundDistanceMm).toBe(3000);
});

test('a proposal becomes a rig of the shelf’s parts with the mounts that they name, and none when a part is gone', () => {
  const rig = rigOfSetting(fitOf({}, { front: ['close'] }), { subjectDistanceMm: 3000 }, { ...shot, captureFps: 50 })!;
  const chain = chains.chainOf(rig)!;
  expect(chain.parts.map((p) => p.item.id)).toEqual(['body', 'ring', 'lens', 'close']);
  expect(chain.mounts!.map((m) => m.name)).toEqual(['K-bay', 'Thole']);
  expect(rig).toMatchObject({ name: 'Skiff, 40 mm', sensorWidthMm: 24.9, focalLengthMm: 40, captureFps: 50 });
  expect(rigOfSetting(fitOf({}, { links: ['sold'] }), { subjectDistanceMm: 3000 }, shot)).toBeNull();
  expect(partsOf(fitOf({}, { body: 'body', lens: 'body', links: [] }).rig)!.map((p) => p.id)).toEqual(['body']);
});

test('proposals go to the Bench with the first as what the others are measured against', () => {
  const document = comparisonOf(place, shot, {}, answer, [fitOf(), fitOf({ distanceMm: 2200 }), fitOf({}, { lens: 'sold' })])!;
  expect(document.note).toBe('Hands, Loft. Slow.');
  expect(document.setup.rigs.map((r) => r.subjectDistanceMm ?? null)).toEqual([null, 2200]);
  expect(document.setup.scene.subjectDistanceMm).toBe(3000);
  expect(comparisonOf(place, shot, {}, answer, [fitOf({}, { lens: 'sold' })])).toBeNull();
  expect(comparisonOf(place, { ...shot, note: 'x'.repeat(400) }, {}, answer, [fitOf()])!.note).toHaveLength(280);
});

test('a picture has the rig, its scene and its figures', () => {
  expect(pictured(place, shot, {}, answer, fitOf())).toMatchObject({ figures: { fieldWidthMm: 1 }, scene: { subjectDistanceMm: 3000 } });
  evaluate.mockReturnValueOnce([]);
  expect(pictured(place, shot, {}, answer, fitOf())).toBeNull();
});

test('a choice is the body with its lens by one way and one punch-in, not by another', () => {
  const chosen = chosenOfSetting(fitOf());
  expect(chosen.name).toBe('Skiff + Ring + 40 mm');
  const of = { ...shot, chosen };
  expect(isChosen(of, fitOf())).toBe(true);
  expect([{ links: [] }, { front: ['close'] }, { punchIn: 1.2 }, { lens: 'other' }].map((rig) => isChosen(of, fitOf({}, rig)))).toEqual([
    false,
    false,
    false,
    false,
  ]);
  expect(isChosen(shot, fitOf())).toBe(false);
  expect(besidesOf(fitOf({}, { punchIn: 1.25 }).rig)).toBe('Wide, punched in 1.25× · Ring');
});

test('what parts make is reckoned once for a rig as it stands', () => {
  const rig = {
    id: 'r',
    sensorWidthMm: 36,
    sensorHeightMm: 24,
    focalLengthMm: 40,
    fNumber: 2,
    chain: { parts: [] },
  } as unknown as RigInput;
  chains.assembled(rig, { deliveryAspect: 1 });
  chains.assembled(rig, { deliveryAspect: 1 });
  expect(assemble).toHaveBeenCalledTimes(1);
  chains.assembled(rig, { deliveryAspect: 2 });
  expect(assemble).toHaveBeenCalledTimes(2);
  expect(chains.assembled({ ...rig, chain: null }, {})).toBeNull();
  // The rig that comes of it is known already.
  chains.assembled(chains.fromParts(rig, { subjectDistanceMm: 1, deliveryAspect: 2 }), { deliveryAspect: 2 });
  expect(assemble).toHaveBeenCalledTimes(2);
});

test('a rig of the Bench becomes a shot’s choice only when it has a body and a lens', () => {
  const rig = (...ids: string[]) =>
    ({ chain: { mode: 'Wide', parts: ids.map((id) => ({ item: gear.find((g) => g.id === id)!, revision: 1 })) } }) as unknown as RigInput;
  expect(chains.chosenOf(rig('body', 'ring', 'lens', 'close'))).toEqual({
    body: 'body',
    mode: 'Wide',
    lens: 'lens',
    links: ['ring'],
    front: ['close'],
    punchIn: 1,
    name: 'Skiff + Ring + 40 mm + +2',
  });
  expect(chains.chosenOf(rig('body', 'ring'))).toBeNull();
  expect(chains.chosenOf({} as RigInput)).toBeNull();
});
