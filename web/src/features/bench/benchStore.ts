import { create } from 'zustand';
import type { ComparisonDocument } from '../../api/client';
import {
  core,
  isFocused,
  type Chain,
  type Conventions,
  type Diagnostic,
  type LensInput,
  type RigInput,
  type RigReport,
  type SceneInput,
  type Setup,
  type Words,
} from '../../core/core';
import { holdNothing, useSettings, type Hold } from '../../app/settings';
import { oneLine, plain, withUnit } from '../../ui/format';
import { rigLetter } from '../../ui/RigMark';
import type { Content as Kept, Saved } from '../../works/saving';
import { chainOf, fromParts, nameOf } from './chains';
import { changedAlone, follow, holds, noNotes, type HoldNotes, type Lead } from './holding';
import { usePanel } from './panels/panelStore';
import { behind, distanceOf, withSubjectAt } from './standing';
import { comparisonVersion } from './upgraded';

type Content = Kept<ComparisonDocument>;

interface BenchState extends Saved<ComparisonDocument> {
  past: Content[];
  future: Content[];
  /** The last answer that could be given; stays on screen while a field is at fault. */
  reports: RigReport[];
  /** For each rig the last report with a plane of focus; stays, dimmed, while there is none. */
  lastFocused: (RigReport | null)[];
  problems: Diagnostic[];
  /** The setup that the last answer is of; the one on the page, unless a field of that is at fault. */
  answered: Setup;
  words: Words;
  /** What gave in the last change so that what is held stays equal. */
  holdNotes: HoldNotes;

  change: (what: string, recipe: (content: Content) => Content, hold?: Hold) => void;
  undo: () => void;
  redo: () => void;
}

const historyLimit = 200;
const mergeWithinMs = 900;
/** One empty list, so that nothing is drawn anew because of it. */
const noProblems: Diagnostic[] = [];
const noWords: Words = { conventions: [], reasons: [], problems: noProblems };
/** While a hand drags, numbers in sentences follow this much later than the figures. */
const wordsAfterMs = 90;
let lastChange = { what: '', at: 0 };
let wording: ReturnType<typeof setTimeout> | undefined;

type Evaluated = Pick<BenchState, 'reports' | 'lastFocused' | 'problems' | 'words'>;
type Answer = Partial<Evaluated & Pick<BenchState, 'answered'>>;

const feet = () => useSettings.getState().feet;

/** Evaluates a setup. Sentences are made anew at once when other ones are due, and a moment later when only their numbers change. */
function evaluate(setup: Setup, before: Evaluated & Pick<BenchState, 'answered'>): Answer {
  clearTimeout(wording);
  const reports = core().evaluate(setup);
  if (!reports) {
    return { problems: core().words(setup, feet()).problems };
  }
  const sameRigs = before.reports.length === reports.length;
  const lastFocused = reports.map((report, i) => (isFocused(report) ? report : sameRigs ? (before.lastFocused[i] ?? null) : null));
  const same =
    before.answered.conventions === setup.conventions &&
    before.reports.length === reports.length &&
    reports.every((report, i) => report.reasons === before.reports[i]!.reasons);
  if (same) {
    if (reports.some((report) => report.reasons !== 0)) {
      wording = setTimeout(sayAgain, wordsAfterMs);
    }
    return { problems: noProblems, answered: setup, reports, lastFocused };
  }
  return { problems: noProblems, answered: setup, reports, lastFocused, words: core().words(setup, feet()) };
}

/** Makes the sentences anew for what is on the page. */
export function sayAgain(): void {
  const { document, problems, reports } = useBench.getState();
  if (problems.length === 0 && reports.length > 0) {
    useBench.setState({ words: core().words(document.setup, feet()) });
  }
}

