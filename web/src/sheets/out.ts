import { proxy, wrap, type Remote } from 'comlink';
import { csvFile } from '../documents/tables';
import { download, fileName } from '../documents/workFile';
import { itemOf, type Sheet, type SheetFacts } from './facts';
import type { Page } from './marks';
import { paintPage } from './paintCanvas';
import type { PdfPainter } from './pdf.worker';
import { makePictures, useMaking } from './printed';

/** What is saved, and from where its pictures are. */
export interface Saved {
  sheet: Sheet;
  facts: SheetFacts;
  pages: Page[];
  /** Where the pictures of a frozen sheet are; left out while they are rendered. */
  addressOf?: ((id: string) => string) | undefined;
}

const nameOf = ({ sheet, facts }: Saved) => fileName([sheet.title || facts.name, facts.what].join(', '));

/** Does some work with progress and a stop; what went wrong, or an empty text. */
async function making(what: string, work: (signal: AbortSignal, onProgress: (done: number) => void) => Promise<string>): Promise<string> {
  const stopping = new AbortController();
  useMaking.setState({ what, done: 0, stop: () => stopping.abort() });
  try {
    const said = await work(stopping.signal, (done) => useMaking.setState({ done }));
    return stopping.signal.aborted ? 'Stopped; nothing was saved.' : said;
  } catch (e) {
    return stopping.signal.aborted ? 'Stopped; nothing was saved.' : `It could not be made: ${e instanceof Error ? e.message : String(e)}`;
  } finally {
    useMaking.setState({ what: null, done: 0 });
  }
}

/** How much of the time goes into pictures. */
const pictureShare = 0.9;

/** The sheet as a PDF; null where it was stopped. */
export async function pdfOf(
  saved: Saved,
  signal: AbortSignal,
  onProgress: (done: number) => void,
): Promise<{ pdf: Uint8Array; without: number } | null> {
  const { pages, facts, sheet, addressOf } = saved;
  const pictures = await makePictures(pages, facts, { signal, onProgress: (done) => onProgress(done * pictureShare), addressOf });
  if (signal.aborted) {
    return null;
  }
  const bytes = new Map<string, Uint8Array>();
  for (const [id, jpeg] of pictures) bytes.set(id, new Uint8Array(await jpeg.arrayBuffer()));
  const pdf = await painted(pages, bytes, sheet.title || facts.name, facts.what, signal, (done) =>
    onProgress(pictureShare + (1 - pictureShare) * done),
  );
  return { pdf, without: missingFrom(pages, pictures) };
}

let painter: { worker: Worker; remote: Remote<PdfPainter>; broken: Promise<never> } | null = null;

/** The program that writes PDF, beside the page. It is kept, with the letters that it has fetched. */
function thePainter() {
  if (!painter) {
    const worker = new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module', name: 'pdf' });
    const broken = new Promise<never>((_, fail) => {
      worker.onerror = () => {
        endPainter();
        fail(new Error('the program that writes PDF could not be loaded. Connect once, then try again.'));
      };
    });
    broken.catch(() => undefined);
    painter = { worker, remote: wrap<PdfPainter>(worker), broken };
  }
  return painter;
}

function endPainter(): void {
  painter?.worker.terminate();
  painter = null;
}

/** Loads what writes PDF, with its letters: afterwards a file is made without a network. */
export const preparePdf = (): void =>
  void thePainter()
    .remote.prepare()
    .catch(() => undefined);

async function painted(
  pages: Page[],
  pictures: Map<string, Uint8Array>,
  title: string,
  subject: string,
  signal: AbortSignal,
  onProgress: (done: number) => void,
): Promise<Uint8Array> {
  const { remote, broken } = thePainter();
  let stop = () => {};
  const stopped = new Promise<never>((_, fail) => {
    stop = () => {
      endPainter();
      fail(new Error('stopped'));
    };
    signal.addEventListener('abort', stop);
  });
  try {
    return await Promise.race([
      remote.paint(pages, pictures, { title, subject, at: new Date() }, location.origin, proxy(onProgress)),
      broken,
      stopped,
    ]);
  } finally {
    signal.removeEventListener('abort', stop);
  }
}

