import type { StoreApi } from 'zustand';
import type { Failure, Work, Works } from '../api/client';
import type { Drafts } from './drafts';

/** Where saving stands: the quiet word in the corner. */
export type Saving<D> =
  | { kind: 'saved'; at: string }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  | { kind: 'held' }
  | { kind: 'away'; say: string }
  | { kind: 'refused'; say: string }
  | { kind: 'conflict'; theirs: Work<D> };

/** What is saved. */
export interface Content<D> {
  name: string;
  document: D;
}

/** What a store must have to be saved by itself. */
export interface Saved<D> extends Content<D> {
  id: string;
  /** The stored revision that the content grew from; null before it is first stored. */
  revision: number | null;
  deletedAt: string | null;
  saving: Saving<D>;
  /** What keeps it from being saved as it is. */
  problems: unknown[];
  open: (id: string, revision: number | null, content: Content<D>, saving: Saving<D>, deletedAt?: string | null) => void;
  mark: (saving: Saving<D>, revision?: number) => void;
}

/** How a store is saved. */
export interface Keeping<D> {
  store: Pick<StoreApi<Saved<D>>, 'getState' | 'setState' | 'subscribe'>;
  works: Works<D, unknown>;
  drafts: Drafts<D>;
  /** What must be there before anything is opened. */
  ready: Promise<unknown>;
  /** True when two versions say different things, however they are written down. */
  differs: (mine: Content<D>, theirs: Content<D>) => boolean;
}

const pauseMs = 500;
const noteMs = 150;
const retryMs = 2500;
const refreshMs = 15_000;

const contentText = (c: { name: string; document: unknown }) => JSON.stringify([c.name, c.document]);