export const useBench = create<BenchState>()((set, get) => ({
  id: '',
  name: '',
  document: { schemaVersion: comparisonVersion, note: '', setup: { scene: { subjectDistanceMm: 1 }, rigs: [] } },
  revision: null,
  deletedAt: null,
  saving: { kind: 'unsaved' },
  past: [],
  future: [],
  reports: [],
  lastFocused: [],
  problems: noProblems,
  answered: { scene: { subjectDistanceMm: 1 }, rigs: [] },
  words: noWords,
  holdNotes: noNotes,

  open(id, revision, content, saving, deletedAt = null) {
    const same = get().id === id;
    lastChange = { what: '', at: 0 };
    set({
      ...content,
      id,
      revision,
      deletedAt,
      saving,
      holdNotes: noNotes,
      ...(same ? {} : { past: [], future: [], reports: [], lastFocused: [] }),
      ...evaluate(
        content.document.setup,
        same ? get() : { answered: content.document.setup, reports: [], lastFocused: [], problems: noProblems, words: noWords },
      ),
    });
  },

  /**
   * Changes the content, and lets what is free follow what is held. Changes of the same thing in quick succession, such as a drag,
   * are one step of undo; while something is held each is made anew from where the first began, so that what gives on the way back
   * comes back too.
   */
  change(what, recipe, hold = useSettings.getState().hold) {
    const state = get();
    const now: Content = { name: state.name, document: state.document };
    const at = performance.now();
    const merge = what === lastChange.what && at - lastChange.at < mergeWithinMs && state.past.length > 0;
    const from = merge && holds(hold) ? state.past.at(-1)! : now;
    const asked = withParts(recipe(from), from);
    if (asked === now) {
      return;
    }
    const [next, holdNotes] = held(asked, from, hold);
    lastChange = { what, at };
    set({
      ...next,
      past: merge ? state.past : [...state.past.slice(-historyLimit + 1), now],
      future: [],
      ...(next.document === now.document ? {} : { holdNotes, ...evaluate(next.document.setup, state) }),
    });
  },

  undo() {
    const { past, future, name, document } = get();
    const before = past.at(-1);
    if (before) {
      lastChange = { what: '', at: 0 };
      set({
        ...before,
        holdNotes: noNotes,
        past: past.slice(0, -1),
        future: [{ name, document }, ...future],
        ...evaluate(before.document.setup, get()),
      });
    }
  },

  redo() {
    const { past, future, name, document } = get();
    const after = future[0];
    if (after) {
      lastChange = { what: '', at: 0 };
      set({
        ...after,
        holdNotes: noNotes,
        past: [...past, { name, document }],
        future: future.slice(1),
        ...evaluate(after.document.setup, get()),
      });
    }
  },

  mark: (saving, revision) => set(revision === undefined ? { saving } : { saving, revision }),
}));

/** After a change: rigs that are chains of parts get the numbers that their parts give, as they are set and delivered now. */
function withParts(next: Content, before: Content): Content {
  const { scene, rigs } = next.document.setup;
  const old = before.document.setup;
  const reshaped = scene.deliveryAspect !== old.scene.deliveryAspect;
  if (next.document === before.document || !rigs.some((rig, i) => rig.chain && (reshaped || rig !== old.rigs[i]))) {
    return next;
  }
  return withSetup(next, { rigs: rigs.map((rig, i) => (rig.chain && (reshaped || rig !== old.rigs[i]) ? fromParts(rig, scene) : rig)) });
}

/** After a change: what is free follows, so that what is held stays equal. */
function held(next: Content, before: Content, hold: Hold): [Content, HoldNotes] {
  if (next.document === before.document || !holds(hold)) {
    return [next, noNotes];
  }
  const [was, now] = [before.document.setup, next.document.setup];
  const { setup, notes } = follow(was, now, hold, hold.alike ? changedAlone(was, now) : undefined);
  return [withSetup(next, setup), notes];
}

const withSetup = (content: Content, setup: Partial<Setup>): Content => ({
  ...content,
  document: { ...content.document, setup: { ...content.document.setup, ...setup } },
});

/** True when a change would leave everything as it is; such a one is no step of undo. */
const changesNothing = (thing: object, part: object) =>
  Object.entries(part).every(
    ([key, value]) => JSON.stringify((thing as Record<string, unknown>)[key] ?? null) === JSON.stringify(value ?? null),
  );

/** Changes something of the scene. */
export function changeScene(change: Partial<SceneInput> | ((scene: SceneInput) => Partial<SceneInput>)): void {
  const of = (scene: SceneInput) => (typeof change === 'function' ? change(scene) : change);
  const what = `scene:${Object.keys(of(useBench.getState().document.setup.scene)).join()}`;
  useBench.getState().change(what, (c) => {
    const { scene } = c.document.setup;
    const part = of(scene);
    return changesNothing(scene, part) ? c : withSetup(c, { scene: { ...scene, ...part } });
  });
}

