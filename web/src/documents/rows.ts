import { create } from 'zustand';
import type { Failure } from '../api/client';
import { keptUnder } from '../api/crew';
import { newId } from './unique';

/** Something small that stands by itself on the server, such as a test or a take: many people add to the same list. */
export interface Row<T> {
  id: string;
  value: T;
  /** The revision that it grew from; null when it was never stored. */
  revision: number | null;
  /** What is not stored yet stays in this browser until it is. */
  isUnsaved: boolean;
  /** True when it shall go. */
  isRemoved: boolean;
  /** Why the server did not take it, when it said no for good; empty otherwise. Changing it tries again. */
  refused: string;
}

export interface Stored<T> {
  id: string;
  value: T;
  revision: number;
}

/** What a server says of its rows: all of them, or what changed since it was asked last. */
export interface Listed<T> {
  rows: Stored<T>[];
  /** Rows that are deleted by now; only where what changed was asked for. */
  gone: string[];
  /** From when on to ask next for what changed; null where all is asked each time. */
  asOf: string | null;
}

/** How rows are read and written. */
export interface RowsOnServer<T> {
  /** Lists all rows, or what changed since. */
  list: (since: string | null) => Promise<Listed<T> | Failure>;
  write: (id: string, value: T, revision: number | null) => Promise<{ kind: 'stored'; row: Stored<T> } | { kind: 'conflict' } | Failure>;
  remove: (id: string) => Promise<Failure | null>;
}

export interface Rows<T> {
  state: 'opening' | 'ready' | 'away';
  say: string;
  /** False once this browser had no room for what is not stored yet: it stands on this page alone. */
  hasRoom: boolean;
  rows: Row<T>[];
}

const calmMs = 400;
const againMs = 5000;
const othersMs = 15_000;

/**
 * A list of rows that is written as it is typed, network or not: what is unsaved is kept in this browser, goes by itself, and is tried again
 * until it went. Where two people changed the same row, both stand: the later one becomes a row of its own.
 */
