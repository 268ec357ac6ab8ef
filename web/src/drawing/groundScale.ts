import { roundDistance } from '../ui/format';

/** A side elevation in true proportion: one scale for both directions. */
export interface GroundScale {
  pxPerMm: number;
  /** Where the sensor mark stands that the scene's distances are told from, px. */
  originPx: number;
  /** The height above the ground that lies at the lower edge of the drawing, mm; 0 shows the ground. */
  bottomMm: number;
}

interface Extent {
  widthPx: number;
  heightPx: number;
  /** The furthest thing to be shown, mm from the sensor mark. */
  furthestMm: number;
  /** The thing farthest back, mm behind the sensor mark. */
  backMm: number;
  /** The tallest thing, mm. */
  tallestMm: number;
  lensHeightMm: number;
}

/** Room for the camera's body behind the sensor mark, mm. */
const behindMm = 350;

/**
 * Chooses the scale. A long scene is fitted to the width. A short one is enlarged as far as the height allows, and shows
 * only what is around the height of the lens; it is then set in the middle, with room to move things to both sides.
 */
export function groundScale({ widthPx, heightPx, furthestMm, backMm, tallestMm, lensHeightMm }: Extent): GroundScale {
  const lengthMm = furthestMm * 1.06 + backMm + Math.min(behindMm, (furthestMm + backMm) * 0.4);
  const top = Math.max(tallestMm, lensHeightMm) + 120;
  const windowMm = Math.min(top, Math.max(160, lengthMm * 0.3));
  const pxPerMm = Math.min(widthPx / lengthMm, heightPx / windowMm);
  const seenMm = heightPx / pxPerMm;
  const bottomMm = seenMm >= top ? 0 : Math.max(0, Math.min(top - seenMm, lensHeightMm - seenMm * 0.6));
  const freePx = widthPx - lengthMm * pxPerMm;
  const originPx = freePx / 2 + (lengthMm - furthestMm * 1.06) * pxPerMm;
  return { pxPerMm, originPx, bottomMm };
}

/** Marks of the ruler, to both sides of its zero: round distances far enough apart to be read. */
export function rulerMarks(
  pxPerMm: number,
  zeroPx: number,
  fromPx: number,
  toPx: number,
  feet: boolean,
): { mm: number; px: number; text: string }[] {
  const unit = feet ? 304.8 : 1000;
  const steps = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000, 20_000, 50_000, 100_000, 1_000_000];
  const step = (steps.find((s) => s * unit * pxPerMm >= 58) ?? 1e7) * unit;
  const marks = [];
  for (let i = Math.ceil((fromPx - zeroPx) / (step * pxPerMm)); i * step * pxPerMm <= toPx - zeroPx; i++) {
    const mm = i * step;
    marks.push({ mm, px: zeroPx + mm * pxPerMm, text: i === 0 ? '0' : roundDistance(Math.abs(mm), feet) });
  }
  return marks;
}
