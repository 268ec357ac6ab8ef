import { create } from 'zustand';
import type { ProductionDocument } from '../../api/client';
import type { Diagnostic, LocationInput, ShotInput } from '../../core/core';
import { oneLine } from '../../ui/format';
import type { Content as Kept, Saved } from '../../works/saving';
import { productionVersion } from './upgraded';

type Content = Kept<ProductionDocument>;

interface ProductionState extends Saved<ProductionDocument> {
  problems: Diagnostic[];
  past: Content[];
  future: Content[];
  /** The shot that is looked at; the first when it is not among the shots. */
  shotId: string;
  change: (what: string, recipe: (document: ProductionDocument) => ProductionDocument) => void;
  undo: () => void;
  redo: () => void;
}

const historyLimit = 200;
const mergeWithinMs = 900;
const noProblems: Diagnostic[] = [];
let lastChange = { what: '', at: 0 };

/** The production that is on the page, and its history. */
export const useProduction = create<ProductionState>()((set, get) => {
  const step = (next: Content) => set({ ...next, problems: noProblems });
  return {
    id: '',
    name: '',
    document: { schemaVersion: productionVersion },
    revision: null,
    deletedAt: null,
    saving: { kind: 'unsaved' },
    problems: noProblems,
    past: [],
    future: [],
    shotId: '',

    open(id, revision, content, saving, deletedAt = null) {
      const { id: before, shotId } = get();
      lastChange = { what: '', at: 0 };
      set({ ...content, id, revision, saving, deletedAt, problems: noProblems, past: [], future: [], shotId: before === id ? shotId : '' });
    },

    change(what, recipe) {
      const { name, document, past } = get();
      const next = recipe(document);
      if (next === document) {
        return;
      }
      // A hand that drags or types makes one step of undo.
      const now = performance.now();
      const merges = what === lastChange.what && now - lastChange.at < mergeWithinMs && past.length > 0;
      lastChange = { what, at: now };
      set({ document: next, past: merges ? past : [...past, { name, document }].slice(-historyLimit), future: [] });
    },

    undo() {
      const { past, future, name, document } = get();
      const before = past.at(-1);
      if (before) {
        lastChange = { what: '', at: 0 };
        step(before);
        set({ past: past.slice(0, -1), future: [{ name, document }, ...future] });
      }
    },

    redo() {
      const { past, future, name, document } = get();
      const after = future[0];
      if (after) {
        lastChange = { what: '', at: 0 };
        step(after);
        set({ past: [...past, { name, document }], future: future.slice(1) });
      }
    },

    mark: (saving, revision) => set(revision === undefined ? { saving } : { saving, revision }),
  };
});

/** A hand takes hold of something: what it does is a step of undo of its own. */
export const beginStep = (): void => {
  lastChange = { what: '', at: 0 };
};

const { change } = useProduction.getState();

export const shotsOf = (document: ProductionDocument): ShotInput[] => document.shots ?? [];
export const placesOf = (document: ProductionDocument): LocationInput[] => document.locations ?? [];

/** The shot that is looked at; undefined while there is none. */
export const shownShot = ({ document, shotId }: Pick<ProductionState, 'document' | 'shotId'>): ShotInput | undefined =>
  shotsOf(document).find((s) => s.id === shotId) ?? shotsOf(document)[0];

export const placeOf = (document: ProductionDocument, shot: ShotInput): LocationInput | undefined =>
  placesOf(document).find((p) => p.id === shot.locationId);

export const show = (shotId: string): void => useProduction.setState({ shotId });

export function rename(name: string): void {
  const { name: before, document, past } = useProduction.getState();
  if (oneLine(name) !== before) {
    const merges = lastChange.what === 'name' && performance.now() - lastChange.at < mergeWithinMs && past.length > 0;
    lastChange = { what: 'name', at: performance.now() };
    useProduction.setState({
      name: oneLine(name),
      past: merges ? past : [...past, { name: before, document }].slice(-historyLimit),
      future: [],
    });
  }
}

