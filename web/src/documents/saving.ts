import type { StoreApi } from 'zustand';
import type { Failure, Work } from '../api/client';
import type { AnyDocument, Base, Saving } from './documentStore';
import { copyOf, draftsHere, dropDraft, leaveDraft, moment, putCopy, putDraft, type Draft } from './drafts';
import type { Content } from './history';
import { says } from './merging';
import { cannotRead, flush, register, send, setOnPage, type Kind } from './outbox';
import { thisTab } from './tabs';

/** How a store is saved. */
export interface Keeping<D> extends Kind<D> {
  store: Pick<StoreApi<AnyDocument<D>>, 'getState' | 'setState' | 'subscribe'>;
  /** What must be there before anything is opened. */
  ready: Promise<unknown>;
}

const pauseMs = 500;
const noteMs = 150;
const retryMs = 2500;
const refreshMs = 15_000;

/** Work that was begun here, and of which the server has not heard. */
const neverStored: Failure = { kind: 'missing', say: '' };

const textOf = ({ name, document }: Content<unknown>) => JSON.stringify([name, document]);
const baseOf = <D>({ name, document, revision, updatedAt, deletedAt }: Work<D>): Base<D> => ({
  name,
  document,
  revision,
  updatedAt,
  deletedAt,
});

/**
 * Saves what is in a store by itself, half a second after each change, and keeps it in this browser until it is stored. What is
 * left unsaved for another goes by way of the outbox.
 */
