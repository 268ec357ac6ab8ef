import type { ComparisonDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import { core, type HoldNote, type RigInput, type Setup } from '../../core/core';
import { fromParts } from '../../gear/chains';

/** What stays equal while something changes; it belongs to the comparison. */
export type Hold = Required<NonNullable<ComparisonDocument['hold']>>;

export const holdNothing: Hold = { place: true, framing: false, blur: false, light: false, alike: false, lightGives: [], pinned: [] };

/** Lets go of all that is held; in which order settings give, and what is pinned, stays for the next time. */
export const letGo = ({ lightGives, pinned }: Hold): Hold => ({ ...holdNothing, lightGives, pinned });

/** A setting that decides exposure and can give way to keep it. */
export type ExposureControl = Hold['lightGives'][number];

const usualOrder: ExposureControl[] = ['filter', 'sensitivity', 'shutter', 'aperture'];

/** What gives for the light, what gives first first. */
export const givingOrder = ({ lightGives }: Hold): ExposureControl[] => [...new Set([...lightGives, ...usualOrder])];

/** What is pinned of a rig. */
export const pinnedOf = ({ pinned }: Hold, rig: string): ExposureControl[] => pinned.find((p) => p.rig === rig)?.controls ?? [];

/** The same with something of a rig pinned, or let go of again. */
export function withPin(hold: Hold, rig: string, control: ExposureControl, rigs: RigInput[]): Hold {
  const now = pinnedOf(hold, rig);
  const controls = now.includes(control) ? now.filter((c) => c !== control) : [...now, control];
  // Of rigs that are gone nothing is kept.
  const others = hold.pinned.filter((p) => p.rig !== rig && rigs.some((r) => r.id === p.rig));
  return { ...hold, pinned: controls.length > 0 ? [...others, { rig, controls }] : others };
}

export const holdOf = ({ hold }: ComparisonDocument): Hold => ({ ...holdNothing, ...hold });

/** For each rig, what gave and what could not be held. */
export type HoldNotes = HoldNote[][];

export interface Followed {
  setup: Setup;
  notes: HoldNotes;
}

export const noNotes: HoldNotes = [];

/** True when something more than the place is held. */
export const holds = ({ framing, blur, light }: Hold): boolean => framing || blur || light;

/** What is held, in words. */
export const heldWords = (hold: Hold): string => (['place', 'framing', 'blur', 'light'] as const).filter((what) => hold[what]).join(', ');

/** Brings rigs to one of them; `to` names those that are brought, all others when it is left out. */
export interface Lead {
  leader: number;
  to?: number[];
}

/** Lets what is free follow a change, so that what is held stays equal. */
export function follow(before: Setup, after: Setup, hold: Hold, lead?: Lead): Followed {
  return before.rigs.length === after.rigs.length
    ? brought({ before, after, ...asked(hold, after), ...(lead && { leader: lead.leader, ...(lead.to && { followers: lead.to }) }) })
    : { setup: after, notes: noNotes };
}

/** Brings rigs, all of them where none is named, to right exposure: what is free gives way in the person's order. */
export function exposedRight(setup: Setup, hold: Hold, to?: number[]): Followed {
  return brought({ before: setup, after: setup, ...asked(hold, setup), exposeRight: true, ...(to && { followers: to }) });
}

const asked = ({ place, framing, blur, light, lightGives, pinned }: Hold, { rigs }: Setup) => ({
  place,
  framing,
  blur,
  light,
  lightGives,
  pinned: rigs.map((rig) => pinned.find((p) => p.rig === rig.id)?.controls ?? []),
});

function brought(request: Parameters<ReturnType<typeof core>['hold']>[0]): Followed {
  const { after } = request;
  const held = core().hold(request, useSettings.getState().feet);
  if (!held?.some((rig) => rig.notes.length > 0)) {
    return { setup: after, notes: noNotes };
  }
  const rigs = after.rigs.map((rig, i) => {
    const part = Object.fromEntries(
      Object.entries(held[i]!).filter(([key, value]) => key !== 'notes' && value !== null),
    ) as Partial<RigInput>;
    const next = Object.keys(part).length === 0 ? rig : { ...rig, ...part };
    return next !== rig && next.chain ? fromParts(next, after.scene) : next;
  });
  return { setup: { ...after, rigs }, notes: held.map((rig) => rig.notes) };
}

/** The rig that alone was changed, whom the others follow where all are to be alike. */
export function changedAlone(before: Setup, after: Setup): Lead | undefined {
  const changed = after.rigs.flatMap((rig, i) => (rig === before.rigs[i] ? [] : [i]));
  return before.scene === after.scene && changed.length === 1 ? { leader: changed[0]! } : undefined;
}
