import { beforeEach, expect, test, vi } from 'vitest';
import type { ComparisonDocument, ProductionDocument } from '../src/api/client';
import type { CutRequest, CutResponse, LookMatch, LookRequest, LookResponse, RigInput, Setup } from '../src/core/core';
import type { Outcome } from '../src/core/searching';

type Tell = (outcome: Outcome<LookResponse>) => void;
const askLook = vi.fn<(key: string, isUrgent: boolean, request: LookRequest, tell: Tell) => Promise<void>>(
  () => new Promise(() => undefined),
);
const askCut = vi.fn<(request: CutRequest, tell: (outcome: Outcome<CutResponse>) => void) => Promise<void>>(() => Promise.resolve());
const stop = vi.fn();
const evaluate = vi.fn((setup: Setup) => setup.rigs.map(() => ({ figures: {}, differences: {}, reasons: 0 })));
const assemble = vi.fn(({ rig }: { rig?: RigInput | null }) => ({ rig: { ...rig, lens: { frontFromSensorMm: 120 } }, findings: [] }));
vi.mock('../src/core/core', () => ({
  core: () => ({ evaluate, assemble, formats: [], words: () => ({ conventions: [], reasons: [], problems: [] }) }),
  coreReady: Promise.resolve(),
  isFocused: () => true,
}));
vi.mock('../src/core/searches', async () => ({ useProgress: (await import('zustand')).create(() => ({})), searches: () => ({}) }));
vi.mock('../src/gear/fitting', async () => {
  const { create } = await import('zustand');
  const items = new Map([
    ['b', { kind: 'body', id: 'b', name: 'Skiff' }],
    ['l', { kind: 'lens', id: 'l', name: '40 mm' }],
  ]);
  return { askLook, askCut, stop, useGear: create(() => ({ state: 'ready', version: 1, items })) };
});

const { ask, camerasOf, cutTogether, lookKey, pick, pickedOf, setAspect, setMatch, stopAsking, useMatching } =
  await import('../src/features/bench/match/matchStore');
const { describeLook, layLook, setCut } = await import('../src/features/bench/match/matchCommands');
const { rigOnBench } = await import('../src/features/bench/match/rigOnBench');
const { useBench } = await import('../src/features/bench/benchStore');
const { useDemoSet } = await import('../src/gear/demo');
const { comparisonVersion } = await import('../src/documents/kinds');
const { bestFront } = await import('../src/drawing/Plot');

const bare = (id: string, more: object = {}): RigInput => ({
  id,
  name: id,
  sensorWidthMm: 36,
  sensorHeightMm: 24,
  focalLengthMm: 50,
  fNumber: 2,
  ...more,
});
const chain = (body: string) => ({ parts: [{ item: { kind: 'body', id: body, name: body }, revision: 1 }], mode: 'Wide' });
const match = (body: string, more: object = {}) =>
  ({
    rig: { body, lens: 'l', links: [], front: [], punchIn: 1, mode: 'Wide' },
    distanceMm: 2000,
    focalLengthMm: 40,
    fNumber: 1.4,
    rackedFarther: false,
    sensitivityIso: null,
    lowestIso: null,
    ...more,
  }) as unknown as LookMatch;
const answered = (matches: LookMatch[], isProven = true): Outcome<LookResponse> => ({
  kind: 'answered',
  ms: 7,
  answer: { matches, isProven } as unknown as LookResponse,
});
const last = () => askLook.mock.calls.at(-1)!;
const document = () => useBench.getState().document;
let opened = 0;

beforeEach(() => {
  vi.useFakeTimers();
  vi.clearAllMocks();
  useDemoSet.setState({ demo: null, asked: true });
  useMatching.setState({ answer: null, asking: false, stopped: false, picked: null, all: [], problems: [], among: 'shelf', cut: null });
  useBench.getState().open(
    `c${opened++}`,
    null,
    {
      name: 'Looks',
      document: {
        schemaVersion: comparisonVersion,
        note: '',
        setup: { scene: { subjectDistanceMm: 2000 }, rigs: [bare('r1'), bare('r2', { chain: chain('b') })], yardstick: 'r2' },
      },
    },
    { kind: 'saved', at: '' },
  );
});

test('the look is asked alone, with what counts of it and the whole shelf', () => {
  setAspect('blur', { weight: 5 });
  setMatch({ alsoBehindMm: [500, null], tie: 'price' });
  ask(null);
  const [key, isUrgent, request] = last();
  expect([key, isUrgent]).toEqual([lookKey, true]);
  expect(request.setup.rigs.map((rig) => rig.id)).toEqual(['r2']);
  expect(request).toMatchObject({
    aspects: { blur: { weight: 5 } },
    alsoBehindMm: [500, null],
    tie: 'price',
    bag: null,
    leftOut: [],
    most: 40,
  });
});

