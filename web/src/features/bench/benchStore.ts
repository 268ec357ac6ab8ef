import { create } from 'zustand';
import type { Comparison, ComparisonDocument } from '../../api/client';
import { core, type FieldError, type Focus, type RigInput, type RigReport, type SceneInput, type Setup } from '../../core/core';
import { oneLine } from '../../ui/format';

/** Where saving stands: the quiet word in the corner. */
export type Saving =
  | { kind: 'saved'; at: string }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  | { kind: 'held' }
  | { kind: 'away'; say: string }
  | { kind: 'refused'; say: string }
  | { kind: 'conflict'; theirs: Comparison };

interface Content {
  name: string;
  document: ComparisonDocument;
}

interface BenchState extends Content {
  id: string;
  /** The stored revision that the content grew from; null before it is first stored. */
  revision: number | null;
  deletedAt: string | null;
  saving: Saving;
  past: Content[];
  future: Content[];
  /** The last answer that could be given; stays on screen while a field is at fault. */
  reports: RigReport[];
  /** For each rig the last focus that could be had; stays, dimmed, while the subject is too close. */
  lastFocus: (Focus | null)[];
  problems: FieldError[];

  open: (id: string, revision: number | null, content: Content, saving: Saving, deletedAt?: string | null) => void;
  change: (what: string, recipe: (content: Content) => Content) => void;
  undo: () => void;
  redo: () => void;
  mark: (saving: Saving, revision?: number) => void;
}

const historyLimit = 200;
const mergeWithinMs = 900;
/** One empty list, so that nothing is drawn anew because of it. */
const noProblems: FieldError[] = [];
let lastChange = { what: '', at: 0 };

function evaluate(setup: Setup, before: Pick<BenchState, 'reports' | 'lastFocus'>) {
  const { answer, problem } = core().evaluate(setup);
  if (problem) {
    return { problems: problem.errors };
  }
  const lastFocus = answer.reports.map((report, i) => report.focus ?? before.lastFocus[i] ?? null);
  return { problems: noProblems, reports: answer.reports, lastFocus };
}

export const useBench = create<BenchState>()((set, get) => ({
  id: '',
  name: '',
  document: { schemaVersion: 1, note: '', setup: { scene: { subjectDistanceMm: 1 }, rigs: [] } },
  revision: null,
  deletedAt: null,
  saving: { kind: 'unsaved' },
  past: [],
  future: [],
  reports: [],
  lastFocus: [],
  problems: noProblems,

  open(id, revision, content, saving, deletedAt = null) {
    const same = get().id === id;
    lastChange = { what: '', at: 0 };
    set({
      ...content,
      id,
      revision,
      deletedAt,
      saving,
      ...(same ? {} : { past: [], future: [], reports: [], lastFocus: [] }),
      ...evaluate(content.document.setup, same ? get() : { reports: [], lastFocus: [] }),
    });
  },

  /** Changes the content. Changes of the same thing in quick succession, such as a drag, are one step of undo. */
  change(what, recipe) {
    const state = get();
    const now: Content = { name: state.name, document: state.document };
    const next = recipe(now);
    const at = performance.now();
    const merge = what === lastChange.what && at - lastChange.at < mergeWithinMs && state.past.length > 0;
    lastChange = { what, at };
    set({
      ...next,
      past: merge ? state.past : [...state.past.slice(-historyLimit + 1), now],
      future: [],
      ...(next.document === now.document ? {} : evaluate(next.document.setup, state)),
    });
  },

  undo() {
    const { past, future, name, document } = get();
    const before = past.at(-1);
    if (before) {
      lastChange = { what: '', at: 0 };
      set({ ...before, past: past.slice(0, -1), future: [{ name, document }, ...future], ...evaluate(before.document.setup, get()) });
    }
  },

  redo() {
    const { past, future, name, document } = get();
    const after = future[0];
    if (after) {
      lastChange = { what: '', at: 0 };
      set({ ...after, past: [...past, { name, document }], future: future.slice(1), ...evaluate(after.document.setup, get()) });
    }
  },

  mark: (saving, revision) => set(revision === undefined ? { saving } : { saving, revision }),
}));

const withSetup = (content: Content, setup: Partial<Setup>): Content => ({
  ...content,
  document: { ...content.document, setup: { ...content.document.setup, ...setup } },
});

/** Changes something of the scene. */
export function changeScene(part: Partial<SceneInput>): void {
  const what = `scene:${Object.keys(part).join()}`;
  useBench.getState().change(what, (c) => withSetup(c, { scene: { ...c.document.setup.scene, ...part } }));
}

/** Changes something of one rig. */
export function changeRig(index: number, part: Partial<RigInput>): void {
  const what = `rig${index}:${Object.keys(part).join()}`;
  useBench
    .getState()
    .change(what, (c) => withSetup(c, { rigs: c.document.setup.rigs.map((rig, i) => (i === index ? { ...rig, ...part } : rig)) }));
}

/** Makes a rig the one that the others are measured against. */
export function setYardstick(index: number): void {
  useBench.getState().change('yardstick', (c) => withSetup(c, { yardstick: index }));
}

export function rename(name: string): void {
  useBench.getState().change('name', (c) => ({ ...c, name: oneLine(name) }));
}

export function setNote(note: string): void {
  useBench.getState().change('note', (c) => ({ ...c, document: { ...c.document, note: oneLine(note) } }));
}
