import type { ComparisonDocument } from '../../api/client';

/** What this browser knows of a comparison: unsaved work survives a reload, and a copy can be opened while the database is away. */
export interface Draft {
  name: string;
  document: ComparisonDocument;
  revision: number | null;
  /** False once all of it is stored. */
  unsaved: boolean;
}

const prefix = 'juxtopsis.comparison.';
const keepCopies = 40;

export function readDraft(id: string): Draft | null {
  try {
    const text = localStorage.getItem(prefix + id);
    return text === null ? null : upgraded((JSON.parse(text) as { draft: Draft }).draft);
  } catch {
    return null;
  }
}

/** A copy from before version 2 of the document, in which reducers and extenders were one number. */
function upgraded(draft: Draft): Draft {
  const { document } = draft;
  if (document.schemaVersion !== 1) {
    return draft;
  }
  const rigs = document.setup.rigs.map((rig) => {
    const { opticsMagnification = 1, ...others } = rig as typeof rig & { opticsMagnification?: number };
    return opticsMagnification === 1 ? others : { ...others, optics: [opticsMagnification] };
  });
  return { ...draft, document: { ...document, schemaVersion: 2, setup: { ...document.setup, rigs } } };
}

export function writeDraft(id: string, draft: Draft): void {
  const text = JSON.stringify({ at: Date.now(), draft });
  try {
    localStorage.setItem(prefix + id, text);
  } catch {
    forgetOldCopies(keepCopies / 2);
    try {
      localStorage.setItem(prefix + id, text);
    } catch {
      // The browser gives no room at all; saving to the server goes on without the safety net.
    }
  }
}

export function dropDraft(id: string): void {
  localStorage.removeItem(prefix + id);
}

/** Keeps the newest stored copies; unsaved work is never forgotten. */
export function forgetOldCopies(keep = keepCopies): void {
  const copies: { key: string; at: number }[] = [];
  for (let i = 0; i < localStorage.length; i++) {
    const key = localStorage.key(i)!;
    if (key.startsWith(prefix)) {
      try {
        const { at, draft } = JSON.parse(localStorage.getItem(key)!) as { at: number; draft: Draft };
        if (!draft.unsaved) {
          copies.push({ key, at });
        }
      } catch {
        copies.push({ key, at: 0 });
      }
    }
  }
  copies.sort((a, b) => b.at - a.at);
  for (const { key } of copies.slice(keep)) {
    localStorage.removeItem(key);
  }
}
