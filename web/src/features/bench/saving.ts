import { readComparison, writeComparison, type Comparison, type Failure } from '../../api/client';
import { coreReady } from '../../core/core';
import { forgetOldCopies, readDraft, writeDraft } from './drafts';
import { useBench } from './benchStore';
import { differences } from './differences';

const pauseMs = 500;
const noteMs = 150;
const retryMs = 2500;
const refreshMs = 15_000;

let timer: ReturnType<typeof setTimeout> | undefined;
let inFlight = false;
/** What is known to be stored, so that taking a change back leaves nothing to save. */
let stored: { id: string; text: string; at: string } = { id: '', text: '', at: '' };

const contentText = (c: { name: string; document: unknown }) => JSON.stringify([c.name, c.document]);

let noting: ReturnType<typeof setTimeout> | undefined;

/** Notes in this browser what is on the page and whether all of it is stored. */
function remember(): void {
  clearTimeout(noting);
  noting = undefined;
  const { id, name, document, revision } = useBench.getState();
  if (stored.id === id) {
    writeDraft(id, { name, document, revision, unsaved: contentText({ name, document }) !== stored.text });
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
export async function save(): Promise<void> {
  clearTimeout(timer);
  const { id, name, document, revision, problems, saving, mark } = useBench.getState();
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
  const outcome = await writeComparison(id, revision, name, document);
  inFlight = false;
  if (useBench.getState().id !== id) {
    return;
  }

  switch (outcome.kind) {
    case 'stored':
      stored = { id, text: contentText({ name, document }), at: outcome.comparison.updatedAt };
      mark({ kind: 'saved', at: outcome.comparison.updatedAt }, outcome.comparison.revision);
      useBench.setState({ deletedAt: null });
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
      useBench.setState({ revision: null });
      schedule(0);
      break;
    case 'refused':
      mark({ kind: 'refused', say: outcome.say });
  }
}

/** Before another comparison takes the place of this one. */
export function leave(): void {
  remember();
  void save();
}

function followUp(): void {
  remember();
  if (contentText(useBench.getState()) !== stored.text) {
    useBench.getState().mark({ kind: 'unsaved' });
    schedule(pauseMs);
  }
}

function show(comparison: Comparison): void {
  const { id, name, document, revision, updatedAt, deletedAt } = comparison;
  stored = { id, text: contentText({ name, document }), at: updatedAt };
  useBench.getState().open(id, revision, { name, document }, { kind: 'saved', at: updatedAt }, deletedAt);
  remember();
}

/** Opens a comparison from the server, with the work in this browser that was not saved yet. */
export async function openComparison(id: string): Promise<Failure | null> {
  clearTimeout(timer);
  const before = useBench.getState();
  const [found] = await Promise.all([readComparison(id), coreReady]);
  const bench = useBench.getState();
  if (before.id === id && bench.id === id && contentText(before) !== contentText(bench)) {
    // It was on the page already and somebody's hand was quicker than the server: what they did stands, and is being saved.
    return null;
  }
  const draft = readDraft(id);
  if (found !== null && 'id' in found) {
    show(found);
    if (draft?.unsaved && differences(draft, found).length > 0) {
      if (draft.revision === found.revision) {
        bench.open(id, found.revision, draft, { kind: 'unsaved' });
        schedule(0);
      } else {
        bench.open(id, draft.revision, draft, { kind: 'conflict', theirs: found });
      }
    }
    forgetOldCopies();
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

/** Opens a comparison that is not stored anywhere yet, and stores it. */
export function openNew(id: string, content: { name: string; document: Comparison['document'] }): void {
  stored = { id, text: '', at: '' };
  useBench.getState().open(id, null, content, { kind: 'unsaved' });
  remember();
  schedule(0);
}

/** The three ways out of a conflict; none of them loses anything that the person did not choose to lose. */
export function keepMine(theirs: Comparison): void {
  stored = { id: theirs.id, text: '', at: '' };
  useBench.getState().mark({ kind: 'unsaved' }, theirs.revision);
  schedule(0);
}

export function takeTheirs(theirs: Comparison): void {
  show(theirs);
}

/** Looks whether someone else changed what is open, and shows it where nothing of one's own stands against it. */
async function refresh(): Promise<void> {
  const { id, revision, saving } = useBench.getState();
  if (document.hidden || saving.kind !== 'saved' || revision === null || inFlight) {
    return;
  }
  const found = await readComparison(id, revision);
  const now = useBench.getState();
  if (found !== null && 'id' in found && now.id === id && now.saving.kind === 'saved' && now.revision === revision) {
    show(found);
  }
}

/** Starts saving by itself; stops with the returned function. */
export function autosave(): () => void {
  const unsubscribe = useBench.subscribe((state, before) => {
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
  const retryNow = () => void (useBench.getState().saving.kind === 'away' ? save() : refresh());
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
