import type { GearItem, LookAspect, LookMatch } from '../../../core/core';
import type { Axis } from '../../../drawing/Plot';
import { costOf } from '../../../gear/setRigs';
import { money, weight } from '../../../ui/figureText';
import { distance, fixed, stops, withUnit } from '../../../ui/format';

const restOf = (match: LookMatch, aspect: LookAspect) => match.rest.find((r) => r.aspect === aspect)!;
const shareOff = (aspect: LookAspect) => (match: LookMatch) => 100 * Math.abs(restOf(match, aspect).share);
const stopsOff = (aspect: LookAspect) => (match: LookMatch) => Math.abs(restOf(match, aspect).stops);
const perCent = (value: number) => withUnit(fixed(value, value < 9.95 ? 1 : 0), '%');
const inStops = (value: number) => withUnit(fixed(value, 1), 'st');

/** What the plot of what comes near a look may go by. */
export const axesOf = (items: Map<string, GearItem>, feet: boolean): Record<string, Axis<LookMatch>> => ({
  framing: { label: 'framing off', value: shareOff('framing'), text: perCent, better: 'less' },
  blur: { label: 'blur off', value: stopsOff('blur'), text: inStops, better: 'less' },
  angle: { label: 'angle off', value: shareOff('angle'), text: perCent, better: 'less' },
  moved: { label: 'distance off', value: shareOff('distance'), text: perCent, better: 'less' },
  sum: { label: 'all left over', value: (match) => match.sum, text: inStops, better: 'less' },
  weight: { label: 'weight', value: ({ rig }) => (rig.weightUnknown ? null : rig.weightG), text: weight, better: 'less' },
  price: { label: 'price to buy', value: (match) => costOf(match, 'purchasePrice', items), text: money, better: 'less' },
  hire: { label: 'hire a day', value: (match) => costOf(match, 'hirePerDay', items), text: money, better: 'less' },
  light: { label: 'light lost', value: (match) => restOf(match, 'light').stops, text: stops, better: 'less' },
  distance: { label: 'distance', value: (match) => match.distanceMm, text: (mm) => distance(mm, feet) },
});
