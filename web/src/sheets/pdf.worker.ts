import { expose } from 'comlink';
import { familyOf, fontFiles } from './fonts';
import { tones, type Face, type Page } from './marks';
import { paintPdf, type PdfAbout } from './paintPdf';

const files = new Map<string, Promise<Uint8Array>>();

function file(url: string): Promise<Uint8Array> {
  let bytes = files.get(url);
  if (!bytes) {
    bytes = fetch(url).then(async (response) => {
      if (!response.ok) throw new Error('The letters for the file cannot be fetched. Connect once, then try again.');
      return new Uint8Array(await response.arrayBuffer());
    });
    bytes.catch(() => files.delete(url));
    files.set(url, bytes);
  }
  return bytes;
}

/** Dots an em: enough for print at the sizes of a sheet. */
const perEm = 64;

/** Letters that no file has, as the system draws them. */
async function drawn(text: string, face: Face, tone: string) {
  const font = `${face === 'bold' || face === 'monoBold' ? 'bold ' : ''}${perEm}px ${familyOf(face)}`;
  const measure = new OffscreenCanvas(1, 1).getContext('2d')!;
  measure.font = font;
  const wide = measure.measureText(text).width;
  const canvas = new OffscreenCanvas(Math.max(1, Math.ceil(wide)), Math.ceil(perEm * 1.5));
  const draw = canvas.getContext('2d')!;
  draw.font = font;
  draw.fillStyle = tones.paper;
  draw.fillRect(0, 0, canvas.width, canvas.height);
  draw.fillStyle = tone;
  draw.fillText(text, 0, perEm * 1.1);
  const jpeg = new Uint8Array(await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.95 })).arrayBuffer());
  return { jpeg, emWide: canvas.width / perEm, emHigh: 1.5, emUp: 1.1 };
}

const painter = {
  /** Fetches all letters, so that a file can be made without a network later on. */
  async prepare(): Promise<void> {
    await Promise.allSettled([...new Set(Object.values(fontFiles).flat())].map(file));
  },
  paint: (pages: Page[], pictures: Map<string, Uint8Array>, about: PdfAbout, origin: string, onProgress: (done: number) => void) =>
    paintPdf(pages, pictures, about, { file, files: fontFiles, drawn, origin, onProgress }),
};

export type PdfPainter = typeof painter;

expose(painter);
