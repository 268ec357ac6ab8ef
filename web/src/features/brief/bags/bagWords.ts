import type { GearItem, PartialSum } from '../../../core/core';
import { fixed, withUnit } from '../../../ui/format';

/** The kinds of gear in the order in which a bag is packed. */
export const kinds: [string, string][] = [
  ['body', 'Cameras'],
  ['fixedLensCamera', 'Cameras with their lens'],
  ['lens', 'Lenses'],
  ['adapter', 'Adapters'],
  ['attachment', 'Squeeze attachments'],
  ['closeUpLens', 'Close-up lenses'],
  ['filter', 'Filters'],
  ['stepRing', 'Step rings'],
  ['support', 'Supports'],
  ['bagItem', 'Power, storage and the rest'],
];

export const kindOrder = (item: GearItem | undefined): number => {
  const at = kinds.findIndex(([kind]) => kind === item?.kind);
  return at < 0 ? kinds.length : at;
};

/** A sum, and of how much it is not known. */
export function sumText(sum: PartialSum, text: (value: number) => string, none = 'not known'): string {
  if (sum.known === 0 && sum.unknown > 0) {
    return `${none} of ${sum.unknown}`;
  }
  return `${text(sum.known)}${sum.unknown > 0 ? ` and ${sum.unknown} not known` : ''}`;
}

export const kilograms = (grams: number): string => withUnit(fixed(grams / 1000, 2), 'kg');

const groups = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });

/** Money as a person reads it, thousands apart. */
export const money = (currency: string) => (value: number) => `${currency} ${groups.format(value).replaceAll(',', ' ')}`;

export const wattHours = (wh: number): string => withUnit(fixed(wh, 0), 'Wh');

export const gigabytes = (gb: number): string => (gb >= 1000 ? withUnit(fixed(gb / 1000, 1), 'TB') : withUnit(fixed(gb, 0), 'GB'));

/** Letters, the one mark by which bags are told apart. */
export const markOf = (index: number): string => String.fromCharCode(65 + (index % 26));