test('out of the production’s bag, by its rules, where the comparison was made for a shot of it', () => {
  useMatching.setState({ among: 'bag' });
  const linked = {
    bags: [{ id: 'g', name: 'g', lines: [{ id: 'b' }] }],
    chooseFrom: 'g',
    delivery: { highestIso: 1600, rules: { rates: false } },
  } as unknown as ProductionDocument;
  ask(linked);
  expect(last()[2]).toMatchObject({ bag: ['b'], highestIso: 1600, rules: { rates: false } });
  ask(null);
  expect(last()[2].bag).toBeNull();
});

test('the first answer is shown while it is still asked, the proven one ends it', () => {
  ask(null);
  expect(useMatching.getState().asking).toBe(true);
  last()[3](answered([match('b1')], false));
  expect(useMatching.getState()).toMatchObject({ asking: true, ms: 7 });
  expect(pickedOf(useMatching.getState())?.rig.body).toBe('b1');
  last()[3](answered([match('b2'), match('b1')]));
  expect(useMatching.getState().asking).toBe(false);
  expect(pickedOf(useMatching.getState())?.rig.body).toBe('b2');
});

test('what was picked stays picked as long as it is told, in the plot too', () => {
  ask(null);
  last()[3](answered([match('b1'), match('b2')]));
  pick(match('b2'));
  last()[3](answered([match('b3'), match('b2', { fNumber: 4 })]));
  expect(pickedOf(useMatching.getState())).toMatchObject({ rig: { body: 'b2' }, fNumber: 4 });
  useMatching.setState({ all: [match('b9')] });
  pick(match('b9'));
  expect(pickedOf(useMatching.getState())?.rig.body).toBe('b9');
  last()[3](answered([match('b3')]));
  expect(pickedOf(useMatching.getState())?.rig.body).toBe('b3');
});

test('what is refused is said, and the answer of before stays', () => {
  ask(null);
  last()[3](answered([match('b1')]));
  ask(null);
  last()[3]({ kind: 'refused', problems: [{ message: 'No.' }] as never });
  expect(useMatching.getState()).toMatchObject({ problems: [{ message: 'No.' }], asking: false, answer: { isProven: true } });
});

test('where as many are told as are asked for, all are asked for the plot once the hand rests', () => {
  ask(null);
  last()[3](answered(Array.from({ length: 40 }, (_, i) => match(`b${i}`))));
  vi.advanceTimersByTime(400);
  expect(askLook).toHaveBeenCalledTimes(1);
  // Another change comes in between.
  ask(null);
  vi.advanceTimersByTime(1000);
  expect(askLook).toHaveBeenCalledTimes(2);
  last()[3](answered(Array.from({ length: 40 }, (_, i) => match(`b${i}`))));
  vi.advanceTimersByTime(1000);
  expect(last()[0]).not.toBe(lookKey);
  expect(last().slice(1, 3)).toMatchObject([false, { most: 200 }]);
  last()[3](answered(Array.from({ length: 90 }, (_, i) => match(`b${i}`))));
  expect(useMatching.getState().all).toHaveLength(90);
  expect(useMatching.getState().answer!.matches).toHaveLength(40);
});

test('nothing is asked before the shelf is here, and what is stopped says so', () => {
  useDemoSet.setState({ asked: false });
  ask(null);
  expect(askLook).not.toHaveBeenCalled();
  stopAsking();
  expect(stop).toHaveBeenCalledWith(lookKey);
  expect(useMatching.getState()).toMatchObject({ asking: false, stopped: true });
});

test('how much an aspect counts is a step of undo', () => {
  setAspect('angle', { weight: 1, pinned: true, tolerance: 0.02 });
  setAspect('blur', { weight: 2 });
  expect(document().match!.aspects).toEqual({ angle: { weight: 1, pinned: true, tolerance: 0.02 }, blur: { weight: 2 } });
  useBench.getState().undo();
  expect(document().match?.aspects ?? {}).toEqual({});
});