export function createRows<T>(name: string, server: RowsOnServer<T>) {
  /** Each row has a place of its own in this browser, so that two pages do not write over what the other keeps. */
  const place = () => `${keptUnder(`juxtopsis.rows.${name}`)}/`;
  const store = create<Rows<T>>()(() => ({ state: 'opening', say: '', hasRoom: true, rows: [] }));
  let calm: ReturnType<typeof setTimeout> | undefined;
  let flushing: Promise<void> | null = null;
  let loaded = '';
  let asOf: string | null = null;

  const set = (change: (rows: Row<T>[]) => Row<T>[]) => {
    const before = new Map(store.getState().rows.map((row) => [row.id, row]));
    store.setState((s) => ({ rows: change(s.rows) }));
    for (const row of store.getState().rows) {
      if (row.isUnsaved && row !== before.get(row.id)) keep(row);
      else if (!row.isUnsaved && before.get(row.id)?.isUnsaved) localStorage.removeItem(place() + row.id);
      before.delete(row.id);
    }
    for (const gone of before.values()) {
      if (gone.isUnsaved) localStorage.removeItem(place() + gone.id);
    }
  };
  /** A browser without room keeps it as long as the page stands; that is told. */
  const keep = (row: Row<T>) => {
    try {
      localStorage.setItem(place() + row.id, JSON.stringify(row));
    } catch {
      store.setState({ hasRoom: false });
    }
  };
  const replace = (id: string, change: (row: Row<T>) => Row<T>) => set((rows) => rows.map((row) => (row.id === id ? change(row) : row)));

  /** What this browser kept of before; read once for each crew. */
  function load(): void {
    if (loaded === place()) return;
    [loaded, asOf] = [place(), null];
    const kept = Object.keys(localStorage)
      .filter((key) => key.startsWith(loaded))
      .flatMap((key) => {
        try {
          const row = JSON.parse(localStorage.getItem(key)!) as Row<T>;
          return row.id === key.slice(loaded.length) && row.isUnsaved ? [row] : [];
        } catch {
          // It is nothing that could be read.
          return [];
        }
      });
    store.setState((s) => ({ rows: [...s.rows.filter((row) => kept.every((k) => k.id !== row.id)), ...kept] }));
  }

  function soon(ms: number): void {
    clearTimeout(calm);
    calm = setTimeout(() => void flush(), ms);
  }

  /** Sends one; false while the server is away. */
  async function send(row: Row<T>): Promise<boolean> {
    if (row.isRemoved) {
      const failed = row.revision === null ? null : await server.remove(row.id);
      if (failed === null) set((rows) => rows.filter((r) => r.id !== row.id));
      else if (failed.kind !== 'away') replace(row.id, (r) => ({ ...r, isRemoved: false, isUnsaved: false, refused: failed.say }));
      return failed?.kind !== 'away';
    }
    const outcome = await server.write(row.id, row.value, row.revision);
    if (outcome.kind === 'stored') {
      // What was typed meanwhile grows from what is stored now.
      replace(row.id, (r) =>
        r.value === row.value && !r.isRemoved
          ? { ...r, value: outcome.row.value, revision: outcome.row.revision, isUnsaved: false, refused: '' }
          : { ...r, revision: outcome.row.revision },
      );
    } else if (outcome.kind === 'conflict') {
      const mine = newId();
      set((rows) => rows.map((r) => (r.id === row.id ? { ...r, id: mine, revision: null } : r)));
      await refresh();
    } else if (outcome.kind !== 'away') {
      replace(row.id, (r) => (r.value === row.value ? { ...r, refused: outcome.say } : r));
    }
    return outcome.kind !== 'away';
  }

  async function flushAll(): Promise<void> {
    load();
    const waiting = () => store.getState().rows.filter((row) => row.isUnsaved && row.refused === '');
    const sent = new Set<Row<T>>();
    for (;;) {
      const next = waiting().find((row) => !sent.has(row));
      if (!next) break;
      sent.add(next);
      if (!(await send(next))) break;
    }
    if (waiting().length > 0) {
      soon(againMs);
    } else {
      store.setState({ state: 'ready', say: '' });
    }
  }

  /** Sends what waits; one after the other. */
  function flush(): Promise<void> {
    flushing ??= flushAll().finally(() => (flushing = null));
    return flushing;
  }

  /** Reads what others wrote; what is unsaved here stays. */
  async function refresh(): Promise<void> {
    load();
    const since = asOf;
    const found = await server.list(since);
    if ('kind' in found) {
      store.setState((s) => ({ state: s.state === 'ready' ? 'ready' : 'away', say: found.say }));
      return;
    }
    asOf = found.asOf;
    const gone = new Set(found.gone);
    set((rows) => {
      const told = new Map(found.rows.map((row) => [row.id, row]));
      // What did not change stays the very same, so that nothing is drawn anew for it.
      const stay = rows.flatMap((row) => {
        const now = told.get(row.id);
        told.delete(row.id);
        if (row.isUnsaved) return [row];
        if (gone.has(row.id) || (!now && since === null)) return [];
        return [now && now.revision !== row.revision ? { ...row, ...now, refused: '' } : row];
      });
      const others = [...told.values()].map((row): Row<T> => ({ ...row, isUnsaved: false, isRemoved: false, refused: '' }));
      return others.length === 0 && stay.length === rows.length && stay.every((row, i) => row === rows[i]) ? rows : [...stay, ...others];
    });
    store.setState({ state: 'ready', say: '' });
  }

  /** Changes rows, or begins them, all at once. */
  function putAll(some: { id: string; value: T }[]): void {
    load();
    set((rows) => {
      const values = new Map(some.map(({ id, value }) => [id, value]));
      const changed = rows.map((row) => {
        const value = values.get(row.id);
        values.delete(row.id);
        return value === undefined ? row : { ...row, value, isUnsaved: true, isRemoved: false, refused: '' };
      });
      const begun = [...values].map(([id, value]): Row<T> => ({
        id,
        value,
        revision: null,
        isUnsaved: true,
        isRemoved: false,
        refused: '',
      }));
      return [...changed, ...begun];
    });
    soon(calmMs);
  }

  return {
    useRows: store,
    refresh,
    flush,
    /** Changes a row, or begins one. */
    put(id: string, value: T): void {
      putAll([{ id, value }]);
    },
    putAll,
    /** Changes a row as it is now, whatever was noted since somebody looked at it; one that is gone stays gone. */
    change(id: string, recipe: (value: T) => T): void {
      const row = store.getState().rows.find((r) => r.id === id && !r.isRemoved);
      if (row) putAll([{ id, value: recipe(row.value) }]);
    },
    /** Takes a row away; `put` with its value brings it back. */
    remove(id: string): void {
      replace(id, (row) => ({ ...row, isUnsaved: true, isRemoved: true, refused: '' }));
      soon(calmMs);
    },
    /** Reads now, whenever the network or the person comes back, and from time to time for what others write. Stops with the returned function. */
    start(): () => void {
      const go = () => void refresh().then(flush);
      go();
      const others = setInterval(() => document.visibilityState === 'visible' && go(), othersMs);
      window.addEventListener('online', go);
      window.addEventListener('focus', go);
      return () => {
        clearInterval(others);
        window.removeEventListener('online', go);
        window.removeEventListener('focus', go);
      };
    },
  };
}
