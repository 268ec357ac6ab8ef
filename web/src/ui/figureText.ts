import type { FigureInfo } from '../core/core';
import { aperture, differenceInScale, fixed, inScale, lengthScale, percent, plain, signed, stops, withUnit } from './format';

/** How a background reads, by the core's number; the thresholds are in docs/optics.md. */
export const readings = ['sharp', 'slightly soft', 'soft', 'very soft', 'dissolved'];

const none = '—';

/** Three digits or so: as many decimals as a length of a lens or a disc needs. */
function lensMm(mm: number): string {
  const size = Math.abs(mm);
  return withUnit(fixed(mm, size >= 100 ? 0 : size >= 10 || size === 0 ? 1 : size >= 1 ? 2 : size >= 0.1 ? 3 : 4), 'mm');
}

/** A weight as it is said: 420 g, 1.23 kg. */
export const weight = (grams: number): string => (grams >= 1000 ? withUnit(plain(grams / 1000, 2), 'kg') : withUnit(plain(grams, 0), 'g'));

/** Money in the crew's currency, without the parts of it that nobody counts. */
let currency = '€';

/** Sets the sign of the crew's currency, by which money is told from then on. */
export const setCurrency = (sign: string): void => void (currency = sign);

export const money = (value: number): string => withUnit(plain(value, value < 100 ? 2 : 0), currency);

/** An exposure time as it is said: 1/50 s. */
function seconds(t: number): string {
  return t >= 0.4 ? withUnit(plain(t, 2), 's') : withUnit(`1/${plain(1 / t, 1 / t < 20 ? 1 : 0)}`, 's');
}

const share = (value: number) => {
  const size = Math.abs(100 * value);
  return withUnit(fixed(100 * value, size >= 10 ? 1 : 2), '%');
};

/** A figure as text; scene lengths of one row share a scale, that of the largest. */
export function figureText(info: FigureInfo, value: number, feet: boolean, largestMm = value): string {
  if (Number.isNaN(value)) {
    return none;
  }
  if (!Number.isFinite(value)) {
    return '∞';
  }
  switch (info.unit) {
    case 'ratio':
      return fixed(value, 3);
    case 'times':
      return `${value < 0.1 && value > 0 ? Number(value.toPrecision(2)).toString() : fixed(value, 2)}×`;
    case 'lensMm':
      return lensMm(value);
    case 'sceneMm':
      return inScale(value, lengthScale(largestMm, feet));
    case 'share':
      return share(value);
    case 'stops':
      return stops(value);
    case 'degrees':
      return `${fixed(value, 1)}°`;
    case 'pixels':
      return fixed(value, value < 20 ? 1 : 0);
    case 'fNumber':
      return aperture(value);
    case 'tNumber':
      return `T${value < 10 ? fixed(value, 1) : plain(value, 1)}`;
    case 'seconds':
      return seconds(value);
    case 'iso':
      return `ISO ${plain(Number(value.toPrecision(3)), 0)}`;
    case 'ev':
      return `EV ${fixed(value, 1)}`;
    case 'grams':
      return weight(value);
    case 'money':
      return money(value);
    case 'reading':
      return readings[value] ?? none;
    default:
      return plain(Number(value.toPrecision(3)), 4);
  }
}

/** How far off a figure may be: two digits of it in the figure's own unit, since a third says nothing. Null where there is nothing to say. */
export function plusMinusText(info: FigureInfo, plusMinus: number, feet: boolean, largestMm: number): string | null {
  if (Number.isNaN(plusMinus) || plusMinus === 0 || info.unit === 'reading') {
    return null;
  }
  if (!Number.isFinite(plusMinus)) {
    return '± more than can be told';
  }
  const two = (value: number) => plain(Number(value.toPrecision(2)), 6);
  switch (info.unit) {
    case 'sceneMm': {
      const { unit, mm } = lengthScale(largestMm, feet);
      return `± ${withUnit(two(plusMinus / mm), unit)}`;
    }
    case 'lensMm':
      return `± ${withUnit(two(plusMinus), 'mm')}`;
    case 'share':
      return `± ${withUnit(two(100 * plusMinus), '%')}`;
    case 'stops':
    case 'ev':
      return `± ${withUnit(two(plusMinus), 'st')}`;
    case 'degrees':
      return `± ${two(plusMinus)}°`;
    case 'times':
      return `± ${two(plusMinus)}×`;
    case 'pixels':
      return `± ${withUnit(two(plusMinus), 'px')}`;
    case 'grams':
      return `± ${weight(plusMinus)}`;
    case 'money':
      return `± ${money(plusMinus)}`;
    case 'seconds':
      return `± ${withUnit(two(1000 * plusMinus), 'ms')}`;
    default:
      return `± ${two(plusMinus)}`;
  }
}

/** A difference from the yardstick as text; null where there is none. */
export function differenceText(info: FigureInfo, value: number, feet: boolean, largestMm: number): string | null {
  if (Number.isNaN(value)) {
    return null;
  }
  if (info.comparison === 'percent') {
    return percent(value);
  }
  switch (info.unit) {
    case 'sceneMm':
      return differenceInScale(value, lengthScale(largestMm, feet));
    case 'share':
      return withUnit(signed(100 * value, Math.abs(value) < 0.0995 ? 2 : 1), '%');
    case 'degrees':
      return `${signed(value, 1)}°`;
    case 'lensMm':
      return withUnit(signed(value, 3), 'mm');
    case 'fNumber':
    case 'tNumber':
    case 'stops':
    case 'ev':
      return stops(value);
    default:
      return signed(value, 2);
  }
}
