/** A hand does not aim at fractions of what a pixel shows: rounds to 1, 2 or 5 of a decade below it, mm. */
export function roundForHand(mm: number, pxPerMm: number): number {
  const step = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000].find((s) => s * pxPerMm >= 0.9) ?? 1000;
  return Math.round(mm / step) * step;
}
