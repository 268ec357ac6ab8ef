import { beforeEach, expect, test, vi } from 'vitest';
import type { Setup } from '../src/core/core';
import { newId } from '../src/documents/unique';

const words = vi.fn(() => ({ conventions: [], reasons: [], problems: [] }));
const evaluate = vi.fn((setup: Setup) => setup.rigs.map(() => ({ figures: { magnification: 0.1 }, differences: {}, reasons: 4 })));

vi.mock('../src/core/core', () => ({
  core: () => ({ evaluate, words }),
  coreReady: Promise.resolve(),
  isFocused: () => true,
}));

const { useBench } = await import('../src/features/bench/benchStore');
const { changeRig, changeScene, rename } = await import('../src/features/bench/commands');
const { starterDocument } = await import('../src/features/bench/starter');

const now = () => useBench.getState();
const distance = () => now().document.setup.scene.subjectDistanceMm;

beforeEach(() => {
  vi.useFakeTimers();
  words.mockClear();
  evaluate.mockClear();
  now().open(newId(), null, { name: 'Two rigs', document: starterDocument() }, { kind: 'saved', at: '' });
  vi.runAllTimers();
  words.mockClear();
});

test('while a hand drags, sentences of which only numbers change are made once, a moment after it', () => {
  for (let mm = 2000; mm < 2100; mm += 10) {
    changeScene({ subjectDistanceMm: mm });
    vi.advanceTimersByTime(16);
  }
  expect(words).not.toHaveBeenCalled();
  vi.advanceTimersByTime(200);
  expect(words).toHaveBeenCalledTimes(1);
});

test('other reasons, or other conventions, are said at once', () => {
  evaluate.mockImplementationOnce((setup) => setup.rigs.map(() => ({ figures: { magnification: 0.1 }, differences: {}, reasons: 5 })));
  changeScene({ subjectDistanceMm: 300 });
  expect(words).toHaveBeenCalledTimes(1);
});

test('a drag is one step of undo, and what was redone is what was there', () => {
  const before = distance();
  changeScene({ subjectDistanceMm: 2000 });
  changeScene({ subjectDistanceMm: 1900 });
  now().undo();
  expect(distance()).toBe(before);
  now().redo();
  expect(distance()).toBe(1900);
  vi.advanceTimersByTime(1000);
  changeScene({ subjectDistanceMm: 1800 });
  expect(now().past).toHaveLength(2);
});

test('a setup that the core refuses keeps the last answer on the page', () => {
  const reports = now().reports;
  evaluate.mockReturnValueOnce(null as never);
  changeRig(now().document.setup.rigs[0]!.id!, { focalLengthMm: -1 });
  expect(now().reports).toBe(reports);
  expect(now().answered.rigs[0]!.focalLengthMm).toBeGreaterThan(0);
});

test('a name changes nothing that was reckoned', () => {
  evaluate.mockClear();
  rename('Renamed');
  expect([now().name, evaluate.mock.calls.length]).toEqual(['Renamed', 0]);
  now().undo();
  expect(now().name).toBe('Two rigs');
});
