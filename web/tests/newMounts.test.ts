import { describe, expect, test } from 'vitest';
import type { GearField, GearItem } from '../src/core/core';
import { newMounts } from '../src/features/shelf/newMounts';

const fields = [
  { key: 'mounts', type: 'mounts' },
  { key: 'mount', type: 'mount' },
  { key: 'maker', type: 'text' },
] as unknown as GearField[];
const thing = (more: object) => ({ kind: 'body', id: 'b', name: 'Petrel', ...more }) as unknown as GearItem;

describe('mounts that come to the shelf with a thing', () => {
  test('are those that it names and the shelf has not, in any case of letters, once each', () => {
    const item = thing({ mounts: ['Transom', 'gunwale', 'TRANSOM'], mount: 'Hawse', maker: 'Corrie' });
    expect(newMounts(item, fields, ['Gunwale'])).toEqual(['Transom', 'Hawse']);
  });

  test('are none while nobody knows what the shelf has, and none where none is named', () => {
    expect(newMounts(thing({ mounts: ['Transom'] }), fields, undefined)).toEqual([]);
    expect(newMounts(thing({}), fields, [])).toEqual([]);
  });
});
