/** Figures as people read them on set: never more digits than can be used, a thin space before the unit. */

const thin = '\u2009';
const minus = '\u2212';

/** A number with a fixed count of decimals and a true minus. */
export function fixed(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals);
  return (value < 0 && Number(text) !== 0 ? minus : '') + text;
}

/** A number with a sign, for differences; nothing that rounds to zero has one. */
export function signed(value: number, decimals: number): string {
  const text = fixed(value, decimals);
  return Number(Math.abs(value).toFixed(decimals)) === 0 ? text : value > 0 ? `+${text}` : text;
}

/** An exposure time as people say it: 1/50 s. */
export const exposureTime = (seconds: number, decimals?: number): string =>
  seconds >= 0.4
    ? withUnit(plain(seconds, decimals ?? 2), 's')
    : withUnit(`1/${plain(1 / seconds, decimals ?? (1 / seconds < 20 ? 1 : 0))}`, 's');

export const withUnit = (figure: string, unit: string): string => `${figure}${thin}${unit}`;

/** A number with as many decimals as were typed, up to a limit. */
export function plain(value: number, most = 3): string {
  return String(Number(value.toFixed(most)));
}

interface Scale {
  unit: string;
  mm: number;
  decimals: number;
}

/** The unit and digits that suit lengths of this size; one scale serves all figures of a row, so that they align. */
export function lengthScale(largestMm: number, feet: boolean): Scale {
  const size = Math.abs(largestMm);
  if (feet) {
    if (size < 25.4) return { unit: 'in', mm: 25.4, decimals: 3 };
    if (size < 914.4) return { unit: 'in', mm: 25.4, decimals: 1 };
    return { unit: 'ft', mm: 304.8, decimals: size < 30480 ? 2 : size < 304800 ? 1 : 0 };
  }
  if (size < 10) return { unit: 'mm', mm: 1, decimals: 2 };
  if (size < 100) return { unit: 'mm', mm: 1, decimals: 1 };
  if (size < 1000) return { unit: 'cm', mm: 10, decimals: 1 };
  return { unit: 'm', mm: 1000, decimals: size < 10_000 ? 2 : size < 100_000 ? 1 : 0 };
}

/** A length in a scale. */
export function inScale(mm: number, scale: Scale): string {
  return withUnit(fixed(mm / scale.mm, scale.decimals), scale.unit);
}

/** The difference of two lengths in a scale, with its sign. */
export function differenceInScale(mm: number, scale: Scale): string {
  return withUnit(signed(mm / scale.mm, scale.decimals), scale.unit);
}

/** A distance on its own: 3.2 m, or 10′ 6″. */
export function distance(mm: number, feet: boolean): string {
  if (!feet) {
    return inScale(mm, lengthScale(mm, false));
  }
  const inches = Math.round((mm / 25.4) * 10) / 10;
  const whole = Math.floor(inches / 12);
  const rest = plain(inches - whole * 12, 1);
  return whole === 0 ? `${rest}″` : whole >= 100 || rest === '0' ? `${Math.round(mm / 304.8)}′` : `${whole}′${thin}${rest}″`;
}

/** A round distance, for the marks of a ruler. */
export function roundDistance(mm: number, feet: boolean): string {
  if (feet) {
    return mm < 300 ? `${plain(mm / 25.4, 1)}″` : `${plain(mm / 304.8, 1)}′`;
  }
  return mm < 1000 ? withUnit(plain(mm / 10, 1), 'cm') : withUnit(plain(mm / 1000, 1), 'm');
}

/**
 * A distance in a field, to what a tape measures: a millimetre from a metre on, a tenth of one below, finer at close-up distances. The value
 * itself keeps all its digits.
 */
export function distanceField(mm: number, feet: boolean): string {
  if (!feet) {
    return mm < 1000 ? withUnit(plain(mm / 10, mm < 100 ? 3 : 2), 'cm') : withUnit(plain(mm / 1000, 3), 'm');
  }
  const inches = Number((mm / 25.4).toFixed(mm < 1000 ? 3 : mm < 3000 ? 2 : 1));
  const whole = Math.floor(inches / 12);
  const rest = plain(inches - 12 * whole, 3);
  return rest === '0' ? `${whole}′` : whole === 0 ? `${rest}″` : `${whole}′${thin}${rest}″`;
}

export const aperture = (n: number): string => `ƒ${n < 0.995 ? plain(n, 2) : n < 10 ? fixed(n, 1) : plain(n, 1)}`;

/** Stops with their sign. */
export const stops = (value: number): string => withUnit(signed(value, 1), 'st');

/** A difference in per cent. */
export const percent = (value: number): string => withUnit(signed(value, Math.abs(value) < 9.95 ? 1 : 0), '%');

const shapes: [number, string][] = [
  [16 / 9, '16:9'],
  [9 / 16, '9:16'],
  [4 / 3, '4:3'],
  [3 / 4, '3:4'],
  [3 / 2, '3:2'],
  [2 / 3, '2:3'],
  [4 / 5, '4:5'],
  [1, '1:1'],
];

/** A shape as people name it. */
export function shape(aspect: number): string {
  const named = shapes.find(([value]) => Math.abs(value - aspect) < 1e-9);
  return named ? named[1] : plain(aspect, 3);
}

/** How many, in words that agree: 1 thing, 2 things. */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

/** The time of day, for what happened today; else the date too. */
export function when(iso: string): string {
  const date = new Date(iso);
  const today = new Date().toDateString() === date.toDateString();
  return date.toLocaleString('en-GB', today ? { timeStyle: 'short' } : { dateStyle: 'medium', timeStyle: 'short' });
}

/** A name or a note as it may be stored: one line, without the control characters that a paste can bring and the half characters that a cut can leave. */
export const oneLine = (text: string): string => text.replace(/\p{Cs}/gu, '').replace(/\p{Cc}+/gu, ' ');
