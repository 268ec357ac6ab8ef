import type { GearItem } from '../../core/core';
import { keptUnder } from '../../api/crew';

/** A form of gear that was left half filled: what is known, and what was typed into fields that could not read it. */
export interface GearDraft {
  item: GearItem;
  /** The revision that it grew from; null for a new thing. */
  revision: number | null;
  /** By field. */
  texts: Record<string, string>;
}

/** They last as long as this tab, over links, Back and reloads. */
const store = () => keptUnder('juxtopsis.gear');

/** Of new things one of each kind is kept. */
const keyOf = ({ item, revision }: Pick<GearDraft, 'item' | 'revision'>) => (revision === null ? `new ${item.kind}` : item.id);

function all(): Record<string, GearDraft> {
  try {
    return JSON.parse(sessionStorage.getItem(store()) ?? '{}') as Record<string, GearDraft>;
  } catch {
    return {};
  }
}

function write(drafts: Record<string, GearDraft>): void {
  try {
    sessionStorage.setItem(store(), JSON.stringify(drafts));
  } catch {
    // No room: it lasts as long as the form stands open.
  }
}

export const keepGearDraft = (draft: GearDraft): void => write({ ...all(), [keyOf(draft)]: draft });

export const gearDraftOf = (opened: Pick<GearDraft, 'item' | 'revision'>): GearDraft | undefined => all()[keyOf(opened)];

export function dropGearDraft(opened: Pick<GearDraft, 'item' | 'revision'>): void {
  write(Object.fromEntries(Object.entries(all()).filter(([key]) => key !== keyOf(opened))));
}