/** Changes something of one rig. */
export function changeRig(index: number, part: Partial<RigInput>): void {
  const what = `rig${index}:${Object.keys(part).join()}`;
  useBench.getState().change(what, (c) => {
    const { rigs } = c.document.setup;
    return changesNothing(rigs[index]!, part) ? c : withSetup(c, { rigs: rigs.map((rig, i) => (i === index ? { ...rig, ...part } : rig)) });
  });
}

/** Makes a rig of parts; null keeps its numbers and lets go of the parts. */
export function changeChain(index: number, chain: Chain | null, part: Partial<RigInput> = {}): void {
  const rig = useBench.getState().document.setup.rigs[index]!;
  const before = chainOf(rig);
  // A name that only tells the format is nobody's choice.
  const unnamed =
    !rig.name || core().formats.some((f) => f.name.startsWith(rig.name!)) || (before !== null && rig.name === nameOf(before.parts));
  useBench.getState().change(`rig${index}:chain${performance.now()}`, (c) => {
    const { rigs } = c.document.setup;
    const next = { ...rigs[index]!, ...part, chain: chain as RigInput['chain'], ...(chain && unnamed && { name: nameOf(chain.parts) }) };
    return withSetup(c, { rigs: rigs.map((r, i) => (i === index ? next : r)) });
  });
}

/** Changes what is known of a rig's lens. */
export function changeLens(index: number, part: Partial<LensInput>): void {
  const lens = useBench.getState().document.setup.rigs[index]!.lens ?? {};
  changeRig(index, { lens: { ...lens, ...part } });
}

/** What a solution found for a rig: where it stands, and how it is set. */
export interface Setting {
  index: number;
  /** Its distance; null when it stays where it is. */
  distanceMm: number | null;
  /** True when that moves the focus, so the subject, and not the camera. */
  focuses: boolean;
  rig: Partial<RigInput>;
}

/** Sets what solutions found, in one step of undo. A rig alone takes the scene along; beside others it stands at a distance of its own. */
export function applySolutions(settings: Setting[]): void {
  // The framing is what was asked for; it is not held against the answer.
  const hold = { ...useSettings.getState().hold, framing: false };
  const step = (c: Content) =>
    settings.reduce((content, { index, distanceMm, focuses, rig }) => {
      const { scene, rigs } = content.document.setup;
      const old = rigs[index]!;
      const set = (part: Partial<RigInput>, setup: Pick<Setup, 'scene' | 'rigs'>) =>
        withSetup(content, { ...setup, rigs: setup.rigs.map((r, i) => (i === index ? { ...r, ...rig, ...part } : r)) });
      if (distanceMm === null) {
        return set({}, { scene, rigs });
      }
      if (focuses) {
        const moved = withSubjectAt(scene.subjectDistanceMm + distanceMm - distanceOf(old, scene), scene, rigs);
        // A focus that was found may lie beyond what is behind; then that goes along rather than refusing the answer.
        const background = moved.scene.backgroundDistanceMm ?? null;
        return set(
          {},
          {
            ...moved,
            scene: {
              ...moved.scene,
              backgroundDistanceMm: background === null ? null : Math.max(background, moved.scene.subjectDistanceMm),
            },
          },
        );
      }
      return rigs.length === 1
        ? set(
            { subjectDistanceMm: null },
            { scene: { ...scene, subjectDistanceMm: distanceMm, backgroundDistanceMm: behind(scene, distanceMm) }, rigs },
          )
        : set({ subjectDistanceMm: distanceMm }, { scene, rigs });
    }, c);
  useBench.getState().change(`solution${settings.map((s) => s.index).join()}`, step, hold);
}

/** Moves the subject; all cameras stay where they are, and so does what is behind. */
export function moveSubject(mm: number): void {
  useBench.getState().change('subject', (c) => {
    const { scene, rigs } = c.document.setup;
    return mm === scene.subjectDistanceMm ? c : withSetup(c, withSubjectAt(mm, scene, rigs));
  });
}

/** Moves the camera of the rigs that stand where the scene says; what is behind the subject stays where it is. */
export const moveCamera = (mm: number): void =>
  changeScene((scene) => ({ subjectDistanceMm: mm, backgroundDistanceMm: behind(scene, mm) }));

/** Gives a rig a distance of its own, or, with null, sends it to where the scene says. */
export const standAt = (index: number, subjectDistanceMm: number | null): void => changeRig(index, { subjectDistanceMm });

