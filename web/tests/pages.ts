import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { vi } from 'vitest';
import type { Work, Works, Write } from '../src/api/client';

export interface Doc {
  n: number;
  m?: number;
}

export const away = { kind: 'away', say: 'The server cannot be reached.' } as const;

export const work = (revision: number, document: Doc, id = 'w', name = 'Work'): Work<Doc> => ({
  id,
  name,
  document,
  revision,
  updatedAt: `at ${revision}`,
  deletedAt: null,
});

/** A server in memory; every answer can be set otherwise by a test. */
export function serverOf(...stored: Work<Doc>[]) {
  const all = new Map(stored.map((w) => [w.id, w]));
  const write = vi.fn((id: string, base: number | null, name: string, document: Doc): Promise<Write<Doc>> => {
    const now = all.get(id);
    if (base === null ? now : now && now.revision !== base) {
      return Promise.resolve({ kind: 'conflict', current: now! });
    }
    if (base !== null && !now) {
      return Promise.resolve({ kind: 'missing', say: 'gone' });
    }
    const next = work((base ?? 0) + 1, document, id, name);
    all.set(id, next);
    return Promise.resolve({ kind: 'stored', work: next });
  });
  const read = vi.fn((id: string, known?: number): Promise<Work<Doc> | null | { kind: 'missing' | 'away'; say: string }> => {
    const now = all.get(id);
    return Promise.resolve(!now ? { kind: 'missing', say: 'gone' } : known === now.revision ? null : now);
  });
  return { all, write, read, works: { read, write } as unknown as Works<Doc> };
}

export type Server = ReturnType<typeof serverOf>;

/** A browser without anything in it. */
export function newBrowser(): void {
  globalThis.indexedDB = new IDBFactory();
  sessionStorage.clear();
  localStorage.clear();
}

/** Lets what was begun come to its end: the browser's database answers between timers. */
export async function settle(): Promise<void> {
  for (let i = 0; i < 60; i++) {
    await new Promise((done) => setImmediate(done));
  }
}

/** Lets time pass. */
export async function pass(ms: number): Promise<void> {
  await settle();
  for (let left = ms; left > 0; left -= 50) {
    await vi.advanceTimersByTimeAsync(Math.min(50, left));
    await settle();
  }
}

const stops: (() => void)[] = [];

/** Closes all pages as a browser does that is killed: nothing more is heard of them. */
export function closePages(): void {
  stops.splice(0).forEach((stop) => stop());
  vi.clearAllTimers();
}

/** Opens the page: the application's modules, as new as after a reload; in a tab of its own where that is asked for. */
export async function openPage(server: Server, { ownTab = false } = {}) {
  vi.resetModules();
  if (ownTab) {
    sessionStorage.clear();
  }
  const { createDocumentStore } = await import('../src/documents/documentStore');
  const { keep } = await import('../src/documents/saving');
  const outbox = await import('../src/documents/outbox');
  const drafts = await import('../src/documents/drafts');
  const store = createDocumentStore<Doc, { problems: unknown[] }>({
    empty: { n: 0 },
    derived: { problems: [] },
    evaluate: () => ({}),
  });
  const keeper = keep<Doc>({ kind: 't', works: server.works, upgraded: (d) => Promise.resolve(d), store, ready: Promise.resolve() });
  stops.push(keeper.autosave());
  return {
    store,
    keeper,
    outbox,
    drafts,
    change: (part: Partial<Doc>) => store.getState().change(`c${Math.random()}`, (c) => ({ ...c, document: { ...c.document, ...part } })),
    now: () => store.getState(),
    start: () => stops.push(outbox.startOutbox()),
  };
}
