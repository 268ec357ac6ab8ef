import { expect, test } from '@playwright/test';
import { irisEdge, pupilPoint } from '../../web/src/picture/pupil';

for (const corners of [0, 5, 6, 9]) {
  test(`an iris of ${corners} corners is looked through evenly, and never past its edge`, () => {
    const n = 16;
    const points = Array.from({ length: n * n }, (_, k) => pupilPoint(k % n, Math.floor(k / n), n, corners));
    for (const [x, y] of points) {
      expect(Math.hypot(x, y)).toBeLessThanOrEqual(irisEdge(corners, Math.atan2(y, x)) + 1e-12);
    }
    // The middle of all is the middle of the iris, and the mean square distance that of an even disc, 1/2; a little more with corners.
    const mean = (of: (p: [number, number]) => number) => points.reduce((sum, p) => sum + of(p), 0) / points.length;
    expect(Math.abs(mean(([x]) => x))).toBeLessThan(0.02);
    expect(Math.abs(mean(([, y]) => y))).toBeLessThan(0.02);
    expect(mean(([x, y]) => x * x + y * y)).toBeCloseTo(0.5, 1);
    // As much area as the round pupil of the same f-number.
    const steps = 3600;
    const area =
      Array.from({ length: steps }, (_, i) => irisEdge(corners, (2 * Math.PI * i) / steps) ** 2 / 2).reduce((a, b) => a + b, 0) *
      ((2 * Math.PI) / steps);
    expect(area).toBeCloseTo(Math.PI, 4);
  });
}

test('one view goes through the very middle', () => expect(pupilPoint(0, 0, 1, 7)).toEqual([0, 0]));
