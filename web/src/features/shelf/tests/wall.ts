import type { MeasureRequest } from '../../../core/core';

export type Wall = NonNullable<MeasureRequest['wall']>;

/** How finely a still of a wall is looked at: enough for a corner, few enough to even out grain. */
const columns = 48;

/** Light that a code value of a usual (sRGB) picture stands for, 0 to 1; source: IEC 61966-2-1. */
const light = (code: number): number => {
  const c = code / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
};

/**
 * The light in each cell of a still, from its pixels (RGBA, row by row).
 * @param usedWidthMm What the still shows of the sensor along its long side, mm.
 */
export function wallOf({ data, width, height }: Pick<ImageData, 'data' | 'width' | 'height'>, usedWidthMm: number): Wall {
  const rows = Math.min(96, Math.max(3, Math.round((columns * height) / width)));
  const sums = new Float64Array(columns * rows);
  const counts = new Float64Array(columns * rows);
  for (let y = 0; y < height; y++) {
    const row = Math.min(rows - 1, Math.floor((y * rows) / height));
    for (let x = 0; x < width; x++) {
      const at = 4 * (y * width + x);
      const cell = row * columns + Math.min(columns - 1, Math.floor((x * columns) / width));
      sums[cell]! += 0.2126 * light(data[at]!) + 0.7152 * light(data[at + 1]!) + 0.0722 * light(data[at + 2]!);
      counts[cell]! += 1;
    }
  }
  const isUpright = height > width;
  const mm = usedWidthMm / Math.max(width, height);
  return {
    columns,
    rows,
    light: Array.from(sums, (sum, i) => Math.min(1, Math.max(0, Number((sum / Math.max(1, counts[i]!)).toPrecision(6))))),
    widthMm: isUpright ? width * mm : usedWidthMm,
    heightMm: height * mm,
  };
}

const longest = 1200;

/** Reads the file of a still of a wall; null where this browser cannot read it as a picture. */
export async function readWall(file: Blob, usedWidthMm: number): Promise<Wall | null> {
  let bitmap: ImageBitmap;
  try {
    bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' });
  } catch {
    return null;
  }
  const scale = Math.min(1, longest / Math.max(bitmap.width, bitmap.height));
  const [width, height] = [Math.max(columns, Math.round(bitmap.width * scale)), Math.max(3, Math.round(bitmap.height * scale))];
  const context = new OffscreenCanvas(width, height).getContext('2d')!;
  context.drawImage(bitmap, 0, 0, width, height);
  bitmap.close();
  return wallOf(context.getImageData(0, 0, width, height), usedWidthMm);
}