export const changeProduction = (part: Partial<ProductionDocument>): void =>
  change(`production:${Object.keys(part).join()}`, (d) => ({ ...d, ...part }));

/** Changes something of a shot. */
export const changeShot = (id: string, part: Partial<ShotInput>): void =>
  change(`${id}:${Object.keys(part).join()}`, (d) => ({ ...d, shots: shotsOf(d).map((s) => (s.id === id ? { ...s, ...part } : s)) }));

/** Changes something of a place. */
export const changePlace = (id: string, part: Partial<LocationInput>): void =>
  change(`${id}:${Object.keys(part).join()}`, (d) => ({ ...d, locations: placesOf(d).map((p) => (p.id === id ? { ...p, ...part } : p)) }));

const once = (what: string) => `${what}${performance.now()}`;

const usualSubject = { kind: 'standing', heightMm: 1750, widthMm: 1000, count: 2, spacingMm: 650, baseMm: 0 } as const;

/** A room as good as any to begin with. */
export const usualPlace = (name: string): LocationInput => ({
  id: crypto.randomUUID(),
  name,
  lengthMm: 6000,
  widthMm: 4000,
  heightMm: 2600,
  behindMm: 1500,
  backdrop: 'shed',
});

/** Adds a shot after the one that is looked at, at the same place; where there is no place yet, one is made. */
export function addShot(): void {
  const id = crypto.randomUUID();
  change(once('add'), (d) => {
    const shown = shownShot(useProduction.getState());
    const places = placesOf(d).length > 0 ? placesOf(d) : [usualPlace('First place')];
    const shot: ShotInput = {
      id,
      name: `Shot ${shotsOf(d).length + 1}`,
      locationId: shown?.locationId ?? places[0]!.id,
      unit: shown?.unit ?? '',
      subject: usualSubject,
      size: 'medium',
    };
    const at = shown ? shotsOf(d).indexOf(shown) + 1 : 0;
    return { ...d, locations: places, shots: shotsOf(d).toSpliced(at, 0, shot) };
  });
  show(id);
}

export function duplicateShot(shot: ShotInput): void {
  const id = crypto.randomUUID();
  change(once('duplicate'), (d) => ({
    ...d,
    shots: shotsOf(d).toSpliced(shotsOf(d).indexOf(shot) + 1, 0, { ...shot, id, name: `${shot.name} again`.slice(0, 80), chosen: null }),
  }));
  show(id);
}

export function removeShot(shot: ShotInput): void {
  const all = shotsOf(useProduction.getState().document);
  const at = all.indexOf(shot);
  show((all[at + 1] ?? all[at - 1])?.id ?? '');
  change(once('remove'), (d) => ({ ...d, shots: shotsOf(d).filter((s) => s.id !== shot.id) }));
}

/** Moves a shot to another place in the order. */
export const moveShot = (shot: ShotInput, by: number): void =>
  change(once('move'), (d) => {
    const at = shotsOf(d).indexOf(shot);
    const to = Math.max(0, Math.min(shotsOf(d).length - 1, at + by));
    return at === to ? d : { ...d, shots: shotsOf(d).toSpliced(at, 1).toSpliced(to, 0, shot) };
  });

/** Adds a place, and brings the shot that is looked at there. */
export function addPlace(): void {
  const place = usualPlace(`Place ${placesOf(useProduction.getState().document).length + 1}`);
  change(once('place'), (d) => {
    const shown = shownShot(useProduction.getState());
    return {
      ...d,
      locations: [...placesOf(d), place],
      shots: shotsOf(d).map((s) => (s.id === shown?.id ? { ...s, locationId: place.id } : s)),
    };
  });
}

/** Takes a place away that no shot is at. */
export const removePlace = (id: string): void =>
  change(once('remove'), (d) =>
    shotsOf(d).some((s) => s.locationId === id) ? d : { ...d, locations: placesOf(d).filter((p) => p.id !== id) },
  );
