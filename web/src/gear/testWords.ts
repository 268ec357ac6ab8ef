import type { TestResult } from '../core/core';
import { distance, plain } from '../ui/format';

type Quantity = TestResult['quantity'];

interface Said {
  label: string;
  unit: string;
  /** What a value is multiplied by to be said in the unit. */
  times: number;
}

const words: Record<Quantity, Said> = {
  focalLength: { label: 'True focal length', unit: 'mm', times: 1 },
  entrancePupil: { label: 'Entrance pupil before the mark', unit: 'mm', times: 1 },
  breathing: { label: 'Angle changes to the nearest', unit: '%', times: 100 },
  magnification: { label: 'True factor', unit: '×', times: 1 },
  squeeze: { label: 'True squeeze', unit: '×', times: 1 },
  squeezeTurn: { label: 'Turned by', unit: '°', times: 1 },
  tNumber: { label: 'T-number', unit: '', times: 1 },
  cornerFalloff: { label: 'Lost in the corners', unit: 'stops', times: 1 },
  imageCircle: { label: 'Image circle', unit: 'mm', times: 1 },
  mountError: { label: 'Mount too long by', unit: 'mm', times: 1 },
  markFactor: { label: 'Marks times', unit: '', times: 1 },
  minimumFocusDistance: { label: 'Nearest focus', unit: 'cm', times: 0.1 },
  maximumMagnification: { label: 'Largest ratio', unit: '×', times: 1 },
  weight: { label: 'Weight', unit: 'g', times: 1 },
  price: { label: 'Price', unit: '', times: 1 },
};

export const quantityLabel = (quantity: Quantity): string => words[quantity].label;

/** How many decimals a value is worth, whose ± is so large. */
export function decimalsOf(plusMinus: number): number {
  if (!(plusMinus > 0)) return 2;
  const found = [1, 0.1, 0.01, 0.001].findIndex((step) => plusMinus >= step);
  return found < 0 ? 4 : found;
}

/** A value of a quantity, to the digits that its ± leaves it. */
export function valueText(quantity: Quantity, value: number, plusMinus: number): string {
  const { unit, times } = words[quantity];
  const text = (value * times).toFixed(decimalsOf(plusMinus * times)).replace('-', '−');
  return withItsUnit(text, unit);
}

const withItsUnit = (text: string, unit: string): string =>
  unit === '' ? text : unit === '×' || unit === '°' ? `${text}${unit}` : `${text} ${unit}`;

/** The ± alone, in one or two digits. */
export function testedPlusMinus(quantity: Quantity, plusMinus: number): string {
  const times = words[quantity].times;
  const digits = decimalsOf(plusMinus * times);
  return `± ${Math.max(plusMinus * times, 10 ** -digits).toFixed(digits)}`;
}

/** How far what was found is from what the papers say; empty where they say nothing. */
export function offText({ quantity, value, marked }: Pick<TestResult, 'quantity' | 'value' | 'marked'>): string {
  if (marked === null || marked === 0 || quantity === 'mountError' || quantity === 'markFactor') return '';
  if (quantity === 'tNumber') {
    return `ƒ${plain(marked, 2)}: its glass loses ${plain(2 * Math.log2(value / marked), 2)} stops`;
  }
  const share = (100 * (value - marked)) / marked;
  const { unit, times } = words[quantity];
  // What is marked is told as it stands there, whatever the test is worth.
  return `marked ${withItsUnit(plain(marked * times, 3), unit)}, ${share >= 0 ? '+' : '−'}${plain(Math.abs(share), 1)} %`;
}

/** What one more reading would bring. */
export const nextText = (quantity: Quantity, next: { distanceMm?: number | null; plusMinus: number }, feet: boolean): string =>
  `One more${next.distanceMm ? ` at ${distance(next.distanceMm, feet)}` : ''} would bring it to ${testedPlusMinus(quantity, next.plusMinus)}.`;
