import { familyOf } from './fonts';
import { mmPerPoint, tones, type Page } from './marks';

/** A page as a picture; pixels a millimetre. */
export function paintPage(page: Page, perMm: number, pictures: Map<string, ImageBitmap>): OffscreenCanvas {
  const canvas = new OffscreenCanvas(Math.round(page.width * perMm), Math.round(page.height * perMm));
  const draw = canvas.getContext('2d')!;
  draw.fillStyle = tones.paper;
  draw.fillRect(0, 0, canvas.width, canvas.height);
  draw.scale(perMm, perMm);
  draw.imageSmoothingQuality = 'high';
  for (const mark of page.marks) {
    if (mark.kind === 'text') {
      draw.font = `${mark.size * mmPerPoint}px ${familyOf(mark.face)}`;
      draw.fillStyle = tones[mark.tone];
      draw.textAlign = mark.align === 'middle' ? 'center' : mark.align;
      draw.fillText(mark.text, mark.x, mark.y);
    } else if (mark.kind === 'path') {
      const path = new Path2D(mark.d);
      if (mark.fill) {
        draw.fillStyle = tones[mark.fill];
        draw.fill(path);
      }
      if (mark.stroke) {
        draw.strokeStyle = tones[mark.stroke];
        draw.lineWidth = mark.width ?? 0.2;
        draw.setLineDash(mark.dash ?? []);
        draw.stroke(path);
      }
    } else {
      const bitmap = pictures.get(mark.id);
      if (bitmap) draw.drawImage(bitmap, mark.x, mark.y, mark.width, mark.height);
    }
  }
  return canvas;
}
