import type { GearField, GearItem } from '../../core/core';

/** The mounts that a thing names and the shelf has not; none while it is not known what the shelf has. */
export function newMounts(item: GearItem, fields: readonly GearField[], known: readonly string[] | undefined): string[] {
  if (known === undefined) {
    return [];
  }
  const has = new Set(known.map((name) => name.toLowerCase()));
  return fields
    .filter((field) => field.type === 'mount' || field.type === 'mounts')
    .flatMap((field) => (item[field.key] as string | string[] | undefined) ?? [])
    .filter((name) => {
      const isNew = !has.has(name.toLowerCase());
      has.add(name.toLowerCase());
      return isNew;
    });
}
