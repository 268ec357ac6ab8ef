import { expect, test } from 'vitest';
import { conventionNumber, fieldText, rigFields, sceneFields, sceneNumber } from '../src/core/fields';

const said = (field: Parameters<typeof fieldText>[0], value: number, feet = false) =>
  fieldText(field, value, feet).replaceAll('\u2009', ' ');

test('a value stands in its field with the sign or unit of its kind', () => {
  expect(said(rigFields.fNumber, 2.8)).toBe('ƒ2.8');
  expect(said(rigFields['lens.widestTNumber'], 3.1)).toBe('T3.1');
  expect(said(rigFields['lens.maximumMagnification'], 0.25)).toBe('0.25×');
  expect(said(rigFields.extensionMm, 12)).toBe('12 mm');
  expect(said(rigFields.sensitivityIso, 800)).toBe('800');
  expect(said(rigFields.squeezeTurnDeg, -0.5)).toBe('-0.5°');
  expect(said(sceneFields.brightnessEv, 12)).toBe('EV 12');
  expect(said(sceneFields.timelineFps, 25)).toBe('25 fps');
  expect(said(sceneFields.lensHeightMm, 1600)).toBe('1.6 m');
});

test('what is left out is what the core takes for it', () => {
  expect(sceneNumber({ subjectDistanceMm: 1 }, 'lensHeightMm')).toBe(1600);
  expect(sceneNumber({ subjectDistanceMm: 1, lensHeightMm: 0 }, 'lensHeightMm')).toBe(0);
  expect(conventionNumber({}, 'cocDivisor')).toBe(1500);
});
