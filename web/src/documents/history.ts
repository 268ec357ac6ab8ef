/** A name and a document: what is edited, saved, and taken back. */
export interface Content<D> {
  name: string;
  document: D;
}

/** One step of history: what was there before it. */
export interface Step<D> extends Content<D> {
  /** When somebody else saved what came after; absent for a step of one's own. Undo does not cross such a step unasked. */
  theirsAt?: string;
}

/** What can be taken back, and what can be done again; the nearest step stands last in the one and first in the other. */
export interface History<D> {
  past: Step<D>[];
  future: Step<D>[];
}

const historyLimit = 200;

/** The history after one more change; what could be done again cannot any more. */
export const after = <D>({ past }: History<D>, before: Step<D>): History<D> => ({
  past: [...past.slice(-historyLimit + 1), before],
  future: [],
});

/** One step back: the content before it and the history then; null when there is none. */
export function back<D>({ past, future }: History<D>, now: Content<D>): (Content<D> & History<D>) | null {
  const step = past.at(-1);
  return step ? { name: step.name, document: step.document, past: past.slice(0, -1), future: [swapped(step, now), ...future] } : null;
}

/** One step forward again; null when there is none. */
export function forth<D>({ past, future }: History<D>, now: Content<D>): (Content<D> & History<D>) | null {
  const step = future[0];
  return step ? { name: step.name, document: step.document, past: [...past, swapped(step, now)], future: future.slice(1) } : null;
}

/** The same step seen from its other side. */
const swapped = <D>({ theirsAt }: Step<D>, { name, document }: Content<D>): Step<D> => ({
  name,
  document,
  ...(theirsAt !== undefined && { theirsAt }),
});
