import { create } from 'zustand';
import { api, failure, unreachable, type Failure } from '../api/client';
import type { components } from '../api/schema';
import { setCurrency } from '../ui/figureText';

type Schemas = components['schemas'];
export type GearUnit = Schemas['UnitOutput'];
export type UnitCondition = GearUnit['condition'];
export type Booking = Schemas['BookingOutput'];
export type UnitModel = Schemas['UnitModelOutput'];
export type BookingInput = Schemas['BookingInput'];
export type Clash = Schemas['ClashOutput'];
export type Terms = Required<Schemas['CrewTerms']>;

interface Units {
  state: 'opening' | 'ready' | 'away';
  say: string;
  units: GearUnit[];
  bookings: Booking[];
  /** What was cancelled last, to be booked again. */
  cancelled: BookingInput[];
  terms: Terms;
}

const kept = 'juxtopsis.terms';
const usual: Terms = { currency: '€', taxPercent: 0, marginPercent: 0, timeZone: 'Etc/UTC' };

function keptTerms(): Terms {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(kept) ?? '{}') as Partial<Terms>) };
  } catch {
    return usual;
  }
}

/** The crew's physical units, who has booked them, and what the crew reckons with. What was known last stays while the server is away. */
export const useUnits = create<Units>()(() => ({ state: 'opening', say: '', units: [], bookings: [], cancelled: [], terms: keptTerms() }));

setCurrency(useUnits.getState().terms.currency);

/** A unit with what it is called among its like. */
export interface NamedUnit {
  unit: GearUnit;
  name: string;
}

/** The units of one model, its first one first, the others by their labels; what has no label goes by its number. */
export const named = (units: GearUnit[]): NamedUnit[] =>
  units
    .toSorted(
      (a, b) =>
        Number(b.id === b.gearId) - Number(a.id === a.gearId) ||
        a.label.localeCompare(b.label, 'en', { numeric: true }) ||
        a.id.localeCompare(b.id),
    )
    .map((unit, i) => ({ unit, name: unit.label || `Unit ${i + 1}` }));

/** Whether a unit can be packed. */
export const isUsable = (unit: GearUnit): boolean => unit.condition === 'good' || unit.condition === 'worn';

export const conditions: Record<UnitCondition, string> = {
  good: 'works',
  worn: 'something to mind',
  damaged: 'damaged',
  missing: 'missing',
};

function put(terms: Schemas['CrewTerms']): void {
  const all = { ...usual, ...terms };
  localStorage.setItem(kept, JSON.stringify(all));
  setCurrency(all.currency);
  useUnits.setState({ terms: all });
}

/** Reads all of it anew. */
export async function readUnits(): Promise<void> {
  try {
    const [units, bookings, terms] = await Promise.all([api.GET('/api/units'), api.GET('/api/bookings'), api.GET('/api/crew/terms')]);
    if (units.data && bookings.data && terms.data) {
      useUnits.setState({ state: 'ready', say: '', units: units.data, bookings: bookings.data });
      put(terms.data);
    } else {
      useUnits.setState({ state: 'away', say: failure(units.response.status, units.error ?? bookings.error ?? terms.error).say });
    }
  } catch {
    useUnits.setState({ state: 'away', say: unreachable.say });
  }
}

/** Reads what the crew reckons with alone. */
export async function readTerms(): Promise<void> {
  try {
    const { data } = await api.GET('/api/crew/terms');
    if (data) put(data);
  } catch {
    // What was known last stays.
  }
}

/** Changes what the crew reckons with; it is shown at once, and taken back where it cannot be saved. */
export async function changeTerms(part: Partial<Terms>): Promise<Failure | null> {
  const before = useUnits.getState().terms;
  put({ ...before, ...part });
  try {
    const { data, error, response } = await api.PUT('/api/crew/terms', { body: { ...before, ...part } });
    if (data) {
      put(data);
      return null;
    }
    put(before);
    return failure(response.status, error);
  } catch {
    put(before);
    return unreachable;
  }
}

/** Changes or makes a unit. */
export async function saveUnit(id: string, unit: Omit<GearUnit, 'id' | 'revision'>, revision: number | null): Promise<Failure | null> {
  try {
    const { data, error, response } = await api.PUT('/api/units/{id}', {
      params: { path: { id } },
      headers: revision === null ? { 'If-None-Match': '*' } : { 'If-Match': `"${revision}"` },
      body: unit,
    });
    if (!data) {
      await readUnits();
      return failure(response.status, error);
    }
    useUnits.setState((s) => ({ units: [...s.units.filter((u) => u.id !== id), data] }));
    return null;
  } catch {
    return unreachable;
  }
}

/** Gives a unit away. */
export async function giveAway(id: string): Promise<Failure | null> {
  try {
    const { error, response } = await api.DELETE('/api/units/{id}', { params: { path: { id } } });
    if (response.status === 204) {
      useUnits.setState((s) => ({ units: s.units.filter((u) => u.id !== id) }));
      return null;
    }
    return failure(response.status, error);
  } catch {
    return unreachable;
  }
}

/** Makes a unit a model of its own, where the model has its identity, or puts it back to one. */
export async function moveUnit(id: string, gearId: string): Promise<Failure | null> {
  try {
    const { data, error, response } = await api.PUT('/api/units/{id}/model', { params: { path: { id } }, body: { gearId } });
    if (!data) {
      return failure(response.status, error);
    }
    useUnits.setState((s) => ({ units: s.units.map((u) => (u.id === id ? data : u)) }));
    return null;
  } catch {
    return unreachable;
  }
}

/** A booking as it is asked for. */
export const inputOf = (b: Booking): BookingInput => ({
  id: b.id,
  unitId: b.unitId,
  productionId: b.productionId,
  bagId: b.bagId,
  crewUnit: b.crewUnit,
  from: b.from,
  to: b.to,
  beforeMinutes: b.beforeMinutes,
  afterMinutes: b.afterMinutes,
  daysCharged: b.daysGiven ? b.daysCharged : null,
  note: b.note,
});

/** Books and cancels, all or nothing; what was cancelled can be booked again; what stands in the way, or why nothing came of it. */
export async function book(wanted: BookingInput[], cancel: string[] = []): Promise<{ clashes: Clash[]; failure: Failure | null }> {
  const cancelled = useUnits.getState().bookings.filter((b) => cancel.includes(b.id));
  try {
    const { data, error, response } = await api.POST('/api/bookings', { body: { book: wanted, cancel } });
    await readUnits();
    if (data) {
      useUnits.setState({ cancelled: cancelled.map(inputOf) });
      return { clashes: [], failure: null };
    }
    const clashes = response.status === 409 && 'clashes' in error ? error.clashes : [];
    return { clashes, failure: failure(response.status, error) };
  } catch {
    return { clashes: [], failure: unreachable };
  }
}
