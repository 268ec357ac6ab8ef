import { proxy } from 'comlink';
import { useEffect } from 'react';
import { create } from 'zustand';
import { api, failure, unreachable } from '../api/client';
import { useSettings } from '../app/settings';
import {
  coreReady,
  type DayRequest,
  type DayResponse,
  type FilterDayResponse,
  type FitRequest,
  type BagDayRequest,
  type BagDayResponse,
  type BagsRequest,
  type BagsResponse,
  type FrontRequest,
  type FrontResponse,
  type CutRequest,
  type CutResponse,
  type FitResponse,
  type GearItem,
  type LookRequest,
  type LookResponse,
} from '../core/core';
import { readDemo } from './demo';
import { searches } from '../core/searches';
import type { Outcome } from '../core/searching';

interface ShelfState {
  state: 'opening' | 'preparing' | 'ready' | 'away';
  say: string;
  items: Map<string, GearItem>;
  /** Counts the shelves that were put together: answers of one before are of other gear. */
  version: number;
}

/** The crew's gear as the searching core knows it. */
export const useGear = create<ShelfState>()(() => ({ state: 'opening', say: '', items: new Map(), version: 0 }));

/** Waits until the crew's gear is here, or cannot be fetched: the server may have answered before. */
export function gearHere(): Promise<void> {
  const isHere = ({ items, state }: ShelfState) => items.size > 0 || state === 'ready' || state === 'away';
  return new Promise((done) => {
    if (isHere(useGear.getState())) {
      done();
      return;
    }
    const stopWaiting = useGear.subscribe((now) => {
      if (isHere(now)) {
        stopWaiting();
        done();
      }
    });
  });
}

let known = '';
let opening: Promise<void> | null = null;

/** Fetches the shelf, and has it put together where it is another than before. */
export function openShelf(): Promise<void> {
  opening ??= open().finally(() => (opening = null));
  return opening;
}

async function open(): Promise<void> {
  void readDemo();
  const away = (say: string) => useGear.setState({ state: known === '' ? 'away' : 'ready', say });
  // The page's own core and the first answer go first: until the second core is ready the server answers.
  await coreReady;
  await Promise.race([served, new Promise((done) => setTimeout(done, servedAfterMs))]);
  const searching = searches();
  try {
    const { data: text, error, response } = await api.GET('/api/shelf/export.json', { parseAs: 'text' });
    if (text === undefined) {
      away(failure(response.status, error).say);
      return;
    }
    if (text === known) {
      useGear.setState({ state: 'ready', say: '' });
      return;
    }
    const { items, retired, ...file } = JSON.parse(text) as { items: GearItem[]; retired: string[] };
    const gone = new Set(retired);
    const kept = items.filter((i) => !gone.has(i.id));
    useGear.setState({ state: 'preparing', say: '', items: new Map(kept.map((i) => [i.id, i])) });
    if (await searching.openShelf(file, kept)) {
      known = text;
      useGear.setState((s) => ({ state: 'ready', version: s.version + 1 }));
    }
  } catch {
    away(unreachable.say);
  }
}

/** Asks what fits; of questions with one key only the newest is answered. What was stopped is not. */
export async function askFit(
  key: string,
  isUrgent: boolean,
  request: FitRequest,
  onOutcome: (outcome: Outcome<FitResponse>) => void,
): Promise<void> {
  const outcome = await searches().fit(key, isUrgent, request, useSettings.getState().feet);
  if (outcome) {
    onOutcome(outcome);
  }
}

/** How long the server is given for the first answer, before the second core takes a processor. */
const servedAfterMs = 1500;
const drawnAfterMs = 300;
let serve: () => void;
const served = new Promise<void>((done) => (serve = done));
let askedOfServer = 0;

/**
 * Asks the server what fits, as long as the page's own searching core is not ready: it has the same core and the same shelf, and so the
 * same answer. Without a server the own one answers in a moment.
 */
