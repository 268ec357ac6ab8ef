import type { MarginPart } from '../core/core';
import { distanceField, plain, withUnit } from './format';

/** A ± in two digits: a third says nothing. */
export const about = (mm: number, feet: boolean): string => distanceField(Number(mm.toPrecision(2)), feet);

const ofPart = {
  focalLength: ['Focal length', 'as marked', 'as measured'],
  factor: ['Factor', 'as written', 'as tested'],
  squeeze: ['Squeeze', 'as written', 'as tested'],
  tape: ['Tape', 'as it is', 'as it is'],
  room: ['Room and what is behind', 'as told', 'as taped'],
} as const satisfies Record<MarginPart['source'], readonly [string, string, string]>;

/** What an uncertainty comes from, and how far off that may be: Focal length of the Dunlin, as marked, ± 3 %. */
export function sourceOf({ source, item, given, isMeasured }: MarginPart, feet: boolean): string {
  const [name, told, measured] = ofPart[source];
  const isLength = source === 'tape' || source === 'room';
  const by = isLength ? distanceField(given, feet) : withUnit(plain(100 * given, 2), '%');
  return `${name}${item ? ` of ${item}` : ''}${source === 'tape' ? '' : `, ${isMeasured ? measured : told}`}, ± ${by}`;
}
