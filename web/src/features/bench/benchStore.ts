import { useSettings } from '../../app/settings';
import { core, isFocused, type Diagnostic, type RigReport, type Setup, type Words } from '../../core/core';
import type { ComparisonDocument } from '../../api/client';
import { createDocumentStore } from '../../documents/documentStore';
import type { Content as Kept } from '../../documents/history';
import { fromParts } from '../../gear/chains';
import { changedAlone, follow, holds, noNotes, type HoldNotes, holdOf, type Hold } from './holding';
import { comparisonVersion } from '../../documents/kinds';

export type Content = Kept<ComparisonDocument>;

/** What is reckoned of a comparison. */
interface Evaluated {
  /** The last answer that could be given; stays on screen while a field is at fault. */
  reports: RigReport[];
  /** For each rig, by its identity, the last report with a plane of focus; stays, dimmed, while there is none. */
  lastFocused: Record<string, RigReport>;
  problems: Diagnostic[];
  /** The setup that the last answer is of; the one on the page, unless a field of that is at fault. */
  answered: Setup;
  words: Words;
  /** What gave in the last change so that what is held stays equal. */
  holdNotes: HoldNotes;
}

/** One empty list, so that nothing is drawn anew because of it. */
const noProblems: Diagnostic[] = [];
const noWords: Words = { conventions: [], reasons: [], problems: noProblems };
const nothing: Setup = { scene: { subjectDistanceMm: 1 }, rigs: [] };
/** While a hand drags, numbers in sentences follow this much later than the figures. */
const wordsAfterMs = 90;
let wording: ReturnType<typeof setTimeout> | undefined;

const feet = () => useSettings.getState().feet;

/** Evaluates a setup. Sentences are made anew at once when other ones are due, and a moment later when only their numbers change. */
function evaluate(setup: Setup, before: Evaluated): Partial<Evaluated> {
  clearTimeout(wording);
  const reports = core().evaluate(setup);
  if (!reports) {
    return { problems: core().words(setup, feet()).problems };
  }
  const lastFocused = Object.fromEntries(
    reports.flatMap((report, i) => {
      const id = setup.rigs[i]!.id!;
      const last = isFocused(report) ? report : before.lastFocused[id];
      return last ? [[id, last]] : [];
    }),
  );
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

/** The comparison that is on the Bench. */
export const useBench = createDocumentStore<ComparisonDocument, Evaluated>({
  empty: { schemaVersion: comparisonVersion, note: '', setup: nothing },
  derived: { reports: [], lastFocused: {}, problems: noProblems, answered: nothing, words: noWords, holdNotes: noNotes },
  evaluate: ({ setup }, before, cause) => ({ ...(cause !== 'changed' && { holdNotes: noNotes }), ...evaluate(setup, before) }),
});

/**
 * Changes the content, and lets what is free follow what is held. While something is held, the changes of one drag are each made
 * anew from where it began, so that what gives on the way back comes back too.
 */
export function change(what: string, recipe: (content: Content) => Content, hold: Hold = holdOf(useBench.getState().document)): void {
  let holdNotes = noNotes;
  const recipeHeld = (from: Content) => {
    const asked = withParts(recipe(from), from);
    const [next, notes] = held(asked, from, hold);
    holdNotes = notes;
    return next;
  };
  useBench.getState().change(what, recipeHeld, { anew: holds(hold), also: () => ({ holdNotes }) });
}

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

/** The same content with another setup. */
export const withSetup = (content: Content, setup: Partial<Setup>): Content => ({
  ...content,
  document: { ...content.document, setup: { ...content.document.setup, ...setup } },
});

/** True when a change would leave everything as it is; such a one is no step of undo. */
export const changesNothing = (thing: object, part: object) =>
  Object.entries(part).every(
    ([key, value]) => JSON.stringify((thing as Record<string, unknown>)[key] ?? null) === JSON.stringify(value ?? null),
  );

/** The identity of the rig that stands at a place of the row. */
export const idAt = (index: number): string => useBench.getState().document.setup.rigs[index]!.id!;

/** The place of the yardstick in the row. */
export const yardstickOf = ({ rigs, yardstick }: Setup): number =>
  Math.max(
    0,
    rigs.findIndex((rig) => rig.id === yardstick),
  );
