import { beforeEach, expect, test, vi } from 'vitest';
import type { Core, FitRequest, Setup } from '../src/core/types';

/** What the core's side of the door is asked, and what it says; numbers as they cross it. */
const door = {
  Figures: () =>
    [
      ['crop', 'Crop factor', 'ratio', 'perCent', 'What it is.', ''],
      ['blur', 'Blur', 'mm', 'stops', 'What it is.', '0.5'],
    ].flat(),
  Formats: () => ['full frame', '36', '24', 'APS-C', '24', '16'],
  Levels: () => ['full sun', '14', '15', '16', 'moonlight', '−4', '−3', '−2'],
  TestProcedures: () => '[{"kind":"weight","name":"Weight"}]',
  Evaluate: vi.fn<(json: string) => Float64Array>(),
  Margins: vi.fn<(json: string) => Float64Array>(),
  Words: vi.fn<(json: string, feet: boolean) => string>(),
  Hold: vi.fn<(json: string, feet: boolean) => string>(),
  Solve: vi.fn<(json: string, feet: boolean) => string>(),
  Measure: vi.fn<(json: string, feet: boolean) => string>(),
  MarkedField: vi.fn<(json: string, feet: boolean) => string>(),
  Upgraded: vi.fn<(kind: string, json: string) => string>(),
  ReadEntry: vi.fn(() => '{"values":[1],"infinite":false,"problem":null}'),
  SafeAngles: () => Float64Array.of(90, 180),
  FitAsk: vi.fn<(json: string, feet: boolean) => string | null>(),
  FitStep: vi.fn(() => 0.25),
  FitAnswer: vi.fn(() => '{"fitCount":3}'),
  DayAsk: vi.fn(),
  DayStep: vi.fn(),
  DayAnswer: vi.fn(),
  LookAsk: vi.fn<(json: string, feet: boolean) => string | null>(),
  LookStep: vi.fn(),
  LookAnswer: vi.fn(),
};
vi.doMock('/_framework/dotnet.js', () => ({
  dotnet: {
    create: () =>
      Promise.resolve({
        getConfig: () => ({ mainAssemblyName: 'Core' }),
        getAssemblyExports: () => Promise.resolve({ Juxtopsis: { Browser: { Exports: door } } }),
      }),
  },
}));
const { boot } = await import('../src/core/boot');

const refused = JSON.stringify({ code: 'fields', status: 422, title: 'No', detail: '', errors: [{ message: 'Too near.' }] });
const rig = { id: 'a', focalLengthMm: 50 };
const setup = { scene: { subjectDistanceMm: 2000 }, rigs: [rig, { ...rig, chain: { parts: [] } }] } as unknown as Setup;
/** What was sent through a door, the last time. */
const sent = (of: { mock: { calls: unknown[][] } }) => JSON.parse(of.mock.calls.at(-1)![0] as string) as Record<string, unknown>;
let core: Core;

beforeEach(async () => {
  vi.clearAllMocks();
  core = await boot();
});

test('what the core tells of itself is read once: figures, formats, brightnesses with their minus, tests', () => {
  expect(core.figures).toMatchObject({ crop: { name: 'Crop factor', worryAbove: null }, blur: { worryAbove: 0.5 } });
  expect(core.formats).toEqual([
    { name: 'full frame', widthMm: 36, heightMm: 24 },
    { name: 'APS-C', widthMm: 24, heightMm: 16 },
  ]);
  expect(core.levels[1]).toEqual({ name: 'moonlight', fromEv: -4, usualEv: -3, toEv: -2 });
  expect(core.procedures[0]!.kind).toBe('weight');
  expect(core.safeAngles(25, 50)).toEqual([90, 180]);
});

