import { expect, test, vi } from 'vitest';
import type { Mode } from '../src/gear/gear';

/** Stands in for the core's reader of areas: the whole sensor, its full width in a shape, or a crop of that. */
const readModeArea = (text: string, width: number, height: number, shape: number) => {
  if (Number.isNaN(width)) return { values: [], infinite: false, problem: 'no sensor' };
  const values = text === 'whole sensor' || Number.isNaN(shape) ? [width, height] : [width, width / shape];
  return { values, infinite: false, problem: null };
};
vi.mock('../src/core/core', () => ({ core: () => ({ readModeArea }), coreReady: Promise.resolve() }));

const { afterPixels, afterSensor, oneMore } = await import('../src/features/shelf/modes');
const none = { widthMm: NaN, heightMm: NaN };
const full = { widthMm: 36, heightMm: 24 };

test('the first mode comes of the sensor, and goes along with it until someone tells its area', () => {
  const [first] = afterSensor([], none, full);
  expect(first).toEqual({ name: 'Whole sensor', areaWidthMm: 36, areaHeightMm: 24 });
  const [other] = afterSensor([first!], full, { widthMm: 24, heightMm: 16 });
  expect([other!.areaWidthMm, other!.areaHeightMm]).toEqual([24, 16]);
  const told: Mode = { name: 'Cropped', areaWidthMm: 30, areaHeightMm: 17 };
  expect(afterSensor([told], full, { widthMm: 35.9, heightMm: 23.9 })).toEqual([told]);
});

test('pixels name a mode that has no name of its own, and give it the widest area of their shape', () => {
  const [first] = afterSensor([], none, full);
  const uhd = afterPixels(first!, [3840, 2160], full, []);
  expect(uhd).toMatchObject({ name: '3840 × 2160', widthPx: 3840, heightPx: 2160, areaWidthMm: 36, areaHeightMm: 20.25 });
  expect(afterPixels(uhd, [1920, 1080], full, []).name).toBe('1920 × 1080');
  expect(afterPixels({ ...uhd, name: 'Ours' }, [1920, 1080], full, []).name).toBe('Ours');
  expect(afterPixels(uhd, null, full, [])).toMatchObject({ name: '3840 × 2160', areaHeightMm: 24 });
});

test('an area that someone told stays when pixels are told', () => {
  const told: Mode = { name: 'Mode 2', areaWidthMm: 30, areaHeightMm: 17 };
  expect(afterPixels(told, [3840, 2160], full, [])).toMatchObject({ areaWidthMm: 30, areaHeightMm: 17 });
});

test('no two modes get one name', () => {
  const first: Mode = { name: '3840 × 2160', areaWidthMm: 36, areaHeightMm: 20.25, widthPx: 3840, heightPx: 2160, fps: [25] };
  const second = oneMore([first], full);
  expect(second).toMatchObject({ name: 'Mode 2', fps: [25], widthPx: 3840 });
  expect(afterPixels(second, [3840, 2160], full, [first]).name).toBe('3840 × 2160 (2)');
  expect(oneMore([], none)).toMatchObject({ name: 'Mode 1', areaWidthMm: 36 });
});
