import { beforeEach, expect, test, vi } from 'vitest';
import type { RigInput, Setup } from '../src/core/core';

/** Light by the law: a step of aperture is two logarithms of the f-number, and a zoom cannot open wider than it does there. */
const widestAt = (mm: number) => (mm < 50 ? 2.8 : 4);
const evaluate = vi.fn(({ rigs }: Setup) =>
  rigs.map((rig) => ({ figures: { apertureStepStops: -2 * Math.log2(Math.max(rig.fNumber, widestAt(rig.focalLengthMm))) } })),
);
const [follow, wayOf, fromParts] = vi.hoisted(() => [vi.fn(), vi.fn(), vi.fn()]);
vi.mock('../src/core/core', () => ({ coreReady: Promise.resolve(), core: () => ({ evaluate }) }));
vi.mock('../src/features/bench/holding', () => ({ follow, holdNothing: { place: true, framing: false, light: false } }));
vi.mock('../src/features/bench/light/steps', () => ({ wayOf }));
vi.mock('../src/gear/chains', () => ({ fromParts }));
const { endsOf } = await import('../src/features/bench/light/zoomEnds');

const zoom = { zoomShortMm: 24, zoomLongMm: 70, widestFNumber: 2.8, widestLongFNumber: 4 };
const rig = (part: object = {}, lens: object = {}) =>
  ({ id: 'r', focalLengthMm: 35, fNumber: 2.8, lens: { ...zoom, ...lens }, ...part }) as unknown as RigInput;
const setup = { scene: { subjectDistanceMm: 2000 }, rigs: [rig()], yardstick: 'r' } as unknown as Setup;
const hold = { lightGives: ['sensitivity'], pinned: [{ rig: 'r', controls: ['shutter'] }] } as never;

beforeEach(() => {
  evaluate.mockClear();
  follow.mockReset().mockReturnValue({ notes: [[{ message: 'ISO 800 becomes 1600.', fix: '' }]] });
  wayOf.mockReset().mockImplementation(({ focalLengthMm }: RigInput) => ({ end: focalLengthMm < 50 ? 0.5 : -0.5 }));
  fromParts.mockReset().mockImplementation((of: RigInput) => of);
});

test('a zoom that closes is told at both ends, with the aperture that it has there', () => {
  const ends = endsOf(rig(), setup, hold, 8)!;
  expect([ends.short.focalLengthMm, ends.long.focalLengthMm]).toEqual([24, 70]);
  expect(ends.short.fNumber).toBeCloseTo(2.8, 9);
  expect(ends.long.fNumber).toBeCloseTo(4, 9);
  expect([ends.short.end, ends.long.end]).toEqual([0.5, -0.5]);
  expect(ends.gives).toBe('To keep the light through the zoom: ISO 800 becomes 1600.');
});

test('what gives in between is asked with the light held, in the order and with the pins of a person', () => {
  endsOf(rig(), setup, hold, 8);
  const [from, to, held] = follow.mock.calls[0]! as [Setup, Setup, object];
  expect([from.rigs[0]!.focalLengthMm, to.rigs[0]!.focalLengthMm]).toEqual([24, 70]);
  expect(held).toMatchObject({ light: true, framing: false, lightGives: ['sensitivity'], pinned: [{ rig: 'r', controls: ['shutter'] }] });
});

test('where the light is the same at both ends, nothing is told', () => {
  expect(endsOf(rig({ fNumber: 4 }), setup, hold, 8)).toBeNull();
  expect(endsOf(rig({ fNumber: 5.6 }), setup, hold, 8)).toBeNull();
  expect(endsOf(rig({}, { widestLongFNumber: 2.8 }), setup, hold, 8)).toBeNull();
  expect(endsOf(rig({}, { zoomShortMm: null, zoomLongMm: null }), setup, hold, 8)).toBeNull();
  expect(endsOf(rig({}, { zoomLongMm: 24 }), setup, hold, 8)).toBeNull();
  expect(endsOf({ ...rig(), lens: undefined }, setup, hold, 8)).toBeNull();
  expect(evaluate).not.toHaveBeenCalled();
});

test('a zoom that closes somewhere in between is told too, as its papers have it', () => {
  const along = {
    widestLongFNumber: null,
    widestAlong: [
      { focalLengthMm: 24, fNumber: 2.8 },
      { focalLengthMm: 50, fNumber: 4 },
    ],
  };
  expect(endsOf(rig({}, along), setup, hold, 8)).not.toBeNull();
});

test('a rig of parts is put together anew at each end, and one that cannot be told is left', () => {
  endsOf(rig({ chain: { body: 'b' } }), setup, hold, 8);
  expect(fromParts.mock.calls.map(([of]) => (of as RigInput).focalLengthMm)).toEqual([24, 70]);
  evaluate.mockReturnValueOnce(null as never);
  expect(endsOf(rig(), setup, hold, 8)).toBeNull();
});
