import type { Fit, GearItem } from '../../core/core';
import type { Axis } from '../../drawing/Plot';
import { costOf } from '../../gear/setRigs';
import { distance, fixed, stops, withUnit } from '../../ui/format';
import { money, weight } from '../../ui/figureText';

/** What the plot of a shot's answers may go by. */
export const axesOf = (highestIso: number, items: Map<string, GearItem>, feet: boolean): Record<string, Axis<Fit>> => ({
  distance: { label: 'distance', value: (fit) => fit.distanceMm, text: (mm) => distance(mm, feet) },
  blur: { label: 'blur behind', value: (fit) => 100 * fit.blurShare, text: (value) => withUnit(fixed(value, value < 1 ? 2 : 1), '%') },
  weight: { label: 'weight', value: ({ rig }) => (rig.weightUnknown ? null : rig.weightG), text: weight },
  light: {
    label: 'light to spare',
    value: ({ sensitivityIso }) => (sensitivityIso == null ? null : Math.log2(highestIso / sensitivityIso)),
    text: stops,
  },
  price: { label: 'price to buy', value: (fit) => costOf(fit, 'purchasePrice', items), text: money },
  hire: { label: 'hire a day', value: (fit) => costOf(fit, 'hirePerDay', items), text: money },
  sharp: { label: 'sharp zone', value: (fit) => (fit.farMm == null ? null : fit.farMm - fit.nearMm), text: (mm) => distance(mm, feet) },
});
