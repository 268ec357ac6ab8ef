import { create } from 'zustand';
import { api, failure, unreachable } from '../../api/client';
import { useSettings } from '../../app/settings';
import { core, coreReady, type Diagnostic, type FitRequest, type FitResponse, type GearItem, type Stepwise } from '../../core/core';

/** How long the core works before the page may draw, ms. */
const sliceMs = 9;
const itemsAtOnce = 6;
const pairsAtOnce = 4;
const rigsAtOnce = 24;

interface ShelfState {
  state: 'opening' | 'preparing' | 'ready' | 'away';
  /** How much of the shelf is put together, 0 to 1. */
  done: number;
  say: string;
  items: Map<string, GearItem>;
  /** Counts the shelves that were put together: answers of one before are of other gear. */
  version: number;
}

/** The crew's gear as the page's own core knows it. */
export const useGear = create<ShelfState>()(() => ({ state: 'opening', done: 0, say: '', items: new Map(), version: 0 }));

let known = '';
let opening: Promise<void> | null = null;

/** Lets the page draw, and a hand be heard. */
const pause = () => new Promise<void>((done) => setTimeout(done));

/** Works in slices until all is done; false when it was stopped. */
async function inSlices(step: () => number, isStopped: () => boolean, onProgress: (done: number) => void): Promise<boolean> {
  let from = performance.now();
  for (;;) {
    const done = step();
    if (done >= 1) {
      return true;
    }
    if (performance.now() - from > sliceMs) {
      onProgress(done);
      await pause();
      if (isStopped()) {
        return false;
      }
      from = performance.now();
    }
  }
}

/** Fetches the shelf, and puts it together where it is another than before. */
export function openShelf(): Promise<void> {
  opening ??= open().finally(() => (opening = null));
  return opening;
}

async function open(): Promise<void> {
  try {
    const [{ data, error, response }] = await Promise.all([api.GET('/api/shelf/export.json', { parseAs: 'text' }), coreReady]);
    if (data === undefined) {
      useGear.setState({ state: known === '' ? 'away' : 'ready', say: failure(response.status, error).say });
      return;
    }
    const text = data;
    if (text === known) {
      useGear.setState({ state: 'ready', say: '' });
      return;
    }
    known = text;
    const { items, retired, ...file } = JSON.parse(text) as { items: GearItem[]; retired: string[] };
    const gone = new Set(retired);
    const kept = items.filter((i) => !gone.has(i.id));
    useGear.setState({ state: 'preparing', done: 0, say: '', items: new Map(kept.map((i) => [i.id, i])) });
    for (let at = 0; at < kept.length; at += itemsAtOnce) {
      core().readShelf({ ...file, items: kept.slice(at, at + itemsAtOnce), retired: [] });
      await pause();
    }
    core().openShelf();
    await inSlices(
      () => core().prepareShelf(pairsAtOnce),
      () => false,
      (done) => useGear.setState({ done }),
    );
    useGear.setState((s) => ({ state: 'ready', done: 1, version: s.version + 1 }));
  } catch {
    useGear.setState({ state: known === '' ? 'away' : 'ready', say: unreachable.say });
  }
}

/** What came of a question. */
export type Outcome<T> = { kind: 'answered'; answer: T; ms: number } | { kind: 'refused'; problems: Diagnostic[] };

interface Task {
  key: string;
  /** What a hand waits for goes before what is made ready. */
  isUrgent: boolean;
  /** When it began; null before. */
  began: number | null;
  isStopped: boolean;
  run: (task: Task, isStopped: () => boolean) => Promise<boolean>;
}

/** While a hand drags, questions follow each other faster than they are answered: one that is on its way is still answered, for so long. */
const patienceMs = 300;

let tasks: Task[] = [];
let running = false;

async function work(): Promise<void> {
  if (running) {
    return;
  }
  running = true;
  while (tasks.length > 0) {
    const task = tasks.find((t) => t.isUrgent) ?? tasks[0]!;
    task.began = performance.now();
    const isOvertaken = () => tasks.some((t) => t !== task && (t.key === task.key || (t.isUrgent && !task.isUrgent)));
    const isStopped = () => task.isStopped || (isOvertaken() && (!task.isUrgent || performance.now() - task.began! > patienceMs));
    if ((await task.run(task, isStopped)) || tasks.some((t) => t !== task && t.key === task.key)) {
      tasks = tasks.filter((t) => t !== task);
    }
    task.began = null;
    await pause();
  }
  running = false;
}

/** Asks the core, a few rigs at a time. Of questions with one key only the newest is answered; stopping answers nothing. */
function enqueue<Request, Response>(
  key: string,
  isUrgent: boolean,
  door: () => Stepwise<Request, Response>,
  request: Request,
  onOutcome: (outcome: Outcome<Response>) => void,
  onProgress: (done: number) => void = () => undefined,
): void {
  const { feet } = useSettings.getState();
  tasks = tasks.filter((t) => t.key !== key || t.began !== null);
  tasks.push({
    key,
    isUrgent,
    began: null,
    isStopped: false,
    async run(task, isStopped) {
      const began = performance.now();
      const problems = door().ask(request, feet);
      if (problems) {
        onOutcome({ kind: 'refused', problems });
        return true;
      }
      const done = await inSlices(() => door().step(rigsAtOnce), isStopped, onProgress);
      // Making the answer is a slice of its own.
      await pause();
      if (done && !task.isStopped) {
        onOutcome({ kind: 'answered', answer: door().answer(feet), ms: performance.now() - began });
      }
      return done;
    },
  });
  void work();
}

/** Stops a question, or all of them. */
export function stop(key?: string): void {
  const stopped = tasks.filter((t) => key === undefined || t.key === key);
  for (const task of stopped) {
    task.isStopped = true;
  }
  tasks = tasks.filter((t) => !stopped.includes(t));
}

export const askFit = (
  key: string,
  isUrgent: boolean,
  request: FitRequest,
  onOutcome: (outcome: Outcome<FitResponse>) => void,
  onProgress?: (done: number) => void,
): void => enqueue(key, isUrgent, () => core().fit, request, onOutcome, onProgress);

export const askDay = (
  request: Parameters<ReturnType<typeof core>['day']['ask']>[0],
  onOutcome: (outcome: Outcome<ReturnType<ReturnType<typeof core>['day']['answer']>>) => void,
  onProgress: (done: number) => void,
): void => enqueue('day', true, () => core().day, request, onOutcome, onProgress);