const missingFrom = (pages: Page[], pictures: Map<string, Blob>): number =>
  new Set(pages.flatMap((page) => page.marks.flatMap((mark) => (mark.kind === 'picture' && !pictures.has(mark.id) ? [mark.id] : [])))).size;

const without = (many: number) =>
  many === 0 ? '' : `Saved without ${many === 1 ? 'a picture' : `${many} pictures`}: this browser draws none, or they cannot be fetched.`;

export const savePdf = (saved: Saved): Promise<string> =>
  making('PDF', async (signal, onProgress) => {
    const made = await pdfOf(saved, signal, onProgress);
    if (!made) return '';
    download(`${nameOf(saved)}.pdf`, new Blob([made.pdf as BlobPart], { type: 'application/pdf' }));
    return without(made.without);
  });

/** Dots a millimetre of pages as pictures: sharp on a phone. */
const pngPerMm = 7;

/** Each page as a PNG. */
export const savePng = (saved: Saved): Promise<string> =>
  making('PNG', async (signal, onProgress) => {
    const { pages, facts, addressOf } = saved;
    const jpegs = await makePictures(pages, facts, { signal, onProgress: (done) => onProgress(done * pictureShare), addressOf });
    const pictures = new Map<string, ImageBitmap>();
    for (const [id, jpeg] of jpegs) pictures.set(id, await createImageBitmap(jpeg));
    for (const [at, page] of pages.entries()) {
      if (signal.aborted) return '';
      const png = await paintPage(page, pngPerMm, pictures).convertToBlob({ type: 'image/png' });
      download(`${nameOf(saved)}${pages.length > 1 ? ` ${at + 1}` : ''}.png`, png);
      onProgress(pictureShare + ((1 - pictureShare) * (at + 1)) / pages.length);
    }
    pictures.forEach((bitmap) => bitmap.close());
    return without(missingFrom(pages, jpegs));
  });

/** All that is in tables, as CSV: each table with its heading, one after another. */
export function rowsOf({ sheet, facts }: Pick<Saved, 'sheet' | 'facts'>): string[][] {
  const rows: string[][] = [];
  const apart = () => {
    if (rows.length > 0) rows.push([]);
  };
  for (const block of facts.blocks) {
    if (block.kind === 'frames') {
      apart();
      rows.push(['', 'Title', ...block.columns.map((c) => c.label), 'Remark', 'Alternatives']);
      for (const frame of block.frames) {
        const item = itemOf(sheet, frame.id);
        rows.push([
          frame.mark,
          item?.title || frame.title,
          ...block.columns.map((c) => frame.values[c.key] ?? ''),
          item?.remark ?? '',
          frame.options
            .slice(1)
            .map((o) => [o.title, ...o.lines].join(', '))
            .join('; '),
        ]);
      }
    } else if (block.kind === 'table') {
      apart();
      if (block.caption !== '') rows.push([block.caption]);
      rows.push(block.columns.map((c) => c.label));
      for (const row of block.rows) {
        const item = row.isItem ? itemOf(sheet, row.id) : undefined;
        rows.push(
          block.columns.map((c) => (c.key === 'title' && item?.title) || (c.key === 'remark' && item?.remark) || (row.cells[c.key] ?? '')),
        );
      }
    } else if (block.kind === 'tiles') {
      for (const tile of block.tiles) rows.push([tile.big, tile.small, ...tile.lines]);
    } else if (block.kind === 'heading') {
      apart();
      rows.push([block.text, block.sub]);
    }
  }
  return rows;
}

export function saveCsv(saved: Saved): void {
  download(`${nameOf(saved)}.csv`, csvFile(rowsOf(saved)));
}

/** The pictures of a sheet as addresses that a page can show, for printing from the browser. */
export async function printable(saved: Saved): Promise<{ addresses: Map<string, string>; say: string }> {
  const addresses = new Map<string, string>();
  const say = await making('print', async (signal, onProgress) => {
    const jpegs = await makePictures(saved.pages, saved.facts, { signal, onProgress, addressOf: saved.addressOf });
    for (const [id, jpeg] of jpegs) addresses.set(id, URL.createObjectURL(jpeg));
    return '';
  });
  return { addresses, say };
}
