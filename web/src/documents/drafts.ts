import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Work } from '../api/client';
import { keptUnder } from '../api/crew';
import type { Base } from './documentStore';
import { openTabs, thisTab } from './tabs';

/** Work that is not stored yet: of one kind, of one identity, as one page has it. */
export interface Draft<D> {
  kind: string;
  id: string;
  tab: string;
  /** When it was last written here, ms. */
  at: number;
  name: string;
  document: D;
  /** What it grew from; null when it was never stored. */
  base: Base<D> | null;
  /** Why the server did not take it, when it said no for good; empty otherwise. */
  refused: string;
  /** Somebody else changed the same work meanwhile: a person must choose. */
  conflicts: boolean;
}

type Key = Pick<Draft<unknown>, 'kind' | 'id' | 'tab'>;

/** What the server last said of a piece of work, to be looked at while the server is away. */
interface Copy {
  kind: string;
  id: string;
  at: number;
  work: Work<unknown>;
}

interface Kept extends DBSchema {
  drafts: { key: [string, string, string]; value: Draft<unknown> };
  copies: { key: [string, string]; value: Copy; indexes: { byAge: [string, number] } };
}

const keepCopies = 40;
let opened: Promise<IDBPDatabase<Kept>> | null = null;

function database(): Promise<IDBPDatabase<Kept>> {
  opened ??= openDB<Kept>(keptUnder('juxtopsis'), 1, {
    upgrade(db) {
      db.createObjectStore('drafts', { keyPath: ['kind', 'id', 'tab'] });
      db.createObjectStore('copies', { keyPath: ['kind', 'id'] }).createIndex('byAge', ['kind', 'at']);
    },
    // A newer page wants another shape of it: let go, and open it again when it is next needed.
    blocking: () => void opened?.then((db) => db.close()).finally(() => (opened = null)),
    terminated: () => (opened = null),
  }).catch((fault: unknown) => {
    opened = null;
    throw fault;
  });
  return opened;
}

let lastAt = 0;

/** The time, later than it ever was before: two drafts are never of the same moment. */
export const moment = (): number => (lastAt = Math.max(Date.now(), lastAt + 1));

/** What the browser does; false or nothing where it gives no room or no database at all. */
async function attempt<T>(action: (db: IDBPDatabase<Kept>) => Promise<T>, otherwise: T): Promise<T> {
  try {
    return await action(await database());
  } catch {
    return otherwise;
  }
}

/** What the browser has no room for; it lasts as long as this page. */
const onlyHere = new Map<string, Draft<unknown>>();
const keyOf = ({ kind, id, tab }: Key) => `${kind}/${id}/${tab}`;

/** Keeps unsaved work in this browser; false when the browser has no room for it, and it lasts only as long as this page. */
export async function putDraft(draft: Draft<unknown>): Promise<boolean> {
  onlyHere.set(keyOf(draft), draft);
  const kept = await attempt(async (db) => {
    await db.put('drafts', draft);
    return true;
  }, false);
  if (kept && onlyHere.get(keyOf(draft)) === draft) {
    onlyHere.delete(keyOf(draft));
  }
  return kept;
}

const leftUnder = () => `${keptUnder('juxtopsis.leaving')}/`;

/** Keeps unsaved work while the page goes: what is written to the database then may not arrive. It is taken over there when it is asked for next. */
export function leaveDraft(draft: Draft<unknown>): void {
  try {
    localStorage.setItem(leftUnder() + keyOf(draft), JSON.stringify(draft));
  } catch {
    // Without room for it there is still the database.
  }
}

/** What pages left as they went. */
function draftsLeft(): Draft<unknown>[] {
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(leftUnder()))
    .flatMap((key) => {
      try {
        return [JSON.parse(localStorage.getItem(key)!) as Draft<unknown>];
      } catch {
        localStorage.removeItem(key);
        return [];
      }
    });
}

async function takeOver(): Promise<void> {
  for (const draft of draftsLeft()) {
    await attempt(async (db) => {
      const drafts = db.transaction('drafts', 'readwrite');
      if (((await drafts.store.get([draft.kind, draft.id, draft.tab]))?.at ?? -Infinity) < draft.at) {
        await drafts.store.put(draft);
      }
      await drafts.done;
      localStorage.removeItem(leftUnder() + keyOf(draft));
    }, undefined);
  }
}

/** Forgets a draft that is stored now; one that was written anew since `at` stays. */
export async function dropDraft({ kind, id, tab }: Key, at = Infinity): Promise<void> {
  if ((onlyHere.get(keyOf({ kind, id, tab }))?.at ?? Infinity) <= at) {
    onlyHere.delete(keyOf({ kind, id, tab }));
  }
  for (const left of draftsLeft().filter((d) => keyOf(d) === keyOf({ kind, id, tab }) && d.at <= at)) {
    localStorage.removeItem(leftUnder() + keyOf(left));
  }
  await attempt(async (db) => {
    const drafts = db.transaction('drafts', 'readwrite');
    if (((await drafts.store.get([kind, id, tab]))?.at ?? Infinity) <= at) {
      await drafts.store.delete([kind, id, tab]);
    }
    await drafts.done;
  }, undefined);
}

/** All unsaved work that no other open page is busy with, newest first. */
export async function draftsHere(kind?: string, id?: string): Promise<Draft<unknown>[]> {
  await takeOver();
  const [kept, isOpen] = await Promise.all([attempt((db) => db.getAll('drafts'), []), openTabs()]);
  const newest = [...kept.filter((d) => !onlyHere.has(keyOf(d))), ...onlyHere.values()];
  return newest
    .filter((d) => (kind === undefined || d.kind === kind) && (id === undefined || d.id === id))
    .filter((d) => d.tab === thisTab || !isOpen(d.tab, d.at))
    .sort((a, b) => b.at - a.at);
}

/** Keeps what the server said; of each kind the newest stay. */
export const putCopy = (kind: string, work: Work<unknown>): Promise<void> =>
  attempt(async (db) => {
    const all = db.transaction('copies', 'readwrite');
    await all.store.put({ kind, id: work.id, at: Date.now(), work });
    const old = await all.store.index('byAge').getAllKeys(IDBKeyRange.bound([kind, -Infinity], [kind, Infinity]));
    await Promise.all(old.slice(0, Math.max(0, old.length - keepCopies)).map((key) => all.store.delete(key)));
    await all.done;
  }, undefined);

export const copyOf = async (kind: string, id: string): Promise<Work<unknown> | null> =>
  (await attempt((db) => db.get('copies', [kind, id]), undefined))?.work ?? null;

/** True when a piece of work can be shown without the server. */
export const isHere = async (kind: string, id: string): Promise<boolean> =>
  (await copyOf(kind, id)) !== null || (await draftsHere(kind, id)).length > 0;
