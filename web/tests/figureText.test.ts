import { describe, expect, test } from 'vitest';
import type { FigureInfo } from '../src/core/core';
import { differenceText, figureText } from '../src/ui/figureText';
import {
  aperture,
  counted,
  distance,
  distanceField,
  fixed,
  oneLine,
  percent,
  plain,
  roundDistance,
  shape,
  signed,
  stops,
} from '../src/ui/format';

const info = (unit: FigureInfo['unit'], comparison = 'own') =>
  ({ id: 'cropFactor', name: '', unit, comparison, meaning: '', worryAbove: null }) as FigureInfo;
/** As it is read, with thin spaces as plain ones. */
const read = (text: string | null) => text?.replaceAll('\u2009', ' ') ?? null;

describe('a figure reads as people say it', () => {
  test.each([
    ['ratio', 1.7777, '1.778'],
    ['times', 1.528, '1.53×'],
    ['times', 0.0123, '0.012×'],
    ['lensMm', 0, '0.0 mm'],
    ['lensMm', 0.0231, '0.0231 mm'],
    ['lensMm', 0.231, '0.231 mm'],
    ['lensMm', 2.31, '2.31 mm'],
    ['lensMm', 23.1, '23.1 mm'],
    ['lensMm', 231, '231 mm'],
    ['sceneMm', 8.5, '8.50 mm'],
    ['sceneMm', 85, '85.0 mm'],
    ['sceneMm', 850, '85.0 cm'],
    ['sceneMm', 8500, '8.50 m'],
    ['sceneMm', 85_000, '85.0 m'],
    ['sceneMm', 850_000, '850 m'],
    ['share', 0.0123, '1.23 %'],
    ['share', 0.123, '12.3 %'],
    ['stops', -1.26, '−1.3 st'],
    ['degrees', 39.6, '39.6°'],
    ['pixels', 3840.4, '3840'],
    ['pixels', 2.34, '2.3'],
    ['fNumber', 0.71, 'ƒ0.71'],
    ['fNumber', 2.8, 'ƒ2.8'],
    ['fNumber', 22, 'ƒ22'],
    ['tNumber', 3.1, 'T3.1'],
    ['tNumber', 11, 'T11'],
    ['seconds', 0.02, '1/50 s'],
    ['seconds', 1 / 12.5, '1/12.5 s'],
    ['seconds', 2, '2 s'],
    ['iso', 812.3, 'ISO 812'],
    ['ev', 12.34, 'EV 12.3'],
    ['reading', 2, 'soft'],
    ['reading', 9, '—'],
    ['count', 12.345, '12.3'],
  ] as const)('%s %d is %s', (unit, value, text) => {
    expect(read(figureText(info(unit), value, false))).toBe(text);
  });

  test('what does not exist is a dash, and what has no end is so said', () => {
    expect(figureText(info('ratio'), NaN, false)).toBe('—');
    expect(figureText(info('sceneMm'), Infinity, false)).toBe('∞');
  });

  test('lengths of one row share the scale of the largest, in metres and in feet', () => {
    expect(read(figureText(info('sceneMm'), 850, false, 8500))).toBe('0.85 m');
    expect(read(figureText(info('sceneMm'), 850, true, 8500))).toBe('2.79 ft');
    expect(read(figureText(info('sceneMm'), 12, true))).toBe('0.472 in');
    expect(read(figureText(info('sceneMm'), 500, true))).toBe('19.7 in');
  });
});

describe('a difference reads with its sign, in the unit in which it is compared', () => {
  test.each([
    ['lensMm', 'percent', 3.21, '+3.2 %'],
    ['lensMm', 'percent', -31.4, '−31 %'],
    ['lensMm', 'own', 0.0123, '+0.012 mm'],
    ['sceneMm', 'own', -120, '−12.0 cm'],
    ['share', 'own', 0.0123, '+1.23 %'],
    ['share', 'own', 0.123, '+12.3 %'],
    ['degrees', 'own', 0.04, '0.0°'],
    ['fNumber', 'stops', 1, '+1.0 st'],
    ['count', 'own', -2, '−2.00'],
  ] as const)('%s by %s, %d: %s', (unit, comparison, value, text) => {
    expect(read(differenceText(info(unit, comparison), value, false, 120))).toBe(text);
  });

  test('where there is none, nothing is said', () => expect(differenceText(info('ratio'), NaN, false, 1)).toBeNull());
});

test('nothing that rounds to zero has a sign', () => {
  expect([fixed(-0.001, 2), signed(-0.001, 2), signed(0.001, 2), signed(0.006, 2), signed(-0.006, 2)]).toEqual([
    '0.00',
    '0.00',
    '0.00',
    '+0.01',
    '−0.01',
  ]);
  expect([percent(0.01), stops(-0.04), plain(1.5), plain(2, 0), aperture(0.996)].map(read)).toEqual([
    '0.0 %',
    '0.0 st',
    '1.5',
    '2',
    'ƒ1.0',
  ]);
});

test('distances in feet carry inches, and never twelve of them', () => {
  expect([3200, 304.8, 290, 3657.6, 3656.9, 31_000].map((mm) => read(distance(mm, true)))).toEqual([
    '10′ 6″',
    '1′',
    '11.4″',
    '12′',
    '12′',
    '102′',
  ]);
  expect([150, 305, 12_192].map((mm) => read(roundDistance(mm, true)))).toEqual(['5.9″', '1′', '40′']);
  expect([50, 999, 1500].map((mm) => read(roundDistance(mm, false)))).toEqual(['5 cm', '99.9 cm', '1.5 m']);
});

test('a field of a distance tells what a tape measures, and no digits beyond', () => {
  expect([2345.6, 1131.43, 999.94, 12.7, 52.318].map((mm) => read(distanceField(mm, false)))).toEqual([
    '2.346 m',
    '1.131 m',
    '99.99 cm',
    '1.27 cm',
    '5.232 cm',
  ]);
  expect([3048, 3047.99, 3200.4, 3771.43, 1131.43, 31.75].map((mm) => read(distanceField(mm, true)))).toEqual([
    '10′',
    '10′',
    '10′ 6″',
    '12′ 4.5″',
    '3′ 8.54″',
    '1.25″',
  ]);
});

test('a shape has its name, or its number', () => {
  expect([16 / 9, 9 / 16, 4 / 3, 3 / 2, 4 / 5, 1, 2.39].map(shape)).toEqual(['16:9', '9:16', '4:3', '3:2', '4:5', '1:1', '2.39']);
});

test('a name keeps every letter of every script, and nothing that cannot be stored', () => {
  expect(oneLine('鏡頭 🎥\r\n\u0000ƒ2\ud83c')).toBe('鏡頭 🎥 ƒ2');
});

test('a count and its word agree', () => {
  expect([counted(1, 'thing'), counted(0, 'thing'), counted(2, 'body', 'bodies')]).toEqual(['1 thing', '0 things', '2 bodies']);
});
