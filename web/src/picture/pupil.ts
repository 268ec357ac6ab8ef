/**
 * The pupil is cut into n × n cells of equal area, each looked through at one point. A square of cells is laid onto the disc by
 * concentric squares (Shirley and Chiu, 1997), and the disc onto the iris by its corners.
 */

/** A point within the iris: across and up, −1 to 1. */
export type PupilPoint = [number, number];

/** How far the edge of an iris with so many corners is from its middle, in the direction of an angle; its area is that of the unit disc. */
export function irisEdge(corners: number, angle: number): number {
  if (corners < 3) {
    return 1;
  }
  const part = (2 * Math.PI) / corners;
  const circumradius = Math.sqrt(part / Math.sin(part));
  const within = (((angle % part) + part) % part) - part / 2;
  return (circumradius * Math.cos(part / 2)) / Math.cos(within);
}

/** The point of cell (i, j) of n × n that is looked through, off its middle by a share of the cell that never repeats. */
export function pupilPoint(i: number, j: number, n: number, corners: number): PupilPoint {
  const wander = (seed: number) => (n === 1 ? 0 : ((seed * 0.754877666) % 1) - 0.5) * 0.8;
  const a = (2 * (i + 0.5 + wander(1 + i + j * n))) / n - 1;
  const b = (2 * (j + 0.5 + wander(3 + 7 * i + 5 * j * n))) / n - 1;
  if (a === 0 && b === 0) {
    return [0, 0];
  }
  const [r, angle] = Math.abs(a) > Math.abs(b) ? [a, (Math.PI / 4) * (b / a)] : [b, Math.PI / 2 - (Math.PI / 4) * (a / b)];
  const edge = irisEdge(corners, r < 0 ? angle + Math.PI : angle);
  return [r * Math.cos(angle) * edge, r * Math.sin(angle) * edge];
}

/** The same backwards, for the graphics processor: in which cell a point of the iris lies. Keep in step with the above. */
export const cellOfPoint = /* glsl */ `
float irisEdge(float corners, float angle) {
  if (corners < 3.0) return 1.0;
  float part = 6.28318530718 / corners;
  float within = mod(angle, part) - part * 0.5;
  return sqrt(part / sin(part)) * cos(part * 0.5) / cos(within);
}
vec2 squareOfDisc(vec2 p) {
  float r = length(p);
  if (r < 1e-6) return vec2(0.0);
  float q = 0.785398163397;
  float angle = atan(p.y, p.x);
  if (angle < -q) angle += 8.0 * q;
  if (angle < q) return vec2(r, angle * r / q);
  if (angle < 3.0 * q) return vec2(-(angle - 2.0 * q) * r / q, r);
  if (angle < 5.0 * q) return vec2(-r, -(angle - 4.0 * q) * r / q);
  return vec2((angle - 6.0 * q) * r / q, -r);
}
`;
