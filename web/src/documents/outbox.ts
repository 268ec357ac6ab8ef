import { create } from 'zustand';
import type { Failure, Work, Works, Write } from '../api/client';
import { draftsHere, dropDraft, moment, putDraft, type Draft } from './drafts';
import { says } from './merging';
import type { Content } from './history';
import { thisTab } from './tabs';
import { newId } from './unique';

/** A kind of work, as saving needs to know it. */
export interface Kind<D> {
  /** Its name in addresses and in this browser: comparison, production. */
  kind: string;
  works: Works<D>;
  /** A document as it is now, of one that this browser kept from before; null when it cannot be read. */
  upgraded: (document: D) => Promise<D | null>;
  /** Told when the outbox has stored a piece; the page may still hold it. */
  onStored?: (draft: Draft<D>, work: Work<D>) => void;
}

const kinds = new Map<string, Kind<unknown>>();

/** The piece of each kind that is on the page; saving that is its own affair. */
const onPage = new Map<string, string>();

export const register = <D>(kind: Kind<D>): void => void kinds.set(kind.kind, kind as Kind<unknown>);

export function setOnPage(kind: string, id: string | null): void {
  if (id === null) {
    onPage.delete(kind);
  } else {
    onPage.set(kind, id);
  }
}

/** Unsaved work that is not on the page: it goes by itself, unless a person must look at it. */
export const useOutbox = create<{ waiting: Draft<unknown>[] }>()(() => ({ waiting: [] }));

const keyOf = (kind: string, id: string) => `${kind}/${id}`;
const sending = new Map<string, Promise<unknown>>();
/** The newest revision of each piece that this page stored itself; what it sends later grew from that. */
const own = new Map<string, number>();

/** Writes a draft; writes of one piece go one after the other, those of different pieces do not wait for each other. */
export function send<D>(works: Works<D>, draft: Draft<D>): Promise<Write<D>> {
  const key = keyOf(draft.kind, draft.id);
  const next = (sending.get(key) ?? Promise.resolve()).then(async () => {
    const grewFrom = draft.base?.revision ?? null;
    const mine = draft.tab === thisTab ? (own.get(key) ?? null) : null;
    const outcome = await written(works, draft, mine === null ? grewFrom : Math.max(mine, grewFrom ?? 0));
    if (outcome.kind === 'stored' && draft.tab === thisTab) {
      own.set(key, outcome.work.revision);
    }
    return outcome;
  });
  const done = next.then(
    () => undefined,
    () => undefined,
  );
  sending.set(key, done);
  void done.then(() => sending.get(key) === done && sending.delete(key));
  return next;
}

async function written<D>(works: Works<D>, { id, name, document }: Draft<D>, base: number | null): Promise<Write<D>> {
  const outcome = await works.write(id, base, name, document);
  if (outcome.kind === 'missing' && base !== null) {
    // Another server's work, or one whose database was replaced: keep it by making it here.
    return works.write(id, null, name, document);
  }
  if (outcome.kind === 'conflict' && outcome.current.deletedAt === null && says(outcome.current, { name, document })) {
    // It is stored already; only the answer got lost.
    return { kind: 'stored', work: outcome.current };
  }
  return outcome;
}

/** What an older or newer page kept, and this one does not understand. It can be taken out as a file. */
export const cannotRead: Failure = { kind: 'refused', say: 'What this browser kept of it cannot be read by this version.' };

const busy = new Set<string>();
let again: ReturnType<typeof setTimeout> | undefined;
const againMs = 5000;

const mustBeSeen = (draft: Draft<unknown>) => draft.conflicts || draft.refused !== '';

/** Unsaved work of this browser that is not on the page. */
const pending = async () => (await draftsHere()).filter((d) => kinds.has(d.kind) && onPage.get(d.kind) !== d.id);

/** Sends all that waits in this browser, of whatever kind, but for what is on the page; again in a moment while some is left. */
export async function flush(): Promise<void> {
  clearTimeout(again);
  const found = (await pending()).filter((draft) => !mustBeSeen(draft) && !busy.has(keyOf(draft.kind, draft.id)));
  await Promise.all(found.map(flushOne));
  const waiting = await pending();
  useOutbox.setState({ waiting });
  if (waiting.some((draft) => !mustBeSeen(draft))) {
    clearTimeout(again);
    again = setTimeout(() => void flush(), againMs);
  }
}

/** Sends one; another page's of the same work waits until then. */
async function flushOne(draft: Draft<unknown>): Promise<void> {
  const key = keyOf(draft.kind, draft.id);
  if (busy.has(key)) {
    return;
  }
  busy.add(key);
  const { works, upgraded, onStored } = kinds.get(draft.kind)!;
  const document = await upgraded(draft.document);
  const outcome: Write<unknown> = document === null ? cannotRead : await send(works, { ...draft, document });
  busy.delete(key);
  if (outcome.kind === 'stored') {
    await dropDraft(draft, draft.at);
    onStored?.(draft, outcome.work);
  } else if (outcome.kind !== 'away' && onPage.get(draft.kind) !== draft.id) {
    const conflicts = outcome.kind === 'conflict';
    await putDraft({ ...draft, conflicts, refused: conflicts ? '' : outcome.say });
  }
}

/** Starts a piece of work that another view will open; it is stored whether that happens or not. Gives its identity. */
export async function startWork<D>({ kind }: Kind<D>, { name, document }: Content<D>): Promise<string> {
  const id = newId();
  await putDraft({ kind, id, tab: thisTab, at: moment(), name, document, base: null, refused: '', conflicts: false });
  return id;
}

/** Forgets unsaved work for good, as its owner asked. */
export async function throwAway(draft: Draft<unknown>): Promise<void> {
  await dropDraft(draft);
  useOutbox.setState({ waiting: await pending() });
}

/** Unsaved work that a page of before kept in the browser's plain storage; what it grew from was not kept with it. */
async function takeOver(): Promise<void> {
  for (const key of Object.keys(localStorage)) {
    const [, kind, id] = /^juxtopsis\.(comparison|production)\.(.+)$/.exec(key) ?? [];
    if (kind === undefined || id === undefined) {
      continue;
    }
    try {
      const { at, draft } = JSON.parse(localStorage.getItem(key)!) as { at: number; draft: Content<unknown> & { unsaved: boolean } };
      const { name, document, unsaved } = draft;
      if (unsaved && !(await putDraft({ kind, id, tab: 'before', at, name, document, base: null, refused: '', conflicts: false }))) {
        // There is no room for it elsewhere: it stays where it is.
        continue;
      }
    } catch {
      // It is nothing that could be read.
    }
    localStorage.removeItem(key);
  }
}

/** Empties the outbox now, and whenever the network or the person comes back. Stops with the returned function. */
export function startOutbox(): () => void {
  const go = () => void flush();
  void takeOver().then(flush);
  window.addEventListener('online', go);
  window.addEventListener('focus', go);
  return () => {
    clearTimeout(again);
    window.removeEventListener('online', go);
    window.removeEventListener('focus', go);
  };
}