export function keep<D>({ kind, store, works, ready, upgraded }: Keeping<D>) {
  register<D>({
    kind,
    works,
    upgraded,
    onStored(draft, work) {
      // It was left, and may be on the page again as it was: then it is stored now.
      if (store.getState().id === draft.id && textOf(store.getState()) === textOf(draft)) {
        setClean(draft);
        store.setState({ base: baseOf(work), saving: { kind: 'saved', at: work.updatedAt } });
      }
    },
  });
  let pausing: ReturnType<typeof setTimeout> | undefined;
  let noting: ReturnType<typeof setTimeout> | undefined;
  let openings = 0;
  /** What was begun on this page and its view has not opened yet: nobody knows it better than the page. */
  let begun = '';
  /** The pieces of which a write is on its way. */
  const inFlight = new Set<string>();
  /** The content that is known to be stored, so that taking a change back leaves nothing to save. */
  let clean = '';

  const isDirty = () => textOf(store.getState()) !== clean;
  const mark = (saving: Saving<D>) => store.setState({ saving });
  const setClean = (content: Content<D> | null) => (clean = content ? textOf(content) : '');
  const schedule = (ms: number) => {
    clearTimeout(pausing);
    pausing = setTimeout(() => void save(), ms);
  };

  function draftNow(): Draft<D> {
    const { id, name, document, base } = store.getState();
    return { kind, id, tab: thisTab, at: moment(), name, document, base, refused: '', conflicts: false };
  }

  /** Keeps in this browser what is not stored; what is stored needs no keeping. */
  async function note(): Promise<void> {
    clearTimeout(noting);
    noting = undefined;
    const draft = draftNow();
    if (draft.id === '') {
      return;
    }
    if (!isDirty()) {
      await dropDraft(draft);
      return;
    }
    const cannotKeep = !(await putDraft(draft));
    if (store.getState().id === draft.id && store.getState().cannotKeep !== cannotKeep) {
      store.setState({ cannotKeep });
    }
  }

  /** Saves what has changed; called by itself as one works, and again until it succeeds. */
  async function save(): Promise<void> {
    clearTimeout(pausing);
    const { id, name, problems, saving } = store.getState();
    if (id === '' || inFlight.has(id) || saving.kind === 'conflict') {
      return;
    }
    if (!isDirty()) {
      await (saving.kind === 'away' ? lookAgain() : settle());
      return;
    }
    if (problems.length > 0 || name.trim() === '') {
      mark({ kind: 'held' });
      return;
    }

    inFlight.add(id);
    if (saving.kind !== 'away') {
      mark({ kind: 'saving' });
    }
    const draft = draftNow();
    const outcome = await send(works, draft);
    inFlight.delete(id);
    if (store.getState().id !== id) {
      return;
    }
    switch (outcome.kind) {
      case 'stored':
        setClean(draft);
        store.setState({ base: baseOf(outcome.work), saving: { kind: 'saved', at: outcome.work.updatedAt } });
        void putCopy(kind, outcome.work);
        if (isDirty()) {
          mark({ kind: 'unsaved' });
          schedule(pauseMs);
        }
        await note();
        break;
      case 'conflict':
        mark({ kind: 'conflict', theirs: outcome.current });
        break;
      case 'away':
      case 'missing':
      case 'refused':
        // Told only once the change is kept in this browser, which the words promise.
        await note();
        if (store.getState().id !== id || store.getState().saving.kind === 'conflict') {
          return;
        }
        if (outcome.kind === 'away') {
          mark({ kind: 'away', say: outcome.say });
          schedule(retryMs);
        } else {
          // The server was quicker than the page to find the fault; where the page marks it meanwhile, that says more.
          mark(store.getState().problems.length > 0 ? { kind: 'held' } : { kind: 'refused', say: outcome.say });
        }
    }
  }

  /** A change was taken back: there is nothing to save. */
  async function settle(): Promise<void> {
    mark({ kind: 'saved', at: store.getState().base?.updatedAt ?? '' });
    await note();
  }

  /** Shows what is on the server. Somebody else's change of what is on the page is a step of history. */
  function show(work: Work<D>): void {
    const now = store.getState();
    const saving = { kind: 'saved', at: work.updatedAt } as const;
    // The server writes documents down in its own way: what it held before tells whether it holds something else now.
    const unchanged = says(now, work) || (!isDirty() && now.base !== null && says(now.base, work));
    if (now.id === work.id && unchanged) {
      setClean(now);
      store.setState({ base: baseOf(work), saving });
    } else {
      setClean(work);
      if (now.id === work.id && now.base !== null) {
        now.adopt(baseOf(work), work, saving);
      } else {
        now.open(work.id, baseOf(work), work, saving);
      }
    }
    void putCopy(kind, work);
    void note();
  }

  /** Shows what is not on the server as it is here, and saves it, now or when the server is back. */
  function showUnsaved(id: string, content: Content<D>, base: Base<D> | null, saving: Saving<D>): void {
    setClean(null);
    store.getState().open(id, base, content, saving);
    void note();
    if (saving.kind !== 'conflict' && saving.kind !== 'refused') {
      schedule(saving.kind === 'away' ? retryMs : 0);
    }
  }

  /** A draft in the shape of now, with what it grew from; null when it cannot be read. */
  async function current(draft: Draft<D>): Promise<Draft<D> | null> {
    const { base } = draft;
    const [document, before] = await Promise.all([upgraded(draft.document), base && upgraded(base.document)]);
    return document && { ...draft, document, base: base && before && { ...base, document: before } };
  }

  /** Opens what is on the server, with the work in this browser that was not saved yet. */
  async function open(id: string): Promise<Failure | null> {
    const turn = ++openings;
    setOnPage(kind, id);
    const isBegun = begun === id;
    begun = '';
    if (store.getState().id === id && (isDirty() || isBegun)) {
      // It is on the page as it was left.
      schedule(0);
      return null;
    }
    clearTimeout(pausing);
    const before = textOf(store.getState());
    const kept = (await draftsHere(kind, id))[0] as Draft<D> | undefined;
    const [found, copy] = await Promise.all([kept?.base === null ? neverStored : works.read(id), copyOf(kind, id), ready]);
    const now = store.getState();
    if (turn !== openings || (now.id === id && textOf(now) !== before)) {
      // Another was opened since; or it was on the page already, and a hand was quicker than the server: what it did stands.
      return null;
    }

    const unsaved = kept && (await current(kept));
    if (unsaved === null) {
      return cannotRead;
    }
    if (kept && kept.tab !== thisTab) {
      // It is this page's from now on.
      await putDraft({ ...kept, tab: thisTab });
      await dropDraft(kept);
    }

    if (found !== null && 'id' in found) {
      if (!unsaved || says(unsaved, found)) {
        show(found);
      } else {
        // Whether somebody else changed it meanwhile, or only an answer got lost, the server tells when it is saved.
        showUnsaved(id, unsaved, unsaved.base?.revision === found.revision ? baseOf(found) : unsaved.base, { kind: 'unsaved' });
      }
      return null;
    }
    if (unsaved && found) {
      showUnsaved(id, unsaved, found.kind === 'missing' ? null : unsaved.base, found.kind === 'missing' ? { kind: 'unsaved' } : found);
      return null;
    }
    if (copy && found?.kind === 'away') {
      const work = copy as Work<D>;
      const document = await upgraded(work.document);
      if (document === null) {
        return found;
      }
      const content = { name: work.name, document };
      setClean(content);
      store.getState().open(id, baseOf(work), content, found);
      schedule(retryMs);
      return null;
    }
    return found;
  }

  /** Opens what is not stored anywhere yet, and stores it. What was on the page before goes its own way. */
  function openNew(id: string, content: Content<D>): void {
    leave();
    openings++;
    setOnPage(kind, id);
    begun = id;
    showUnsaved(id, content, null, { kind: 'unsaved' });
  }

  /** What is on the page is left: what of it is not stored goes by way of the outbox. */
  function leave(): void {
    clearTimeout(pausing);
    const noted = note();
    setOnPage(kind, null);
    void noted.then(flush);
  }

  /** The ways out of a conflict; none of them loses anything that the person did not choose to lose. */
  function keepMine(theirs: Work<D>): void {
    setClean(null);
    store.setState({ base: baseOf(theirs), saving: { kind: 'unsaved' } });
    schedule(0);
  }

  /** Both changes, as they were put together. */
  function keepMerged(theirs: Work<D>, merged: Content<D>): void {
    setClean(null);
    store.getState().adopt(baseOf(theirs), merged, { kind: 'unsaved' });
    schedule(0);
  }

  function keepBoth(theirs: Work<D>, id: string, name: string): void {
    const { document } = store.getState();
    show(theirs);
    openNew(id, { name, document });
  }

  /** Looks whether someone else changed what is open, and shows it where nothing of one's own stands against it. */
  async function refresh(): Promise<void> {
    if (!document.hidden && store.getState().saving.kind === 'saved') {
      await lookAgain();
    }
  }

  async function lookAgain(): Promise<void> {
    const { id, base } = store.getState();
    if (base === null || inFlight.has(id)) {
      return;
    }
    const found = await works.read(id, base.revision);
    const now = store.getState();
    if (now.id !== id || isDirty() || now.base?.revision !== base.revision) {
      return;
    }
    if (found === null) {
      mark({ kind: 'saved', at: base.updatedAt });
    } else if ('id' in found) {
      show(found);
    } else if (now.saving.kind === 'away') {
      schedule(retryMs);
    }
  }

  /** Starts saving by itself; stops with the returned function. */
  function autosave(): () => void {
    const unsubscribe = store.subscribe((state, before) => {
      if (state.saving.kind === 'held' && state.problems.length === 0 && before.problems.length > 0) {
        // What was at fault is mended, or was found to be none, a moment after it was tried.
        schedule(0);
      } else if (state.saving.kind === 'refused' && state.problems.length > 0) {
        mark({ kind: 'held' });
      }
      if (state.id !== before.id || (state.name === before.name && state.document === before.document)) {
        return;
      }
      // A hand that drags is not held up by keeping; leaving the page does not wait for the moment.
      noting ??= setTimeout(() => void note(), noteMs);
      const { kind: stands } = store.getState().saving;
      if (stands === 'conflict') {
        return;
      }
      if (stands === 'saved' && isDirty()) {
        mark({ kind: 'unsaved' });
      }
      // What is taken back is settled, whatever kept it from being saved.
      if (isDirty() || stands !== 'saved') {
        schedule(pauseMs);
      }
    });
    const retryNow = () => void (store.getState().saving.kind === 'away' ? save() : refresh());
    const interval = setInterval(() => void refresh(), refreshMs);
    const hide = () => {
      if (noting !== undefined && isDirty()) leaveDraft(draftNow());
      void note();
    };
    const warn = (event: BeforeUnloadEvent) => {
      if (store.getState().cannotKeep && isDirty()) {
        event.preventDefault();
      }
    };
    window.addEventListener('online', retryNow);
    window.addEventListener('focus', retryNow);
    window.addEventListener('pagehide', hide);
    window.addEventListener('beforeunload', warn);
    return () => {
      unsubscribe();
      clearInterval(interval);
      window.removeEventListener('online', retryNow);
      window.removeEventListener('focus', retryNow);
      window.removeEventListener('pagehide', hide);
      window.removeEventListener('beforeunload', warn);
    };
  }

  return { kind, save, leave, open, openNew, keepMine, takeTheirs: show, keepMerged, keepBoth, autosave };
}

export type Keeper<D> = ReturnType<typeof keep<D>>;
