import type { GearItem, RigInput } from '../../../core/core';
import { chainOf } from '../../../gear/chains';

/** A sum of what is known, and how many things are not in it. */
export interface Total {
  known: number;
  unknown: number;
}

export interface Totals {
  purchase: Total;
  hire: Total;
  insured: Total;
  weight: Total;
}

const totalOf = (items: GearItem[], field: string): Total => ({
  known: items.reduce((sum, item) => sum + (typeof item[field] === 'number' ? item[field] : 0), 0),
  unknown: items.filter((item) => typeof item[field] !== 'number').length,
});

const isHired = (item: GearItem): boolean => item.ownership === 'hire';

/** What all the things of some rigs cost and weigh, each thing once however many rigs it stands in. Bare numbers have no things. */
export function totalsOf(rigs: RigInput[]): Totals {
  const items = [...new Map(rigs.flatMap((rig) => chainOf(rig)?.parts ?? []).map(({ item }) => [item.id, item])).values()];
  const hired = items.filter(isHired);
  return {
    purchase: totalOf(
      items.filter((item) => !isHired(item)),
      'purchasePrice',
    ),
    hire: totalOf(hired, 'hirePerDay'),
    insured: totalOf(items, 'insuredValue'),
    weight: totalOf(items, 'weightG'),
  };
}

/** With tax and a margin on top of it, per cent each: first the margin, then tax on all. */
export const withTax = (amount: number, taxPercent: number, marginPercent: number): number =>
  amount * (1 + marginPercent / 100) * (1 + taxPercent / 100);
