/** What this browser knows of a piece of work: unsaved work survives a reload, and a copy can be opened while the database is away. */
export interface Draft<D> {
  name: string;
  document: D;
  revision: number | null;
  /** False once all of it is stored. */
  unsaved: boolean;
}

/** The drafts of one kind of work. */
export interface Drafts<D> {
  read: (id: string) => Draft<D> | null;
  write: (id: string, draft: Draft<D>) => void;
  drop: (id: string) => void;
  /** Keeps the newest stored copies; unsaved work is never forgotten. */
  forgetOld: () => void;
}

const keepCopies = 40;

/** Drafts under a prefix of their own. A copy from before a change of the document's shape is brought up to date by `upgraded`. */
export function draftsOf<D>(prefix: string, upgraded: (draft: Draft<D>) => Draft<D> = (draft) => draft): Drafts<D> {
  function forgetOld(keep = keepCopies): void {
    const copies: { key: string; at: number }[] = [];
    for (let i = 0; i < localStorage.length; i++) {
      const key = localStorage.key(i)!;
      if (key.startsWith(prefix)) {
        try {
          const { at, draft } = JSON.parse(localStorage.getItem(key)!) as { at: number; draft: Draft<D> };
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

  return {
    read(id) {
      try {
        const text = localStorage.getItem(prefix + id);
        return text === null ? null : upgraded((JSON.parse(text) as { draft: Draft<D> }).draft);
      } catch {
        return null;
      }
    },
    write(id, draft) {
      const text = JSON.stringify({ at: Date.now(), draft });
      try {
        localStorage.setItem(prefix + id, text);
      } catch {
        forgetOld(keepCopies / 2);
        try {
          localStorage.setItem(prefix + id, text);
        } catch {
          // The browser gives no room at all; saving to the server goes on without the safety net.
        }
      }
    },
    drop: (id) => localStorage.removeItem(prefix + id),
    forgetOld: () => forgetOld(),
  };
}