test('numbers of several rigs come in one row: reasons, figures, differences of each; parts are not sent', () => {
  door.Evaluate.mockReturnValueOnce(Float64Array.of(0, 7, 1.5, 0.2, 0, 0, 9, 2, Infinity, 50, -1));
  expect(core.evaluate(setup)).toEqual([
    { reasons: 7, figures: { crop: 1.5, blur: 0.2 }, differences: { crop: 0, blur: 0 } },
    { reasons: 9, figures: { crop: 2, blur: Infinity }, differences: { crop: 50, blur: -1 } },
  ]);
  expect(sent(door.Evaluate)['rigs']).toEqual([rig, rig]);
  door.Margins.mockReturnValueOnce(Float64Array.of(0, 0.1, 0.2, 0.3, NaN));
  expect(core.margins(setup)).toEqual([
    { crop: 0.1, blur: 0.2 },
    { crop: 0.3, blur: NaN },
  ]);
});

test('a setup that is refused has no numbers, and the words say why', () => {
  door.Evaluate.mockReturnValueOnce(Float64Array.of(1));
  door.Margins.mockReturnValueOnce(Float64Array.of(1));
  expect([core.evaluate(setup), core.margins(setup)]).toEqual([null, null]);
  door.Words.mockReturnValueOnce(refused);
  expect(core.words(setup, false)).toEqual({ conventions: [], reasons: [], problems: [{ message: 'Too near.' }] });
  door.Words.mockReturnValueOnce(JSON.stringify({ conventionWords: ['as marked'], reasons: [[]] }));
  expect(core.words(setup, true)).toEqual({ conventions: ['as marked'], reasons: [[]], problems: [] });
  door.Solve.mockReturnValueOnce(refused);
  expect(core.solve({ setup } as never, false)).toEqual([{ message: 'Too near.' }]);
  door.Measure.mockReturnValueOnce(refused);
  expect(core.measure({} as never, false)).toEqual([{ message: 'Too near.' }]);
});

test('while a rig follows a change, what stands before it is told as fixed where it has parts', () => {
  door.Hold.mockReturnValueOnce(JSON.stringify({ rigs: [{}, {}] }));
  expect(core.hold({ before: setup, after: setup, hold: 'framing' } as never, false)).toHaveLength(2);
  expect(sent(door.Hold)).toMatchObject({ fixedFilters: [1], before: { rigs: [rig, rig] } });
  door.Hold.mockReturnValueOnce(refused);
  expect(core.hold({ before: setup, after: setup }, false)).toBeNull();
});

test('marks that tell no field are told apart from marks that are refused', () => {
  door.MarkedField.mockReturnValueOnce('{"field":null}').mockReturnValueOnce(refused);
  expect(core.markedField({} as never)).toBeNull();
  expect(core.markedField({} as never)).toEqual([{ message: 'Too near.' }]);
});

test('a question is asked, answered a few rigs at a time, and refused with what is at fault', () => {
  door.FitAsk.mockReturnValueOnce(null).mockReturnValueOnce(refused);
  const request = { most: 3 } as FitRequest;
  expect(core.fit.ask(request, true)).toBeNull();
  expect(door.FitAsk).toHaveBeenCalledWith('{"most":3}', true);
  expect([core.fit.step(24), core.fit.answer(true)]).toEqual([0.25, { fitCount: 3 }]);
  expect([door.FitStep.mock.calls[0], door.FitAnswer.mock.calls[0]]).toEqual([[24], [true]]);
  expect(core.fit.ask(request, false)).toEqual([{ message: 'Too near.' }]);
  // A look is asked of numbers alone.
  door.LookAsk.mockReturnValueOnce(null);
  expect(core.look.ask({ setup, most: 5 }, false)).toBeNull();
  expect(sent(door.LookAsk)).toEqual({ setup: { scene: { subjectDistanceMm: 2000 }, rigs: [rig, rig] }, most: 5 });
});

test('a document that cannot be read is none, and a text is read without a frame rate where none is given', () => {
  door.Upgraded.mockReturnValueOnce('').mockReturnValueOnce('{"schemaVersion":4}');
  expect([core.upgraded('production', {}), core.upgraded('production', {})]).toEqual([null, { schemaVersion: 4 }]);
  expect(core.read('shutterTime', '1/50', false).values).toEqual([1]);
  expect(door.ReadEntry).toHaveBeenLastCalledWith('shutterTime', '1/50', false, NaN);
});