export async function askServer(request: FitRequest, onOutcome: (outcome: Outcome<FitResponse>) => void): Promise<void> {
  const turn = ++askedOfServer;
  const began = performance.now();
  try {
    const units = useSettings.getState().feet ? 'feet' : 'metres';
    const { data } = await api.POST('/api/fit', { params: { query: { units } }, body: request });
    if (data && turn === askedOfServer && useGear.getState().state !== 'ready') {
      onOutcome({ kind: 'answered', answer: data, ms: performance.now() - began });
    }
  } catch {
    // The own core answers.
  } finally {
    // Drawing what came goes first.
    setTimeout(serve, drawnAfterMs);
  }
}

/** Asks which bag does a day. */
export async function askDay(request: DayRequest, onOutcome: (outcome: Outcome<DayResponse>) => void): Promise<void> {
  const outcome = await searches().day(request, useSettings.getState().feet);
  if (outcome) {
    onOutcome(outcome);
  }
}

/** Asks which filters serve a day. */
export async function askFilters(request: DayRequest, onOutcome: (outcome: Outcome<FilterDayResponse>) => void): Promise<void> {
  const outcome = await searches().filters(request, useSettings.getState().feet);
  if (outcome) {
    onOutcome(outcome);
  }
}

/** Asks what bags weigh, cost and reach. */
export async function askBags(request: BagsRequest, onOutcome: (outcome: Outcome<BagsResponse>) => void): Promise<void> {
  const outcome = await searches().bags(request, useSettings.getState().feet);
  if (outcome) {
    onOutcome(outcome);
  }
}

/** Asks what a bag does in a day. */
export async function askBagDay(key: string, request: BagDayRequest, onOutcome: (outcome: Outcome<BagDayResponse>) => void): Promise<void> {
  const outcome = await searches().bagDay(key, request, useSettings.getState().feet);
  if (outcome) {
    onOutcome(outcome);
  }
}

/** Asks for the front of two criteria; what is known of it is told as it grows. Null where it was stopped. */
export async function askFront(
  request: FrontRequest,
  onOutcome: (outcome: Outcome<FrontResponse>, isWhole: boolean) => void,
): Promise<void> {
  const outcome = await searches().front(
    request,
    useSettings.getState().feet,
    proxy((some: Outcome<FrontResponse>) => onOutcome(some, false)),
  );
  if (outcome) {
    onOutcome(outcome, true);
  }
}

/** Asks the server for the front: it has the same core and the same shelf, and so the same answer, sooner. Null where it has none. */
export async function askServerFront(request: FrontRequest, signal: AbortSignal): Promise<FrontResponse | null> {
  try {
    const units = useSettings.getState().feet ? 'feet' : 'metres';
    return (await api.POST('/api/bags/front', { params: { query: { units } }, body: request, signal })).data ?? null;
  } catch {
    return null;
  }
}

/** Asks what comes near a look: a first answer, then the one that is proven. */
export async function askLook(
  key: string,
  isUrgent: boolean,
  request: LookRequest,
  onOutcome: (outcome: Outcome<LookResponse>) => void,
): Promise<void> {
  const outcome = await searches().look(key, isUrgent, request, useSettings.getState().feet, proxy(onOutcome));
  if (outcome) {
    onOutcome(outcome);
  }
}

/** Asks which lenses make cameras cut together. */
export async function askCut(request: CutRequest, onOutcome: (outcome: Outcome<CutResponse>) => void): Promise<void> {
  const outcome = await searches().cut(request, useSettings.getState().feet);
  if (outcome) {
    onOutcome(outcome);
  }
}

/** Keeps the shelf that searches ask up with the server's. */
export function useShelf(): void {
  useEffect(() => {
    void openShelf();
    const again = () => void openShelf();
    window.addEventListener('focus', again);
    const retry = setInterval(() => {
      if (useGear.getState().state === 'away') again();
    }, 3000);
    return () => {
      window.removeEventListener('focus', again);
      clearInterval(retry);
      stop();
    };
  }, []);
}

/** Stops a question, or all of them. */
export const stop = (key?: string): void => void searches().stop(key);