/** Brings rigs to what the yardstick gives, in what is named. */
export function bringToYardstick(what: Partial<Hold>, to?: number[]): void {
  const { setup } = useBench.getState().document;
  const lead: Lead = { leader: setup.yardstick ?? 0, ...(to && { to }) };
  const { setup: brought, notes } = follow(setup, setup, { ...holdNothing, place: false, ...what }, lead);
  if (brought !== setup) {
    useBench.getState().change(`bring${performance.now()}`, (c) => withSetup(c, brought), holdNothing);
  }
  useBench.setState({ holdNotes: notes });
}

/** Changes what figures go by. */
export function changeConventions(conventions: Conventions): void {
  useBench.getState().change('conventions', (c) => withSetup(c, { conventions }));
}

/** The most rigs that stand side by side; the contract's own bound. */
export const mostRigs = 12;

/** Puts other rigs in the place of all, in one step of undo; the yardstick goes along with its rig. */
function rearrange(what: string, next: (rigs: RigInput[]) => RigInput[]): void {
  usePanel.getState().close();
  useBench.getState().change(
    `${what}${performance.now()}`,
    (c) => {
      const { rigs, yardstick = 0 } = c.document.setup;
      const after = next(rigs).slice(0, mostRigs);
      return withSetup(c, { rigs: after, yardstick: Math.max(0, after.indexOf(rigs[yardstick]!)) });
    },
    holdNothing,
  );
}

/** Puts another rig like this one beside it. */
export const duplicateRig = (index: number): void => rearrange('copy', (rigs) => rigs.toSpliced(index + 1, 0, { ...rigs[index]! }));

export const removeRig = (index: number): void => rearrange('remove', (rigs) => rigs.toSpliced(index, 1));

/** Moves a rig to another place in the row. */
export const moveRig = (from: number, to: number): void =>
  rearrange('move', (rigs) => rigs.toSpliced(from, 1).toSpliced(to, 0, rigs[from]!));

/** Puts all rigs in another order: for each place, which of the rigs stands there. */
export const orderRigs = (order: number[]): void => rearrange('order', (rigs) => order.map((i) => rigs[i]!));

/** What a row of rigs is made of. */
export interface Row {
  focalLengths: number[];
  /** The rigs whose bodies it is made on. */
  bodies: number[];
  /** Each from where it frames as the rig does that the row is made of, rather than all from one spot. */
  atOneFraming: boolean;
  replaceAll: boolean;
}

/** Makes a row of rigs, each body at each of some focal lengths, in place of one rig or of all. */
export function makeRow(index: number, { focalLengths, bodies, atOneFraming, replaceAll }: Row): void {
  const { document, reports } = useBench.getState();
  const { setup } = document;
  const { scene } = setup;
  const row = bodies.flatMap((body) => {
    const rig = setup.rigs[body]!;
    const named = bodies.length > 1 ? `${rigLetter(body)} at ` : '';
    return focalLengths.map((focalLengthMm) => {
      const next = { ...rig, focalLengthMm, ...(!rig.chain && { name: named + withUnit(plain(focalLengthMm), 'mm') }) };
      return rig.chain ? fromParts(next, scene) : next;
    });
  });
  const sizeMm = reports[index]?.figures.fieldHeightMm ?? NaN;
  const answer =
    atOneFraming && sizeMm > 0
      ? core().solve({ setup: { ...setup, rigs: row, yardstick: 0 }, goal: 'distance', sizeMm, isAcross: false }, feet())
      : [];
  const found = answer.map((of) => (Array.isArray(of) ? of[0] : undefined));
  const stood = row.map((rig, i) =>
    found[i]?.subjectDistanceMm == null
      ? rig
      : { ...rig, subjectDistanceMm: found[i].subjectDistanceMm, rackedFarther: found[i].rackedFarther },
  );
  rearrange('row', (rigs) => (replaceAll ? stood : rigs.toSpliced(index, 1, ...stood)));
  const { rigs } = useBench.getState().document.setup;
  useBench.setState({
    holdNotes: rigs.map((rig) => {
      const solution = found[stood.indexOf(rig)];
      return solution ? [{ outcome: solution.isMet ? 'followed' : 'stopped', message: solution.message, fix: solution.fix }] : [];
    }),
  });
}

/** Puts a rig with each of some chains in the place of all rigs: a row of lenses on one body. */
export function makeRowOfChains(index: number, chains: Chain[]): void {
  const { scene, rigs } = useBench.getState().document.setup;
  const row = chains.map((chain) => fromParts({ ...rigs[index]!, chain, name: nameOf(chain.parts) }, scene));
  rearrange('row', () => row);
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
