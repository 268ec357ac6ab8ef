import { core, type FigureId, type Numbers } from '../../core/core';
import { figureText } from '../../ui/figureText';
import { aperture, distance, inScale, lengthScale, plain, withUnit } from '../../ui/format';
import type { Sheet } from '../facts';

/** How a sheet says numbers: its unit of distances, and what stands before its decimals. */
export interface Language {
  feet: boolean;
  /** Text with numbers in it, as the sheet writes them. */
  of: (text: string) => string;
  length: (mm: number) => string;
  /** Two lengths in one unit: 2.31 × 1.30 m. */
  area: (widthMm: number, heightMm: number) => string;
  /** Lengths near one that stands beside them, in its unit and without it: 0.95–1.06 in a row of 1.00 m. */
  beside: (mm: number) => { length: (mm: number) => string; span: (fromMm: number, toMm: number) => string };
  /** From one length to another, which may be without end. */
  span: (fromMm: number, toMm: number) => string;
  aperture: (fNumber: number) => string;
  focal: (mm: number) => string;
  figure: (id: FigureId, figures: Numbers) => string;
}

const none = '—';

/** What is as good as a plane needs a digit more to be told at all. */
const isAsGoodAsAPlane = (fromMm: number, toMm: number, unitMm: number): boolean => toMm - fromMm < 0.04 * unitMm;

/** The language of a sheet, for a person who reads feet or metres. */
export function languageOf(sheet: Pick<Sheet, 'feet' | 'decimalSign'>, personFeet: boolean): Language {
  const feet = sheet.feet ?? personFeet;
  const of = sheet.decimalSign === 'comma' ? (text: string) => text.replace(/(?<=\d)\.(?=\d)/g, ',') : (text: string) => text;
  const length = (mm: number) => (Number.isNaN(mm) ? none : mm === Infinity ? '∞' : of(distance(mm, feet)));
  return {
    feet,
    of,
    length,
    area(widthMm, heightMm) {
      if (Number.isNaN(widthMm) || Number.isNaN(heightMm)) return none;
      const scale = lengthScale(Math.max(widthMm, heightMm), feet);
      const [width, height] = [inScale(widthMm, scale), inScale(heightMm, scale)];
      return of(`${width.split('\u2009')[0]!} × ${height}`);
    },
    beside(rowMm) {
      const scale = lengthScale(rowMm, false);
      const one = (mm: number, finer = 0) =>
        feet || mm === Infinity ? length(mm) : of(inScale(mm, { ...scale, decimals: scale.decimals + finer }).split('\u2009')[0]!);
      return {
        length: (mm) => (Number.isNaN(mm) ? none : one(mm)),
        span(fromMm, toMm) {
          if (Number.isNaN(fromMm) || Number.isNaN(toMm)) return none;
          const finer = isAsGoodAsAPlane(fromMm, toMm, scale.mm) ? 1 : 0;
          return `${one(fromMm, finer)}–${one(toMm, finer)}`;
        },
      };
    },
    span(fromMm, toMm) {
      if (Number.isNaN(fromMm) || Number.isNaN(toMm)) return none;
      if (feet || toMm === Infinity) return `${length(fromMm)} – ${length(toMm)}`;
      const scale = lengthScale(toMm, false);
      const decimals = scale.decimals + (isAsGoodAsAPlane(fromMm, toMm, scale.mm) ? 1 : 0);
      const finer = { ...scale, decimals };
      return of(`${inScale(fromMm, finer).split('\u2009')[0]!} – ${inScale(toMm, finer)}`);
    },
    aperture: (fNumber) => of(aperture(fNumber)),
    focal: (mm) => of(withUnit(plain(mm, mm < 20 ? 1 : 0), 'mm')),
    figure: (id, figures) => of(figureText(core().figures[id], figures[id], feet)),
  };
}
