import { expect, test } from 'vitest';
import { laidColumns, padMm } from '../src/sheets/columns';
import type { ColumnFact } from '../src/sheets/facts';
import { mmPerPoint, type Measure } from '../src/sheets/marks';

const measure: Measure = (text, size) => text.length * size * mmPerPoint * 0.5;
const columns: ColumnFact[] = [
  { key: 'no', label: 'No.', align: 'right' },
  { key: 'title', label: 'Shot' },
  { key: 'remark', label: 'Remark', grows: true },
];
const sum = (all: number[]) => all.reduce((a, b) => a + b, 0);

test('with room to spare each column is as wide as what stands in it, and what grows takes the rest', () => {
  const { widths, size } = laidColumns(columns, [['1', 'A rivet', '']], 184, 8, measure);
  expect(size).toBe(8);
  expect(sum(widths)).toBeCloseTo(184, 6);
  expect(widths[1]).toBeCloseTo(measure('A rivet', 8, 'sans') + 2 * padMm + 0.3, 6);
  expect(widths[2]).toBeGreaterThan(130);
});

test('with too little, text wraps and figures do not', () => {
  const rows = [['100', 'Two people on one plank '.repeat(4), 'Mind the tide '.repeat(9)]];
  const { widths, size } = laidColumns(columns, rows, 120, 8, measure);
  expect([size, Math.round(sum(widths))]).toEqual([8, 120]);
  expect(widths[0]).toBeCloseTo(measure('100', 8, 'mono') + 2 * padMm + 0.3, 6);
});

test('where words would be broken the letters are made smaller, together with the heads', () => {
  const many = Array.from({ length: 8 }, (_, i): ColumnFact => ({ key: `c${i}`, label: 'Unit' }));
  const { widths, size, headSize } = laidColumns(many, [many.map(() => 'shoulders')], 122, 8.2, measure);
  expect(size).toBeLessThan(8.2);
  expect(headSize / 7.2).toBeCloseTo(size / 8.2, 6);
  expect(Math.min(...widths)).toBeGreaterThan(measure('shoulders', size, 'sans') + 2 * padMm);
  expect(sum(widths)).toBeLessThan(122.001);
});

test('what fits at no size still stays within its width', () => {
  const many = Array.from({ length: 30 }, (_, i): ColumnFact => ({ key: `c${i}`, label: 'Unit', align: 'right' }));
  expect(sum(laidColumns(many, [many.map(() => '1234567890')], 120, 8, measure).widths)).toBeCloseTo(120, 6);
});
