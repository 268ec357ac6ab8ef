import { expect, test, vi } from 'vitest';
import type { Fit, GearItem } from '../src/core/core';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { axesOf } = await import('../src/features/brief/plotAxes');

const rig = { body: 'b', lens: 'l', links: ['a'], front: [], weightG: 1400, weightUnknown: false };
const fit = (more: object = {}, ofRig: object = {}) =>
  ({
    distanceMm: 3200,
    blurShare: 0.0123,
    nearMm: 3000,
    farMm: 3450,
    sensitivityIso: 800,
    rig: { ...rig, ...ofRig },
    ...more,
  }) as unknown as Fit;
const items = (...all: object[]) => new Map((all as GearItem[]).map((item) => [item.id, item]));
const value = (axis: string, of = fit(), gear = items()) => axesOf(6400, gear, false)[axis]!.value(of);

test('what is not known of a rig, or has no end, has no place in the plot', () => {
  expect(value('weight', fit({}, { weightUnknown: true }))).toBeNull();
  expect(value('light', fit({ sensitivityIso: null }))).toBeNull();
  expect(value('sharp', fit({ farMm: null }))).toBeNull();
  expect(value('price')).toBeNull();
});

test('light to spare is counted in stops from what the crew accepts', () => {
  expect(value('light')).toBeCloseTo(3, 12);
  expect(value('light', fit({ sensitivityIso: 12_800 }))).toBeCloseTo(-1, 12);
});

test('a price is of what is bought, a hire of what is hired; of a rig that keeps its lens the camera counts once', () => {
  const ours = { id: 'b', purchasePrice: 2000 };
  const hired = { id: 'l', ownership: 'hire', hirePerDay: 45, purchasePrice: 9000 };
  const ring = { id: 'a', purchasePrice: 60 };
  expect([value('price', fit(), items(ours, hired, ring)), value('hire', fit(), items(ours, hired, ring))]).toEqual([2060, 45]);
  expect(value('price', fit(), items(ours, hired, { id: 'a' }))).toBeNull();
  expect(value('hire', fit(), items(ours, ring, { ...hired, hirePerDay: undefined }))).toBeNull();
  expect(value('price', fit({}, { lens: 'b', links: [] }), items(ours))).toBe(2000);
  expect(value('hire', fit({}, { lens: 'b', links: [] }), items(ours))).toBe(0);
});

test('every axis tells a value in the person’s unit', () => {
  const plain = (axis: string, feet = false) =>
    (axesOf(6400, items(), feet)[axis]?.text(value(axis)!) ?? '').replace(/[\u2009\u00a0\u202f]/g, ' ');
  expect(['distance', 'blur', 'weight', 'light', 'sharp'].map((axis) => plain(axis))).toEqual([
    '3.20 m',
    '1.2 %',
    '1.4 kg',
    '+3.0 st',
    '45.0 cm',
  ]);
  expect(plain('distance', true)).toContain('′');
  expect(axesOf(6400, items(), false).blur!.text(0.123)).toContain('0.12');
});
