import { create } from 'zustand';
import { photoAddress } from '../picture/photo';
import { printPicture } from '../picture/pictures';
import type { PictureFact, SheetFacts } from './facts';
import type { Page } from './marks';

/** What is being made for print, and how far it is; null while nothing is. */
export const useMaking = create<{ what: string | null; done: number; stop: () => void }>()(() => ({
  what: null,
  done: 0,
  stop: () => undefined,
}));

/** Dots an inch of pictures on paper. */
const dotsPerInch = 200;
const quality = 0.88;
const mostKept = 120;

/** Pictures that were made, by what is on them and how large they are: a page that is saved again needs none anew. */
const kept = new Map<string, Blob>();

/** Every picture of a sheet by its identity. */
export function picturesOf(facts: SheetFacts): Map<string, PictureFact> {
  const all = new Map<string, PictureFact>();
  for (const block of facts.blocks) {
    if (block.kind === 'frames') for (const frame of block.frames) for (const { picture } of frame.options) all.set(picture.id, picture);
    if (block.kind === 'tiles') for (const { picture } of block.tiles) all.set(picture.id, picture);
  }
  return all;
}

/** How wide each picture is printed at most, mm. */
function widthsOf(pages: Page[]): Map<string, number> {
  const widths = new Map<string, number>();
  for (const page of pages) {
    for (const mark of page.marks) {
      if (mark.kind === 'picture') widths.set(mark.id, Math.max(widths.get(mark.id) ?? 0, mark.width));
    }
  }
  return widths;
}

/**
 * The pictures of some pages as JPEG, as large as print needs them, or so many pixels wide. One that cannot be made is left out.
 * Where pictures are given, as with a frozen sheet, these are fetched.
 */
export async function makePictures(
  pages: Page[],
  facts: SheetFacts,
  {
    signal,
    onProgress,
    px,
    addressOf,
  }: { signal: AbortSignal; onProgress: (done: number) => void; px?: number; addressOf?: ((id: string) => string) | undefined },
): Promise<Map<string, Blob>> {
  const made = new Map<string, Blob>();
  const pictures = picturesOf(facts);
  const wanted = [...widthsOf(pages)].filter(([id]) => pictures.get(id)?.missing === undefined);
  let at = 0;
  for (const [id, mm] of wanted) {
    if (signal.aborted) break;
    const fact = pictures.get(id);
    const width = px ?? Math.round((mm / 25.4) * dotsPerInch);
    if (fact) {
      const jpeg = addressOf
        ? await fetched(addressOf(id), signal)
        : await pictureOf(fact, width, { signal, onProgress: (done) => onProgress((at + done) / wanted.length) });
      if (jpeg) made.set(id, jpeg);
    }
    at += 1;
    onProgress(at / wanted.length);
  }
  return made;
}

async function fetched(address: string, signal: AbortSignal): Promise<Blob | null> {
  try {
    const response = await fetch(address, { signal });
    return response.ok ? await response.blob() : null;
  } catch {
    return null;
  }
}

async function pictureOf(
  fact: PictureFact,
  width: number,
  how: { signal: AbortSignal; onProgress: (done: number) => void },
): Promise<Blob | null> {
  const height = Math.max(1, Math.round(width / fact.aspect));
  const key = JSON.stringify([fact.rendered ?? fact.photo, width, height]);
  const before = kept.get(key);
  if (before) {
    return before;
  }
  const jpeg = fact.rendered
    ? await printPicture({ ...fact.rendered, width, height }, { quality, ...how })
    : fact.photo
      ? await cutOf(fact.photo, width, height, how.signal)
      : null;
  if (jpeg) {
    if (kept.size >= mostKept) kept.delete(kept.keys().next().value!);
    kept.set(key, jpeg);
  }
  return jpeg;
}

/** The cut of a photograph that a rig would make. */
async function cutOf(
  { id, across, up }: NonNullable<PictureFact['photo']>,
  width: number,
  height: number,
  signal: AbortSignal,
): Promise<Blob | null> {
  const file = await fetched(photoAddress({ id }), signal);
  if (!file) {
    return null;
  }
  const image = await createImageBitmap(file);
  const canvas = new OffscreenCanvas(width, height);
  const draw = canvas.getContext('2d')!;
  draw.fillStyle = '#6b665e';
  draw.fillRect(0, 0, width, height);
  draw.imageSmoothingQuality = 'high';
  const [wide, high] = [width / across, height / up];
  draw.drawImage(image, (width - wide) / 2, (height - high) / 2, wide, high);
  image.close();
  return canvas.convertToBlob({ type: 'image/jpeg', quality });
}
