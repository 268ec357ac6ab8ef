import type { ComparisonDocument } from '../../api/client';
import { useSettings } from '../../app/settings';
import { core, type HoldNote, type RigInput, type Setup } from '../../core/core';
import { fromParts } from '../../gear/chains';

/** What stays equal while something changes; it belongs to the comparison. */
export type Hold = Required<NonNullable<ComparisonDocument['hold']>>;

export const holdNothing: Hold = { place: true, framing: false, blur: false, light: false, alike: false };

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
  const { place, framing, blur, light } = hold;
  const request = {
    before,
    after,
    place,
    framing,
    blur,
    light,
    ...(lead && { leader: lead.leader, ...(lead.to && { followers: lead.to }) }),
  };
  const held = before.rigs.length === after.rigs.length ? core().hold(request, useSettings.getState().feet) : null;
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
