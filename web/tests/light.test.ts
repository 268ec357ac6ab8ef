import { beforeEach, expect, test, vi } from 'vitest';
import type { EntryKind, Numbers, RigInput, RigReport, SceneInput } from '../src/core/core';

const changeRig = vi.fn();
const changeScene = vi.fn();
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/features/bench/commands', () => ({ changeRig, changeScene }));
const { exposureTime } = await import('../src/ui/format');
const { linesOf, movedTo, notesOf, reachOf, startOf, totalsAlong, totalsOf, wayOf } = await import('../src/features/bench/light/steps');

const plainFigures = {
  filterStepStops: 0,
  apertureStepStops: -4,
  opticsStepStops: 0,
  glassStepStops: 0,
  focusStepStops: 0,
  shutterStepStops: -5.644,
  sensitivityStepStops: 3,
  settingEv: 6.644,
  exposureTimeSeconds: 0.02,
  opticsMagnification: 1,
};
const report = (more: object = {}) => ({ figures: { ...plainFigures, ...more } as unknown as Numbers }) as RigReport;
const rig = (more: object = {}) => ({ id: 'a', fNumber: 4, focalLengthMm: 50, sensitivityIso: 800, ...more }) as RigInput;
const scene = (more: object = {}) => ({ subjectDistanceMm: 2500, shutterAngleDeg: 180, ...more }) as SceneInput;
const names = (of: ReturnType<typeof wayOf>) => of.steps.map((step) => step.name);
const says = (of: ReturnType<typeof wayOf>) => of.steps.map((step) => step.says.replace('\u2009', ' '));

beforeEach(() => vi.clearAllMocks());

test('a way goes from what stands in front to the sensitivity, without what neither gives nor takes and nobody can move', () => {
  const way = wayOf(rig(), report(), scene(), 8);
  expect([names(way), says(way)]).toEqual([
    ['Filter', 'Aperture', 'Shutter', 'Sensitivity'],
    ['no filter', 'ƒ4.0', '1/50 s', 'ISO 800'],
  ]);
  expect(way.end).toBeCloseTo(8 - 4 - 5.644 + 3, 9);
  const glass = wayOf(
    rig({ filterStops: 3 }),
    report({ filterStepStops: -3, opticsStepStops: 0.988, glassStepStops: -0.3, focusStepStops: -0.2, opticsMagnification: 0.71 }),
    scene(),
    8,
  );
  expect(says(glass)).toEqual(['3 st', 'ƒ4.0', '0.71×', 'glass', 'close', '1/50 s', 'ISO 800']);
});

test('filters that are parts are told and not moved; without any they are left out', () => {
  const chain = { parts: [] };
  expect(names(wayOf(rig({ chain }), report(), scene(), 8))).not.toContain('Filter');
  expect(wayOf(rig({ chain, filterStops: 6 }), report({ filterStepStops: -6 }), scene(), 8).steps[0]).toMatchObject({
    name: 'Filter',
    move: null,
  });
});

test('where the sensitivity is open nothing is left over, and it begins at ISO 100', () => {
  const way = wayOf(rig({ sensitivityIso: null }), report({ sensitivityStepStops: NaN }), scene(), 8);
  expect([way.end, way.steps.at(-1)!.says, way.steps.at(-1)!.stops, way.steps.at(-1)!.move!.value]).toEqual([null, 'open', 0, 100]);
});

test('ladders begin with the brightness of the scene, else with that for which the yardstick is right, else with nothing', () => {
  expect(startOf(scene({ brightnessEv: 12 }), report())).toEqual({ ev: 12, isKnown: true });
  expect(startOf(scene(), report())).toEqual({ ev: 6.644, isKnown: false });
  expect(startOf(scene(), report({ settingEv: NaN }))).toBeNull();
});

test('one scale holds all rungs of all rigs, and always the line of right exposure', () => {
  const bright = wayOf(rig(), report(), scene(), 15);
  const dark = wayOf(rig(), report({ apertureStepStops: -9 }), scene(), 15);
  const reach = reachOf(15, [bright, dark]);
  expect(reach.top).toBeGreaterThanOrEqual(15);
  expect(reach.bottom).toBeLessThanOrEqual(15 - 9 - 5.644);
  expect(reachOf(0, [])).toEqual({ top: 2, bottom: -2 });
});

test('each movable knows how much brighter another value is, and sets its own', () => {
  const { steps } = wayOf(rig({ filterStops: 3 }), report({ filterStepStops: -3 }), scene(), 8);
  const move = (name: string) => steps.find((step) => step.name === name)!.move!;
  expect(
    [move('Filter').brighter(1), move('Aperture').brighter(2.8), move('Shutter').brighter(90), move('Sensitivity').brighter(1600)].map(
      (x) => Math.round(100 * x) / 100,
    ),
  ).toEqual([2, 1.03, -1, 1]);
  move('Filter').set(1);
  move('Aperture').set(2.8);
  move('Sensitivity').set(1600);
  move('Shutter').set(90);
  expect(changeRig.mock.calls).toEqual([
    ['a', { filterStops: 1 }],
    ['a', { fNumber: 2.8 }],
    ['a', { sensitivityIso: 1600 }],
  ]);
  expect(changeScene.mock.calls).toEqual([[{ shutterAngleDeg: 90 }]]);
});