test('a saved look is laid beside the rigs with what counts of it, as the yardstick, in one step', () => {
  const saved = {
    match: { aspects: { light: { weight: 3 } } },
    setup: { scene: { subjectDistanceMm: 5000 }, rigs: [bare('x'), bare('y', { name: '' })], yardstick: 'y' },
  } as unknown as ComparisonDocument;
  layLook(saved, 'The plank');
  const { setup, match: kept } = document();
  expect(setup.rigs).toHaveLength(3);
  expect(setup.rigs[2]).toMatchObject({ name: 'The plank', focalLengthMm: 50 });
  expect(setup.rigs[2]!.id).not.toBe('y');
  expect(setup.yardstick).toBe(setup.rigs[2]!.id);
  expect(kept!.aspects).toEqual({ light: { weight: 3 } });
  useBench.getState().undo();
  expect(document().setup.rigs).toHaveLength(2);
  expect(document().match?.aspects?.light).toBeUndefined();
});

test('a described look is a rig of bare numbers with a distance of its own; what is behind and the shape are the place’s', () => {
  const look = { sensorWidthMm: 24.9, sensorHeightMm: 18.7, focalLengthMm: 32, fNumber: 2, squeeze: 2, problem: null };
  describeLook(' S35 32 ƒ2 ', { ...look, distanceMm: 3000, behindMm: 1000, isOpenBehind: false, deliveryAspect: 2.39 });
  const { scene, rigs, yardstick } = document().setup;
  expect(rigs[2]).toMatchObject({ name: 'S35 32 ƒ2', sensorWidthMm: 24.9, squeeze: 2, subjectDistanceMm: 3000 });
  expect(yardstick).toBe(rigs[2]!.id);
  expect(scene).toMatchObject({ subjectDistanceMm: 2000, backgroundDistanceMm: 3000, deliveryAspect: 2.39 });
  useBench.getState().undo();
  expect(document().setup.rigs).toHaveLength(2);
  describeLook('x', { ...look, distanceMm: 2000, behindMm: null, isOpenBehind: true, deliveryAspect: null });
  expect(document().setup.scene.backgroundDistanceMm).toBeNull();
  expect(document().setup.rigs[2]!.subjectDistanceMm).toBeUndefined();
});

test('an answer stands where the conventions measure from, and has a distance of its own elsewhere', () => {
  const { setup } = document();
  expect(rigOnBench(match('b'), setup)!.subjectDistanceMm).toBeUndefined();
  expect(rigOnBench(match('b', { distanceMm: 2500 }), setup)!.subjectDistanceMm).toBe(2500);
  expect(rigOnBench(match('b'), { ...setup, conventions: { distanceFrom: 'lensFront' } })!.subjectDistanceMm).toBe(1880);
  expect(rigOnBench(match('gone'), setup)).toBeNull();
});

test('cameras are the rigs with a body; what was found is set on them in one step', () => {
  expect(camerasOf(document().setup)).toEqual([{ rig: document().setup.rigs[1], body: 'b' }]);
  setMatch({ movesShare: 0.5 });
  cutTogether(null);
  const [request, tell] = askCut.mock.calls.at(-1)!;
  expect(request.cameras).toEqual([{ rig: 'r2', body: 'b', movesShare: 0.5 }]);
  expect(useMatching.getState().cutting).toBe(true);
  const cut = { shares: [{ ...match('b', { distanceMm: 2200 }), camera: 'r2' }] };
  tell({ kind: 'answered', ms: 1, answer: { kept: cut, given: null, misses: [] } as unknown as CutResponse });
  expect(useMatching.getState()).toMatchObject({ cutting: false, cut: { kept: cut } });
  setCut(cut as never);
  expect(document().setup.rigs[1]).toMatchObject({ id: 'r2', focalLengthMm: 40, fNumber: 1.4, subjectDistanceMm: 2200 });
  expect(document().setup.rigs[0]).toMatchObject({ id: 'r1', focalLengthMm: 50 });
  useBench.getState().undo();
  expect(document().setup.rigs[1]).toMatchObject({ focalLengthMm: 50 });
});

test('the best front holds those that none betters in both, whichever end is wanted', () => {
  const points = [
    [1, 5],
    [2, 3],
    [2, 4],
    [3, 3],
    [4, 1],
  ].map(([x, y]) => ({ thing: `${x} ${y}`, x: x!, y: y! }));
  const axis = (better?: 'less' | 'more') => ({ label: '', value: () => 0, text: String, ...(better && { better }) });
  const front = (x: ReturnType<typeof axis>, y: ReturnType<typeof axis>) => bestFront(points, x, y).map((p) => p.thing);
  expect(front(axis('less'), axis('less'))).toEqual(['1 5', '2 3', '4 1']);
  expect(front(axis('more'), axis('less'))).toEqual(['4 1']);
  expect(front(axis('less'), axis('more'))).toEqual(['1 5']);
  expect(front(axis('more'), axis('more'))).toEqual(['1 5', '2 4', '3 3', '4 1']);
  expect(front(axis(), axis('less'))).toEqual([]);
});
