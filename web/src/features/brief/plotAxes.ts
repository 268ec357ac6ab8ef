import type { Fit, GearItem } from '../../core/core';
import { distance, fixed, stops, withUnit } from '../../ui/format';
import { money, weight } from '../../ui/figureText';

/** A quantity that the plot may go by; null where it is not known of a rig, or has no end. */
export interface Axis {
  label: string;
  value: (fit: Fit, highestIso: number, items: Map<string, GearItem>) => number | null;
  text: (value: number, feet: boolean) => string;
}

/** What all parts of a rig cost: to buy those that are ours, a day of those that are hired; null where one of them is not known. */
function costOf({ rig }: Fit, field: 'purchasePrice' | 'hirePerDay', items: Map<string, GearItem>): number | null {
  const parts = [...new Set([rig.body, rig.lens, ...rig.links, ...rig.front])].map((id) => items.get(id));
  const wanted = parts.filter((part) => (part?.ownership === 'hire') === (field === 'hirePerDay'));
  const values = wanted.map((part) => part?.[field]);
  return values.every((value) => typeof value === 'number') ? values.reduce((sum, value) => sum + value, 0) : null;
}

export const axes: Record<string, Axis> = {
  distance: { label: 'distance', value: (fit) => fit.distanceMm, text: distance },
  blur: { label: 'blur behind', value: (fit) => 100 * fit.blurShare, text: (value) => withUnit(fixed(value, value < 1 ? 2 : 1), '%') },
  weight: { label: 'weight', value: ({ rig }) => (rig.weightUnknown ? null : rig.weightG), text: weight },
  light: {
    label: 'light to spare',
    value: ({ sensitivityIso }, highestIso) => (sensitivityIso == null ? null : Math.log2(highestIso / sensitivityIso)),
    text: stops,
  },
  price: { label: 'price to buy', value: (fit, _, items) => costOf(fit, 'purchasePrice', items), text: money },
  hire: { label: 'hire a day', value: (fit, _, items) => costOf(fit, 'hirePerDay', items), text: money },
  sharp: { label: 'sharp zone', value: (fit) => (fit.farMm == null ? null : fit.farMm - fit.nearMm), text: distance },
};
