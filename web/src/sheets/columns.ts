import { isRight, type ColumnFact } from './facts';
import type { Face, Measure } from './marks';

/** Sizes of letters of a table, points: as large as the usual one where its words fit, smaller where they do not. */
const smaller = [1, 0.9, 0.8, 0.72];
const headSize = 7.2;
/** Room on both sides of what stands in a cell, mm. */
export const padMm = 1.1;
/** No word alone makes a column wider than that, mm. */
const widestWordMm = 34;
const mostLooked = 400;

export const faceOf = (column: ColumnFact): Face => (column.align === 'right' ? 'mono' : 'sans');

/**
 * Widths of columns on a width, and the size of letters at which no word needs to be broken. Each is as wide as what stands in it; where that is too
 * much, those that can wrap share what is left by how much they hold; where there is room to spare, those that grow take it.
 */
export function laidColumns(
  columns: ColumnFact[],
  rows: string[][],
  inner: number,
  usual: number,
  measure: Measure,
): { widths: number[]; size: number; headSize: number } {
  const looked = rows.slice(0, mostLooked);
  for (const share of smaller) {
    const size = usual * share;
    const wished = columns.map((column, i) =>
      wishOf(
        column,
        looked.map((row) => row[i]!),
        size,
        headSize * share,
        measure,
      ),
    );
    const least = sum(wished.map((w) => w.least));
    if (least <= inner || share === smaller.at(-1)) {
      return { widths: shared(wished, columns, inner), size, headSize: headSize * share };
    }
  }
  throw new Error('There is always a smallest size.');
}

interface Wish {
  /** With nothing wrapped. */
  widest: number;
  /** With no word broken. */
  least: number;
}

function wishOf(column: ColumnFact, cells: string[], size: number, head: number, measure: Measure): Wish {
  const face = faceOf(column);
  const around = 2 * padMm + 0.3;
  const words = (text: string) => text.split(' ');
  const label = Math.max(0, ...words(column.label).map((word) => measure(word, head, 'bold')));
  const widest = Math.max(label, column.least ?? 0, ...cells.map((text) => measure(text, size, face)));
  const word = isRight(column)
    ? widest
    : Math.max(0, ...cells.flatMap(words).map((one) => Math.min(widestWordMm, measure(one, size, face))));
  return { widest: widest + around, least: Math.min(widest, Math.max(label, word)) + around };
}

function shared(wished: Wish[], columns: ColumnFact[], inner: number): number[] {
  const all = sum(wished.map((w) => w.widest));
  if (all <= inner) {
    const growing = columns.map((c) => c.grows === true);
    const many = growing.filter(Boolean).length;
    return wished.map((w, i) => w.widest + (many > 0 ? (growing[i] ? (inner - all) / many : 0) : (inner - all) / columns.length));
  }
  const least = sum(wished.map((w) => w.least));
  const hunger = wished.map((w) => Math.sqrt(Math.max(0, w.widest - w.least)));
  const hungry = sum(hunger) || 1;
  const shrink = Math.min(1, inner / least);
  return wished.map((w, i) => w.least * shrink + (Math.max(0, inner - least) * hunger[i]!) / hungry);
}

const sum = (all: number[]): number => all.reduce((a, b) => a + b, 0);