test('a hand moves a step to the value that comes nearest, of those that keys go through, and no farther than there are any', () => {
  const row = [100, 125, 160, 200, 250, 320, 400];
  const step = (_: EntryKind, value: number, up: boolean) => row[row.indexOf(value) + (up ? 1 : -1)] ?? value;
  const sensitivity = wayOf(rig({ sensitivityIso: 100 }), report(), scene(), 8).steps.at(-1)!.move!;
  expect([0, 0.2, 0.9, 1.1, 9].map((stops) => movedTo(sensitivity, stops, step))).toEqual([100, 125, 200, 200, 400]);
  const aperture = wayOf(rig({ fNumber: 4 }), report(), scene(), 8).steps[1]!.move!;
  const openings = [2.8, 4, 5.6];
  const turn = (_: EntryKind, value: number, up: boolean) => openings[openings.indexOf(value) + (up ? 1 : -1)] ?? value;
  expect([movedTo(aperture, 1, turn), movedTo(aperture, -3, turn)]).toEqual([2.8, 5.6]);
});

test('a time is told as people say it', () => {
  expect([0.02, 1 / 48.3, 1 / 9.5, 0.5, 1 / 8000].map((s) => exposureTime(s).replace('\u2009', ' '))).toEqual([
    '1/50 s',
    '1/48 s',
    '1/9.5 s',
    '0.5 s',
    '1/8000 s',
  ]);
});

test('shutters are listed for what is captured and the lamps that are set, then for the mains of the world, each once', () => {
  const lines = (more: object, ...rates: (number | null)[]) =>
    linesOf(
      scene({ timelineFps: 25, ...more }),
      rates.map((captureFps) => rig({ captureFps })),
    ).map(({ fps, hertz }) => [fps, hertz]);
  expect(lines({ mainsHertz: 50 }, null, null)).toEqual([
    [25, 50],
    [25, 60],
  ]);
  expect(lines({ mainsHertz: 90 }, null, 100)).toEqual([
    [25, 90],
    [25, 50],
    [25, 60],
    [100, 90],
    [100, 50],
    [100, 60],
  ]);
});

test('the shutter that moves is the rig’s own, or the scene’s time where that is held', () => {
  const shutterOf = (r: object, s: object) => wayOf(rig(r), report(), scene(s), 8).steps.find((step) => step.name === 'Shutter')!.move!;
  const own = shutterOf({ shutterAngleDeg: 90 }, { shutterSeconds: 0.01 });
  own.set(45);
  const held = shutterOf({}, { shutterSeconds: 0.01 });
  held.set(0.02);
  expect([own.kind, own.value, held.kind, held.value, held.brighter(0.02)]).toEqual(['shutterAngle', 90, 'shutterTime', 0.01, 1]);
  expect([changeRig.mock.calls, changeScene.mock.calls]).toEqual([[['a', { shutterAngleDeg: 45 }]], [[{ shutterSeconds: 0.02 }]]]);
});

test('another setting is told along the steps that are drawn, the others counting with the next', () => {
  const way = wayOf(rig(), report(), scene(), 8);
  const wide = report({ apertureStepStops: -5, glassStepStops: -0.25, focusStepStops: -0.25 });
  expect(totalsOf(way, 8).map((mark) => Math.round(1000 * mark) / 1000)).toEqual([8, 8, 4, -1.644, 1.356]);
  expect(totalsAlong(way, wide, 8).map((mark) => Math.round(1000 * mark) / 1000)).toEqual([8, 3, -3.144, -0.144]);
});

test('slow motion and a variable filter are put in words', () => {
  const notes = (more: object, figures: object, end: number | null) =>
    notesOf(rig(more), report({ slowMotion: 1, slowMotionStops: 0, movementOnScreenSeconds: 1, ...figures }), scene(), end).map((note) =>
      note.replaceAll('\u2009', ' '),
    );
  expect(notes({}, {}, 2)).toEqual([]);
  expect(notes({}, { slowMotion: 4, slowMotionStops: -2, movementOnScreenSeconds: 4 }, 2)).toEqual([
    'Slow motion 4×: 1 s of movement lasts 4 s, and costs 2 st.',
  ]);
  expect(notes({}, { slowMotion: 0.5, slowMotionStops: 0, movementOnScreenSeconds: 0.5 }, 2)).toEqual([
    'Quick motion 0.5×: 1 s of movement lasts 0.5 s, and costs no light.',
  ]);
  const variable = { variableFilterMinStops: 2, variableFilterMaxStops: 5 };
  expect([3.2, 6, 1, null].flatMap((end) => notes(variable, {}, end))).toEqual([
    'Variable filter, 2 to 5 st: right when turned to 3.2 st.',
    'Variable filter, 2 to 5 st: 1 st remain.',
    'Variable filter, 2 to 5 st: takes 1 st too much.',
  ]);
});
