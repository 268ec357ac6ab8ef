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
let renderer: PictureRenderer | null = null;
let lastOrder = 0;
let running = false;
let msPerView = 4;

scope.onmessage = ({ data }: MessageEvent<ToWorker>) => {
  if (data.kind === 'drop') {
    jobs.delete(data.id);
    return;
  }
  lastOrder = performance.now();
  jobs.set(data.order.id, { order: data.order, done: 0, ms: 0 });
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

const levelsOf = ({ order }: Job): number[] => (blurPx(order) > coarseBlurPx ? [...levels, finest] : levels);

async function draw(job: Job, n: number): Promise<void> {
  const began = performance.now();
  const gl = renderer!.canvas.getContext('webgl2')!;
  const pixel = new Uint8Array(4);
  renderer!.begin(job.order);
  let since = performance.now();
  let views = 0;
  for (const [i, j] of spread(n)) {
    renderer!.add(i, j, n);
    views += 1;
    if (n > 1 && views * msPerView >= sliceMs) {
      // Waits until it is truly drawn, then lets the page have its turn.
      gl.readPixels(0, 0, 1, 1, gl.RGBA, gl.UNSIGNED_BYTE, pixel);
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

/** The cells in an order that visits all parts of the pupil early. */
function spread(n: number): [number, number][] {
  const cells = Array.from({ length: n * n }, (_, k) => [k % n, Math.floor(k / n)] as [number, number]);
  return cells
    .map((cell, k) => ({ cell, place: (k * 0.618034) % 1 }))
    .sort((a, b) => a.place - b.place)
    .map(({ cell }) => cell);
}
