import { create, type StoreApi, type UseBoundStore } from 'zustand';
import type { Work } from '../api/client';
import { pointerHeldSince } from '../ui/pointerHeld';
import { after, back, forth, type Content, type History } from './history';

/** Where saving stands: the quiet word in the corner. */
export type Saving<D> =
  | { kind: 'saved'; at: string }
  | { kind: 'unsaved' }
  | { kind: 'saving' }
  /** Something in it is at fault, or it has no name. */
  | { kind: 'held' }
  /** The server or its database cannot be reached; it is tried again. */
  | { kind: 'away'; say: string }
  | { kind: 'refused'; say: string }
  | { kind: 'conflict'; theirs: Work<D> };

/** What the server held when the content grew from it. */
export type Base<D> = Pick<Work<D>, 'name' | 'document' | 'revision' | 'updatedAt' | 'deletedAt'>;

/** How a change becomes a step of undo. */
export interface ChangeOptions<E> {
  /** While the changes of one thing follow each other, each is made anew from where the first began. */
  anew?: boolean;
  /** What else becomes of the state; asked for after the change was made. */
  also?: () => Partial<E>;
}

/** A document that is on the page: edited, saved, evaluated and taken back. */
export interface DocumentState<D, E> extends Content<D>, History<D> {
  id: string;
  /** Null before it is first stored. */
  base: Base<D> | null;
  saving: Saving<D>;
  /** True when this browser has no room for what is not stored yet. */
  cannotKeep: boolean;
  /** Shows a document. The history of the one before goes, unless it is the same one. */
  open: (id: string, base: Base<D> | null, content: Content<D>, saving: Saving<D>) => void;
  /** Shows what somebody else saved, or what came of both changes, as a step of its own. */
  adopt: (base: Base<D>, content: Content<D>, saving: Saving<D>) => void;
  /**
   * Changes the content; a recipe that returns what it was given changes nothing. Changes of the same thing in quick
   * succession, such as a drag, are one step of undo.
   */
  change: (what: string, recipe: (content: Content<D>) => Content<D>, options?: ChangeOptions<E>) => void;
  /** Lets the next change be a step of its own: a hand takes hold of something. */
  beginStep: () => void;
  /** Takes one step back. A step that is somebody else's is only taken back when that is asked for. */
  undo: (theirsToo?: boolean) => void;
  redo: () => void;
}

/** What is derived from a document: what keeps it from being saved as it is, and more. */
export interface Derived {
  problems: unknown[];
}

/** A document on the page, as far as all kinds are alike. */
export type AnyDocument<D> = DocumentState<D, never> & Derived;

/** Why the content is another. */
export type Cause = 'opened' | 'changed' | 'stepped';

/** What a kind of document is, besides its content. */
export interface DocumentSetup<D, E> {
  /** What stands on the page before anything is opened. */
  empty: D;
  /** What is derived from a document, before anything is. */
  derived: E;
  /** What is derived anew when the document is another. */
  evaluate: (document: D, before: E, cause: Cause) => Partial<E>;
}

const mergeWithinMs = 900;

/** One store for whatever is edited and saved. */
export function createDocumentStore<D, E extends Derived>({
  empty,
  derived,
  evaluate,
}: DocumentSetup<D, E>): UseBoundStore<StoreApi<DocumentState<D, E> & E>> {
  type State = DocumentState<D, E> & E;
  let last = { what: '', at: 0 };
  const beginStep = () => {
    last = { what: '', at: 0 };
  };

  return create<State>()((setAny, get) => {
    const set = (part: Partial<DocumentState<D, E>>, derivedAnew: Partial<E> = {}) => setAny({ ...part, ...derivedAnew } as Partial<State>);
    const moved = (to: (Content<D> & History<D>) | null) => {
      if (to) {
        beginStep();
        set(to, evaluate(to.document, get(), 'stepped'));
      }
    };
    const state: DocumentState<D, E> = {
      id: '',
      name: '',
      document: empty,
      base: null,
      saving: { kind: 'unsaved' },
      cannotKeep: false,
      past: [],
      future: [],
      beginStep,

      open(id, base, { name, document }, saving) {
        beginStep();
        const same = get().id === id;
        set(
          { id, base, name, document, saving, ...(same ? {} : { cannotKeep: false, past: [], future: [] }) },
          evaluate(document, same ? get() : derived, 'opened'),
        );
      },

      adopt(base, { name, document }, saving) {
        beginStep();
        const now = get();
        const step = { name: now.name, document: now.document, theirsAt: base.updatedAt };
        set({ base, name, document, saving, ...after(now, step) }, evaluate(document, now, 'stepped'));
      },

      change(what, recipe, { anew = false, also } = {}) {
        const now = get();
        const at = performance.now();
        // A hand that rests while it holds something still goes on with the same step.
        const held = pointerHeldSince();
        const merges = what === last.what && (at - last.at < mergeWithinMs || (held !== null && last.at >= held)) && now.past.length > 0;
        const from: Content<D> = merges && anew ? now.past.at(-1)! : { name: now.name, document: now.document };
        const { name, document } = recipe(from);
        if (name === now.name && document === now.document) {
          return;
        }
        last = { what, at };
        set(
          { name, document, ...(merges ? { future: [] } : after(now, { name: now.name, document: now.document })) },
          document === now.document ? {} : { ...also?.(), ...evaluate(document, now, 'changed') },
        );
      },

      undo(theirsToo = false) {
        const now = get();
        if (theirsToo || now.past.at(-1)?.theirsAt === undefined) {
          moved(back(now, now));
        }
      },

      redo: () => moved(forth(get(), get())),
    };
    return { ...derived, ...state };
  });
}
