/** What the core says of each field of a rig, a scene and conventions: label, help, unit, how it is typed, and what an untouched one holds. */
import { conventionFields, rigFields, sceneFields, testReadingFields, testSetupFields } from '../api/fields';
import { distanceField, exposureTime, plain, withUnit } from '../ui/format';
import type { Conventions, EntryKind, SceneInput } from './core';

export { conventionFields, rigFields, sceneFields, testReadingFields, testSetupFields };

/** A number that people type. */
export interface NumberField {
  label: string;
  help: string;
  kind: EntryKind;
  unit: string;
  isDistance: boolean;
  /** What stands for an empty field; null where that is “not known”. */
  empty: number | null;
}

/** What a field of the page says of itself; the rest of it is its own. */
export const named = ({ label, help, kind }: NumberField): Pick<NumberField, 'label' | 'help' | 'kind'> => ({ label, help, kind });

const decimals = 5;

const before: Partial<Record<EntryKind, string>> = { fNumber: 'ƒ', tNumber: 'T', brightness: 'EV ' };
const after: Partial<Record<EntryKind, string>> = { squeeze: '×', punchIn: '×', magnification: '×', pupilMagnification: '×' };

/** A value as it stands in its field. */
export function fieldText(field: NumberField, value: number, feet: boolean): string {
  if (field.isDistance) {
    return distanceField(value, feet);
  }
  if (field.kind === 'tolerance') {
    return withUnit(plain(100 * value, 2), '%');
  }
  if (field.kind === 'shutterTime') {
    return exposureTime(value, decimals);
  }
  const number = (before[field.kind] ?? '') + plain(value, decimals) + (after[field.kind] ?? '');
  return field.unit === '' || field.kind === 'brightness' || field.kind === 'sensitivity'
    ? number
    : field.unit === '°'
      ? `${number}°`
      : withUnit(number, field.unit);
}

type Numbers<T> = { [K in keyof T & string as T[K] extends { empty: number } ? K : never]: unknown };

/** A scene's number, or the usual one where it was left out. */
export const sceneNumber = (scene: SceneInput, name: keyof Numbers<typeof sceneFields> & keyof SceneInput): number =>
  (scene[name] as number | null | undefined) ?? sceneFields[name].empty;

/** A number of the conventions, or the usual one. */
export const conventionNumber = (conventions: Conventions, name: keyof Numbers<typeof conventionFields> & keyof Conventions): number =>
  (conventions[name] as number | null | undefined) ?? conventionFields[name].empty;
