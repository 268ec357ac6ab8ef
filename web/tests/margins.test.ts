import { beforeEach, expect, test, vi } from 'vitest';

vi.mock('../src/core/core', () => ({}));

const { about, sourceOf } = await import('../src/ui/margins');
const { plusMinusText } = await import('../src/ui/figureText');
const { useSettings } = await import('../src/app/settings');
const { conventionsOf, preferredTolerances } = await import('../src/gear/tolerances');

const info = (unit: string) => ({ unit }) as never;
const plain = (text: string | null) => text?.replaceAll('\u2009', ' ');

beforeEach(() => useSettings.setState({ conventions: null }));

test('a ± has two digits, in the unit of its figure and the scale of its row', () => {
  expect(plain(plusMinusText(info('sceneMm'), 123.4, false, 4200))).toBe('± 0.12 m');
  expect(plain(plusMinusText(info('sceneMm'), 123.4, false, 420))).toBe('± 12 cm');
  expect(plain(plusMinusText(info('sceneMm'), 304.8, true, 4200))).toBe('± 1 ft');
  expect(plain(plusMinusText(info('lensMm'), 1.056, false, 1))).toBe('± 1.1 mm');
  expect(plain(plusMinusText(info('share'), 0.00123, false, 1))).toBe('± 0.12 %');
  expect(plain(plusMinusText(info('degrees'), 0.456, false, 1))).toBe('± 0.46°');
  expect(plain(plusMinusText(info('stops'), 0.0312, false, 1))).toBe('± 0.031 st');
  expect(plain(plusMinusText(info('seconds'), 0.0001234, false, 1))).toBe('± 0.12 ms');
});

test('what has no ± says none, and what cannot be bounded says so', () => {
  expect(plusMinusText(info('lensMm'), 0, false, 1)).toBeNull();
  expect(plusMinusText(info('lensMm'), NaN, false, 1)).toBeNull();
  expect(plusMinusText(info('reading'), 1, false, 1)).toBeNull();
  expect(plusMinusText(info('sceneMm'), Infinity, false, 1)).toBe('± more than can be told');
});

test('what a ± comes from is told with how far off that may be, and whether it was measured', () => {
  const part = { item: '', isMeasured: false, plusMinus: 1 };
  expect(plain(sourceOf({ ...part, source: 'focalLength', item: '35 mm ƒ2', given: 0.03 }, false))).toBe(
    'Focal length of 35 mm ƒ2, as marked, ± 3 %',
  );
  expect(plain(sourceOf({ ...part, source: 'factor', given: 0.0028, isMeasured: true }, false))).toBe('Factor, as tested, ± 0.28 %');
  expect(plain(sourceOf({ ...part, source: 'tape', given: 20, isMeasured: true }, false))).toBe('Tape, ± 2 cm');
  expect(plain(sourceOf({ ...part, source: 'room', given: 100 }, false))).toBe('Room and what is behind, as told, ± 10 cm');
  expect(plain(about(123.4, false))).toBe('12 cm');
});

test('new work goes by the tolerances that were last taken for all of it', () => {
  expect(preferredTolerances()).toEqual({});
  useSettings.setState({ conventions: { tapeToleranceMm: 5 } });
  expect(preferredTolerances()).toEqual({ tolerances: { focalLengthShare: 0.03, factorShare: 0.02, tapeMm: 5, roomMm: 100 } });
  expect(conventionsOf({ focalLengthShare: 0.05, roomMm: 0 })).toEqual({ focalLengthTolerance: 0.05, roomToleranceMm: 0 });
});
