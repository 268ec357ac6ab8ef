import { expect, test } from 'vitest';
import { build } from '../src/picture/backdrops';
import { irisEdge, pupilPoint } from '../src/picture/pupil';
import { openMetres, type Backdrop, type DrawnSubject, type Stage } from '../src/picture/view';

const stage = (more: Partial<Stage> = {}): Stage => ({
  backdrop: 'shed',
  subject: 'standing',
  lensHeight: 1.6,
  figureHeight: 1.75,
  behind: 2.5,
  light: 1,
  ...more,
});
/** All that have something standing in them; a lone lamp has not. */
const backdrops: Backdrop[] = ['shed', 'loft', 'benchTop', 'slipway', 'farBank', 'chart'];
const subjects: DrawnSubject[] = ['standing', 'seated', 'two', 'hands', 'rivet', 'hull', 'none'];

const positionsOf = (of: Stage) => {
  const { mesh } = build(of);
  return { mesh, at: mesh.getAttribute('position') };
};

test.each(backdrops)(
  '%s is whole at every distance that may be behind: no corner is nowhere, and they are few enough to draw',
  (backdrop) => {
    for (const behind of [0, 0.05, 1, 12, 400, null]) {
      const { mesh, at } = positionsOf(stage({ backdrop, behind }));
      // Nothing that is not a number, and nothing beyond what is meant to be infinitely far.
      expect(Array.from(at.array).every((x) => Math.abs(x) < 6 * openMetres)).toBe(true);
      expect((mesh.index?.count ?? at.count) / 3).toBeLessThan(200_000);
    }
  },
);

test.each(subjects)('%s stands in every place, and no lower than its floor', (subject) => {
  for (const backdrop of backdrops) {
    const [with_, without] = [stage({ backdrop, subject }), stage({ backdrop, subject: 'none' })].map((s) => positionsOf(s).at.count);
    expect(with_! >= without!).toBe(true);
  }
  const { at } = positionsOf(stage({ backdrop: 'shed', subject }));
  const low = Math.min(...Array.from({ length: at.count }, (_, i) => at.getY(i)));
  expect(low).toBeGreaterThan(-0.6);
});

test('somebody who stands is as tall as was said, at the plane of focus', () => {
  for (const figureHeight of [1.1, 1.75, 2.05]) {
    const person = positionsOf(stage({ backdrop: 'chart', figureHeight }));
    const tall = (of: ReturnType<typeof positionsOf>) =>
      Math.max(
        ...Array.from({ length: of.at.count }, (_, i) => i).flatMap((i) =>
          Math.abs(of.at.getX(i)) < 0.2 && Math.abs(of.at.getZ(i)) < 0.2 ? [of.at.getY(i)] : [0],
        ),
      );
    const shed = positionsOf(stage({ backdrop: 'shed', figureHeight }));
    expect(Math.abs(tall(shed) - figureHeight) / figureHeight).toBeLessThan(0.03);
    expect(person.at.count).toBeGreaterThan(0);
  }
});

test('a lone lamp stands on the axis, where what is behind is', () => {
  expect(build(stage({ backdrop: 'oneLamp', behind: 4 })).lamps).toMatchObject([{ at: [0, 1.6, -4] }]);
  expect(build(stage({ backdrop: 'oneLamp', behind: null })).lamps).toMatchObject([{ at: [0, 1.6, -openMetres] }]);
});

test('an iris of any corners has the area of the round one', () => {
  for (const corners of [0, 5, 6, 7, 8, 9, 18]) {
    const steps = 20_000;
    const area = Array.from({ length: steps }, (_, i) => irisEdge(corners, (2 * Math.PI * (i + 0.5)) / steps) ** 2).reduce(
      (a, b) => a + b,
      0,
    );
    expect((area * Math.PI) / steps).toBeCloseTo(Math.PI, 4);
  }
});

test('the points of a pupil lie within it, are spread evenly, and are its middle where there is but one', () => {
  expect(pupilPoint(0, 0, 1, 0)).toEqual([0, 0]);
  for (const [n, corners] of [
    [4, 0],
    [9, 7],
    [12, 6],
  ] as const) {
    const points = Array.from({ length: n * n }, (_, k) => pupilPoint(k % n, Math.floor(k / n), n, corners));
    expect(points.every(([x, y]) => Math.hypot(x, y) <= irisEdge(corners, Math.atan2(y, x)) + 1e-9)).toBe(true);
    const mean = (of: number[]) => of.reduce((a, b) => a + b, 0) / of.length;
    expect(Math.abs(mean(points.map(([x]) => x)))).toBeLessThan(0.06);
    expect(Math.abs(mean(points.map(([, y]) => y)))).toBeLessThan(0.06);
    // Of an even disc half lies within √½ of its edge.
    const within = points.filter(([x, y]) => Math.hypot(x, y) < Math.SQRT1_2).length / points.length;
    expect(Math.abs(within - 0.5)).toBeLessThan(0.15);
  }
});
