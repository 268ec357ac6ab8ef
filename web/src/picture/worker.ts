import { PictureRenderer } from './renderer';
import type { FromWorker, Order, ToWorker } from './view';

/**
 * Draws pictures beside the page, never within it, so that figures never wait for them. Each new order is drawn at once, coarsely;
 * when nothing new has come for a moment, it is drawn again through more and more of the pupil.
 */
const scope = self as unknown as {
  onmessage: (event: MessageEvent<ToWorker>) => void;
  postMessage: (message: FromWorker, transfer: Transferable[]) => void;
};
const say = (message: FromWorker, transfer: Transferable[] = []) => scope.postMessage(message, transfer);

/** Cells across the pupil: coarse, better, fine. */
const levels = [1, 4, 8];
/** Blur over so many pixels shows single views at the fine level, and is drawn finer still. */
const coarseBlurPx = 70;
const finest = 14;
/** A hand is at rest when it has ordered nothing for so long. */
const restMs = 120;
/** How long the graphics processor may be kept from the page at a time. */
const sliceMs = 7;

interface Job {
  order: Order;
  /** Levels that are drawn already. */
  done: number;
  ms: number;
}

const jobs = new Map<string, Job>();
/** Pictures to print, in turn; they wait for whatever is looked at. */
const prints = new Map<string, Extract<ToWorker, { kind: 'print' }>>();
/** How large a part of a picture to print is drawn at once, px: larger ones would keep what is looked at waiting. */
const tilePx = 1280;
let renderer: PictureRenderer | null = null;
let lastOrder = 0;
let running = false;
let msPerView = 4;

scope.onmessage = ({ data }: MessageEvent<ToWorker>) => {
  if (data.kind === 'drop') {
    jobs.delete(data.id);
    return;
  }
  if (data.kind === 'stopPrinting') {
    prints.delete(data.id);
    return;
  }
  if (data.kind === 'print') {
    prints.set(data.order.id, data);
  } else {
    lastOrder = performance.now();
    jobs.set(data.order.id, { order: data.order, done: 0, ms: 0 });
  }
  if (!running) {
    running = true;
    void run();
  }
};

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

async function run(): Promise<void> {
  try {
    renderer ??= start();
    for (;;) {
      const coarse = [...jobs.values()].find((job) => job.done === 0);
      const [print] = prints.values();
      if (!coarse && print) {
        await printed(print);
        continue;
      }
      const next = coarse ?? [...jobs.values()].filter((job) => job.done < levelsOf(job).length).sort((a, b) => a.done - b.done)[0];
      if (!next) {
        break;
      }
      const rest = lastOrder + restMs - performance.now();
      if (!coarse && rest > 0) {
        await pause(Math.min(rest, 30));
      } else {
        await draw(next, levelsOf(next)[next.done]!);
      }
    }
  } catch (e) {
    say({ kind: 'failed', say: e instanceof Error ? e.message : String(e) });
  }
  running = false;
}

function start(): PictureRenderer {
  const canvas = new OffscreenCanvas(4, 4);
  canvas.addEventListener('webglcontextlost', () => say({ kind: 'failed', say: 'The graphics processor was taken away.' }));
  return new PictureRenderer(canvas);
}

/** How large the largest disc behind the subject is, px. */
function blurPx({ view, stage, height }: Order): number {
  const b = view.away + (stage.behind ?? Infinity);
  return (view.pupilUp * (1 - view.away / b) * height) / view.fieldHeight;
}

/** Cells across the pupil for a picture that is drawn once: as many as its blur needs so that no single view shows in it. */
const cellsFor = (order: Order): number => {
  const blur = blurPx(order);
  return blur < 10 ? 4 : blur < 24 ? 5 : blur < 48 ? 7 : blur < 90 ? 9 : 12;
};

const levelsOf = ({ order }: Job): number[] => (blurPx(order) > coarseBlurPx ? [...levels, finest] : levels);

async function draw(job: Job, n: number): Promise<void> {
  const began = performance.now();
  renderer!.begin(job.order);
  let since = performance.now();
  let views = 0;
  for (const [i, j] of spread(n)) {
    renderer!.add(i, j, n);
    views += 1;
    if (n > 1 && views * msPerView >= sliceMs) {
      // Waits until it is truly drawn, then lets the page have its turn.
      settle();
      msPerView += ((performance.now() - since) / views - msPerView) * 0.3;
      await pause(0);
      if (jobs.get(job.order.id) !== job || [...jobs.values()].some((other) => other.done === 0 && other !== job)) {
        return;
      }
      since = performance.now();
      views = 0;
    }
  }
  renderer!.develop();
  const bitmap = renderer!.canvas.transferToImageBitmap();
  job.done += 1;
  job.ms += performance.now() - began;
  say({ kind: 'picture', id: job.order.id, bitmap, samples: n * n, drawCalls: renderer!.drawCalls, ms: job.ms }, [bitmap]);
  await pause(0);
}

const coarseIsAsked = () => [...jobs.values()].some((job) => job.done === 0);

/** Draws a picture part by part; whatever is looked at meanwhile is drawn between two parts. */
async function printed(print: Extract<ToWorker, { kind: 'print' }>): Promise<void> {
  const { order, quality } = print;
  const cells = cellsFor(order);
  const { id, width, height } = order;
  const sheet = new OffscreenCanvas(width, height);
  const draw2d = sheet.getContext('2d')!;
  const [across, down] = [Math.ceil(width / tilePx), Math.ceil(height / tilePx)];
  const stopped = () => prints.get(id) !== print;
  let done = 0;
  for (let part = 0; part < across * down; part++) {
    const [x, y] = [(part % across) * tilePx, Math.floor(part / across) * tilePx];
    const tile = { x, y, width: Math.min(tilePx, width - x), height: Math.min(tilePx, height - y) };
    for (let whole = false; !whole;) {
      renderer!.begin(order, tile);
      whole = true;
      done = part * cells * cells;
      for (const [i, j] of spread(cells)) {
        renderer!.add(i, j, cells);
        done += 1;
        if (done % printedAtOnce === 0) {
          settle();
          say({ kind: 'printing', id, done: done / (across * down * cells * cells) });
          await pause(0);
          if (stopped()) return;
          if (coarseIsAsked()) {
            // The renderer is needed: what is begun of this part is drawn again afterwards.
            await drawAllCoarse();
            whole = false;
            break;
          }
        }
      }
    }
    renderer!.develop();
    const bitmap = renderer!.canvas.transferToImageBitmap();
    draw2d.drawImage(bitmap, x, y);
    bitmap.close();
  }
  const jpeg = await sheet.convertToBlob({ type: 'image/jpeg', quality });
  if (!stopped()) {
    prints.delete(id);
    say({ kind: 'printed', id, jpeg });
  }
}

/** Views that are drawn before the page has its turn. */
const printedAtOnce = 4;

async function drawAllCoarse(): Promise<void> {
  for (let coarse; (coarse = [...jobs.values()].find((job) => job.done === 0));) {
    await draw(coarse, levels[0]!);
  }
}

/** Waits until what was asked for is truly drawn. */
function settle(): void {
  const gl = renderer!.canvas.getContext('webgl2')!;
  gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, new Uint8Array(4));
}

/** The cells in an order that visits all parts of the pupil early. */
function spread(n: number): [number, number][] {
  const cells = Array.from({ length: n * n }, (_, k) => [k % n, Math.floor(k / n)] as [number, number]);
  return cells
    .map((cell, k) => ({ cell, place: (k * 0.618034) % 1 }))
    .sort((a, b) => a.place - b.place)
    .map(({ cell }) => cell);
}
