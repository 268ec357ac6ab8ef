import { expect, test, vi } from 'vitest';
import type { GearItem } from '../src/core/core';
import { factsOf, fullName, held, modesOf, priceOf, sum, weightOf, widest } from '../src/gear/gear';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));

const item = (kind: string, more: object = {}) => ({ kind, id: 'i', name: 'Thing', ...more }) as GearItem;
const read = (text: string) => text.replaceAll('\u2009', ' ');

test.each([
  ['mount', { flangeMm: 20.5, takes: ['Thole'] }, 'flange 20.5 mm · also takes Thole'],
  [
    'body',
    { mounts: ['K-bay', 'Sill'], sensorWidthMm: 36, sensorHeightMm: 24, modes: [{ name: 'A' }], bodyStabilisationStops: 5 },
    'K-bay or Sill · 36 × 24 mm · 1 mode · steady 5 stops',
  ],
  ['fixedLensCamera', { focalShortMm: 8, focalLongMm: 80, widestF: 1.8, widestLongF: 4 }, '8–80 mm ƒ1.8–4 · 0 modes'],
  ['lens', { mount: 'K-bay', madeFor: 'Full frame', filterThreadMm: 77 }, 'K-bay · Full frame · 77 mm thread'],
  ['lens', { mount: 'K-bay', frontBulges: true, filterThreadMm: 77 }, 'K-bay · no filters'],
  ['adapter', { lensMount: 'Thole', bodyMount: 'K-bay', magnification: 0.71 }, 'Thole onto K-bay · reducer 0.71×'],
  ['adapter', { lensMount: 'Thole', bodyMount: 'Thole', magnification: 1.4 }, 'Thole onto Thole · extender 1.4×'],
  ['adapter', { lensMount: 'Thole', bodyMount: 'Thole', extensionMm: 16 }, 'Thole onto Thole · tube 16 mm'],
  ['adapter', { lensMount: 'Thole', bodyMount: 'Sill' }, 'Thole onto Sill · plain'],
  ['attachment', { squeezeRatio: 1.33, threadMm: 58, needsSupport: true }, '1.33× squeeze · 58 mm thread · needs support'],
  ['closeUpLens', { dioptres: 2, threadMm: 77 }, '+2 dpt · 77 mm thread'],
  ['filter', { stops: 2, stopsMost: 8 }, '2–8 stops'],
  ['stepRing', { threadMm: 58, frontThreadMm: 77 }, '58 to 77 mm'],
  ['support', { type: 'tripod', payloadG: 12_000 }, 'tripod · carries 12 kg'],
  ['bagItem', { energyWh: 98, storageGb: 512 }, '98 Wh · 512 GB'],
  ['unheardOf', {}, ''],
] as const)('a %s is told from others by what matters of it', (kind, more, text) => {
  expect(read(factsOf(item(kind, more)))).toBe(text);
});

test('the widest aperture comes from a list along the zoom where it is given so', () => {
  expect(widest(item('lens', { widestF: 2, widestLongF: 2 }))).toBe('ƒ2');
  expect(
    widest(
      item('lens', {
        widestAlong: [
          [18, 3.5],
          [35, 4.5],
          [55, 5.6],
        ],
      }),
    ),
  ).toBe('ƒ3.5–5.6');
  expect(widest(item('lens'))).toBe('');
});

test('names, weights, prices and owners', () => {
  expect([fullName(item('lens', { maker: 'Selkie' })), fullName(item('lens'))]).toEqual(['Selkie Thing', 'Thing']);
  const weighs = (weightG?: number) => read(weightOf(item('lens', { weightG })));
  expect([weighs(), weighs(950), weighs(1250)]).toEqual(['not known', '950 g', '1.25 kg']);
  const costs = (more: object) => read(priceOf(item('lens', more)));
  expect([costs({}), costs({ purchasePrice: 1499.6 }), costs({ ownership: 'hire', purchasePrice: 1500, hirePerDay: 49.5 })]).toEqual([
    'not known',
    '1500 €',
    '49.5 €/day',
  ]);
  expect([sum(5, 0, String), sum(5, 2, String), sum(0, 2, String)]).toEqual(['5', 'at least 5, 2 not known', 'not known (2)']);
  expect([held(item('lens')), held(item('lens', { ownership: 'hire', from: 'the shed unit' }))]).toEqual([
    'ours',
    'to hire · the shed unit',
  ]);
  expect(modesOf(item('body', { modes: 'nonsense' }))).toEqual([]);
});
