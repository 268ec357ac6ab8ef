import { create } from 'zustand';
import type { FromWorker, Order, ToWorker } from './view';

/** Why there are no rendered pictures; null while there are. */
export const usePictures = create<{ failed: string | null }>()(() => ({ failed: null }));

interface Shown {
  key: string;
  draw: (picture: FromWorker & { kind: 'picture' }) => void;
}

const shown = new Map<string, Shown>();

interface Printing {
  onProgress: (done: number) => void;
  finish: (jpeg: Blob | null) => void;
}

const printing = new Map<string, Printing>();
let worker: Worker | null = null;

function send(message: ToWorker): void {
  if (usePictures.getState().failed !== null) {
    return;
  }
  if (!worker) {
    try {
      worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name: 'pictures' });
    } catch (e) {
      fail(String(e));
      return;
    }
    worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
      if (data.kind === 'failed') {
        fail(data.say);
      } else if (data.kind === 'picture') {
        shown.get(data.id)?.draw(data);
      } else {
        const print = printing.get(data.id);
        if (data.kind === 'printing') print?.onProgress(data.done);
        else print?.finish(data.jpeg);
      }
    };
    worker.onerror = () => fail('The drawing program could not be loaded.');
  }
  worker.postMessage(message);
}

function fail(why: string): void {
  worker?.terminate();
  worker = null;
  printing.forEach((print) => print.finish(null));
  usePictures.setState({ failed: why });
}

/** Tries again after the graphics processor was lost: every frame that is in sight then orders its picture anew. */
export const tryPicturesAgain = (): void => usePictures.setState({ failed: null });

/** Orders a picture; one that is just as before is not drawn again. */
export function showPicture(order: Order, draw: Shown['draw']): void {
  const key = JSON.stringify(order);
  const before = shown.get(order.id);
  shown.set(order.id, { key, draw });
  if (before?.key !== key) {
    send({ kind: 'show', order });
  }
}

export function dropPicture(id: string): void {
  if (shown.delete(id)) {
    send({ kind: 'drop', id });
  }
}

let prints = 0;

/**
 * Draws one picture of any size as a JPEG. What is looked at goes first.
 * Null where there are no pictures here, or it was stopped.
 */
export function printPicture(
  order: Omit<Order, 'id'>,
  { quality, onProgress, signal }: { quality: number; onProgress: (done: number) => void; signal?: AbortSignal },
): Promise<Blob | null> {
  if (usePictures.getState().failed !== null || signal?.aborted) {
    return Promise.resolve(null);
  }
  const id = `print ${prints++}`;
  return new Promise((done) => {
    const stop = () => {
      send({ kind: 'stopPrinting', id });
      finish(null);
    };
    const finish = (jpeg: Blob | null) => {
      printing.delete(id);
      signal?.removeEventListener('abort', stop);
      done(jpeg);
    };
    signal?.addEventListener('abort', stop);
    printing.set(id, { onProgress, finish });
    send({ kind: 'print', order: { ...order, id }, quality });
  });
}