/** Saves what is in a store by itself, half a second after each change, and keeps it in this browser until it is stored. */
export function keep<D>({ store, works, drafts, ready, differs }: Keeping<D>) {
  let timer: ReturnType<typeof setTimeout> | undefined;
  let inFlight = false;
  /** What is known to be stored, so that taking a change back leaves nothing to save. */
  let stored: { id: string; text: string; at: string } = { id: '', text: '', at: '' };

  let noting: ReturnType<typeof setTimeout> | undefined;

  /** Notes in this browser what is on the page and whether all of it is stored. */
  function remember(): void {
    clearTimeout(noting);
    noting = undefined;
    const { id, name, document, revision } = store.getState();
    if (stored.id === id) {
      drafts.write(id, { name, document, revision, unsaved: contentText({ name, document }) !== stored.text });
    }
  }

  /** The same in a moment: a hand that drags is not held up by it. Leaving the page does not wait for the moment. */
  function rememberSoon(): void {
    noting ??= setTimeout(remember, noteMs);
  }

  function schedule(ms: number): void {
    clearTimeout(timer);
    timer = setTimeout(() => void save(), ms);
  }

  /** Saves what has changed; called by itself as one works, and again until it succeeds. */
  async function save(): Promise<void> {
    clearTimeout(timer);
    const { id, name, document, revision, problems, saving, mark } = store.getState();
    if (inFlight || saving.kind === 'conflict' || stored.id !== id) {
      return;
    }
    if (contentText({ name, document }) === stored.text && (saving.kind === 'unsaved' || saving.kind === 'held')) {
      mark({ kind: 'saved', at: stored.at });
      return;
    }
    if (problems.length > 0 || name.trim() === '') {
      mark({ kind: 'held' });
      return;
    }

    inFlight = true;
    if (saving.kind !== 'away') {
      mark({ kind: 'saving' });
    }
    const outcome = await works.write(id, revision, name, document);
    inFlight = false;
    if (store.getState().id !== id) {
      return;
    }

    switch (outcome.kind) {
      case 'stored':
        stored = { id, text: contentText({ name, document }), at: outcome.work.updatedAt };
        mark({ kind: 'saved', at: outcome.work.updatedAt }, outcome.work.revision);
        store.setState({ deletedAt: null });
        followUp();
        break;
      case 'conflict':
        mark({ kind: 'conflict', theirs: outcome.current });
        break;
      case 'away':
        mark({ kind: 'away', say: outcome.say });
        schedule(retryMs);
        break;
      case 'missing':
        // Another server's comparison, or one whose database was replaced: keep the work by making it here.
        mark({ kind: 'unsaved' }, undefined);
        store.setState({ revision: null });
        schedule(0);
        break;
      case 'refused':
        mark({ kind: 'refused', say: outcome.say });
    }
  }

  /** Before another takes the place of this one. */
  function leave(): void {
    remember();
    void save();
  }

  function followUp(): void {
    remember();
    if (contentText(store.getState()) !== stored.text) {
      store.getState().mark({ kind: 'unsaved' });
      schedule(pauseMs);
    }
  }

  function show(work: Work<D>): void {
    const { id, name, document, revision, updatedAt, deletedAt } = work;
    stored = { id, text: contentText({ name, document }), at: updatedAt };
    store.getState().open(id, revision, { name, document }, { kind: 'saved', at: updatedAt }, deletedAt);
    remember();
  }

  /** Opens what is on the server, with the work in this browser that was not saved yet. */
  async function open(id: string): Promise<Failure | null> {
    clearTimeout(timer);
    const before = store.getState();
    const [found] = await Promise.all([works.read(id), ready]);
    const bench = store.getState();
    if (before.id === id && bench.id === id && contentText(before) !== contentText(bench)) {
      // It was on the page already and somebody's hand was quicker than the server: what they did stands, and is being saved.
      return null;
    }
    const draft = drafts.read(id);
    if (found !== null && 'id' in found) {
      show(found);
      if (draft?.unsaved && differs(draft, found)) {
        if (draft.revision === found.revision) {
          bench.open(id, found.revision, draft, { kind: 'unsaved' });
          schedule(0);
        } else {
          bench.open(id, draft.revision, draft, { kind: 'conflict', theirs: found });
        }
      }
      drafts.forgetOld();
      return null;
    }

    if (draft && (draft.unsaved || found?.kind === 'away')) {
      stored = { id, text: draft.unsaved ? '' : contentText(draft), at: '' };
      const missing = found?.kind === 'missing';
      bench.open(id, missing ? null : draft.revision, draft, found?.kind === 'away' ? found : { kind: 'unsaved' });
      schedule(missing ? 0 : retryMs);
      return null;
    }
    return found;
  }

  /** Opens what is not stored anywhere yet, and stores it. */
  function openNew(id: string, content: { name: string; document: D }): void {
    stored = { id, text: '', at: '' };
    store.getState().open(id, null, content, { kind: 'unsaved' });
    remember();
    schedule(0);
  }

  /** The three ways out of a conflict; none of them loses anything that the person did not choose to lose. */
  function keepMine(theirs: Work<D>): void {
    stored = { id: theirs.id, text: '', at: '' };
    store.getState().mark({ kind: 'unsaved' }, theirs.revision);
    schedule(0);
  }

  function takeTheirs(theirs: Work<D>): void {
    show(theirs);
  }

  /** Looks whether someone else changed what is open, and shows it where nothing of one's own stands against it. */
  async function refresh(): Promise<void> {
    const { id, revision, saving } = store.getState();
    if (document.hidden || saving.kind !== 'saved' || revision === null || inFlight) {
      return;
    }
    const found = await works.read(id, revision);
    const now = store.getState();
    if (found !== null && 'id' in found && now.id === id && now.saving.kind === 'saved' && now.revision === revision) {
      show(found);
    }
  }

  /** Starts saving by itself; stops with the returned function. */
  function autosave(): () => void {
    const unsubscribe = store.subscribe((state, before) => {
      if (state.id !== before.id || (state.name === before.name && state.document === before.document)) {
        return;
      }
      rememberSoon();
      if (state.saving.kind !== 'conflict') {
        if (state.saving.kind === 'saved') {
          state.mark({ kind: 'unsaved' });
        }
        schedule(pauseMs);
      }
    });
    const retryNow = () => void (store.getState().saving.kind === 'away' ? save() : refresh());
    const interval = setInterval(() => void refresh(), refreshMs);
    window.addEventListener('online', retryNow);
    window.addEventListener('focus', retryNow);
    window.addEventListener('pagehide', remember);
    return () => {
      unsubscribe();
      clearInterval(interval);
      window.removeEventListener('online', retryNow);
      window.removeEventListener('focus', retryNow);
      window.removeEventListener('pagehide', remember);
    };
  }

  return { save, leave, open, openNew, keepMine, takeTheirs, autosave };
}

export type Keeper<D> = ReturnType<typeof keep<D>>;
