import { expect, test, vi } from 'vitest';
import type { Fit, FitResponse, LocationInput, RigInput, RigReport, ShotInput } from '../src/core/core';
import { groundScale, rulerMarks } from '../src/drawing/groundScale';
import { roundForHand } from '../src/drawing/roundForHand';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { standsOf } = await import('../src/features/bench/ground/stands');
const { measure, subjectMm } = await import('../src/features/brief/place/placeScale');

const box = { widthPx: 1200, heightPx: 118 };
const scene = { ...box, backMm: 0, tallestMm: 1750, lensHeightMm: 1600 };

test.each([200, 900, 2500, 8000, 60_000])('a scene of %d mm lies in the drawing, with the lens in sight', (furthestMm) => {
  const { pxPerMm, originPx, bottomMm } = groundScale({ ...scene, furthestMm });
  expect(originPx).toBeGreaterThan(0);
  expect(originPx + furthestMm * pxPerMm).toBeLessThanOrEqual(box.widthPx);
  const seenMm = box.heightPx / pxPerMm;
  expect(scene.lensHeightMm).toBeGreaterThanOrEqual(bottomMm);
  expect(scene.lensHeightMm).toBeLessThanOrEqual(bottomMm + seenMm);
});

test('a long scene shows the ground, a short one what is around the lens', () => {
  expect(groundScale({ ...scene, furthestMm: 30_000 }).bottomMm).toBe(0);
  expect(groundScale({ ...scene, furthestMm: 400 }).bottomMm).toBeGreaterThan(1000);
});

test.each([
  [0.02, false],
  [0.5, false],
  [0.02, true],
  [3, true],
])('marks of a ruler of %d px a mm stand apart enough to be read, at both sides of its zero', (pxPerMm, feet) => {
  const marks = rulerMarks(pxPerMm, 300, 0, 1200, feet);
  expect(marks.some((m) => m.mm < 0) && marks.some((m) => m.mm > 0)).toBe(true);
  expect(marks.find((m) => m.mm === 0)).toMatchObject({ px: 300, text: '0' });
  marks.slice(1).forEach((mark, i) => expect(mark.px - marks[i]!.px).toBeGreaterThanOrEqual(58));
  expect(marks.every((m) => m.px >= 0 && m.px <= 1200)).toBe(true);
});

test('a hand lands on round numbers, no finer than a pixel shows', () => {
  expect(roundForHand(2347.3, 0.1)).toBe(2350);
  expect(roundForHand(2347.3, 0.02)).toBe(2350);
  expect(roundForHand(2347.3, 1)).toBe(2347);
  expect(roundForHand(26_347.3, 0.001)).toBe(26_000);
  expect(roundForHand(-13, 0.1)).toBe(-10);
});

const rig = (subjectDistanceMm?: number) =>
  ({ id: 'r', sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 35, fNumber: 2, subjectDistanceMm }) as RigInput;
const report = (workingDistanceMm: number) => ({ figures: { workingDistanceMm } }) as unknown as RigReport;

test('rigs at one place stand together, the farthest place first, as long as the longest of them', () => {
  const stands = standsOf([rig(), rig(900), rig(), rig(5000)], [1850, 800, 1780, NaN].map(report), { subjectDistanceMm: 2000 });
  expect(stands).toEqual([
    { rigs: [3], own: true, distanceMm: 5000, frontMm: null },
    { rigs: [0, 2], own: false, distanceMm: 2000, frontMm: 220 },
    { rigs: [1], own: true, distanceMm: 900, frontMm: 100 },
  ]);
});

const shot = { id: 's', name: 'S', locationId: 'p', subject: { kind: 'standing' }, behindMm: 1500 } as ShotInput;
const frame = { widthMm: 2000, heightMm: 1125, bottomMm: 800 } as FitResponse['frame'];
const fit = { distanceMm: 3000, rearMm: 120, frontMm: 150 } as Fit;
const room = { id: 'p', name: 'P', lengthMm: 9000, widthMm: 4000, heightMm: 2800 } as LocationInput;

test.each([
  [1200, 700],
  [1200, 320],
  [380, 700],
])('a place of four walls lies in %d by %d px, in one scale for both views', (width, height) => {
  const m = measure(shot, room, frame, fit, { width, height });
  expect(m.wallPx).toBeGreaterThanOrEqual(0);
  expect(m.wallPx + room.lengthMm! * m.scale).toBeLessThanOrEqual(m.widthPx + 1e-9);
  expect([m.axisMm, m.acrossMm, m.drawnHeightMm, m.drawnAcrossMm]).toEqual([9000, 4000, 2800, 4000]);
});

test('looking across a room swaps its sides, and the open has no end', () => {
  const size = { width: 1200, height: 700 };
  expect(measure({ ...shot, along: 'width' }, room, frame, fit, size)).toMatchObject({ axisMm: 4000, acrossMm: 9000 });
  const open = measure(shot, { id: 'p', name: 'P' }, frame, fit, size);
  expect(open).toMatchObject({ axisMm: null, acrossMm: null, heightMm: null });
  expect((open.widthPx - 2 * open.wallPx) / open.scale).toBeGreaterThan(1500 + 3000);
  const shown = { shot, place: room, frame, fit, feet: false };
  expect(subjectMm({ ...shown, ...open })).toBe(1500);
  expect(subjectMm({ ...shown, ...open, behindMm: null, fit: null })).toBe(2000);
});
