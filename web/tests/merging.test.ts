import { describe, expect, test } from 'vitest';
import { merge, orderKey, same, says, withTheirs } from '../src/documents/merging';

interface Thing {
  id: string;
  a?: number;
  b?: number;
  chain?: { parts: string[]; mode: string };
}
interface Doc {
  note?: string;
  things: Thing[];
}

const of = (things: Thing[], note = '', name = 'Work') => ({ name, document: { note, things } as Doc });
const whole = new Set(['chain']);
const put = (was: ReturnType<typeof of> | null, mine: ReturnType<typeof of>, theirs: ReturnType<typeof of>) =>
  merge(was, mine, theirs, whole);

describe('two changes of one document', () => {
  test('of different things go together', () => {
    const { merged, overlaps } = put(
      of([
        { id: 'x', a: 1, b: 1 },
        { id: 'y', a: 1 },
      ]),
      of(
        [
          { id: 'x', a: 2, b: 1 },
          { id: 'y', a: 1 },
        ],
        'mine',
      ),
      of(
        [
          { id: 'x', a: 1, b: 5 },
          { id: 'y', a: 7 },
        ],
        '',
        'Theirs',
      ),
    );
    expect(overlaps).toEqual([]);
    expect(merged).toEqual({
      name: 'Theirs',
      document: {
        note: 'mine',
        things: [
          { id: 'x', a: 2, b: 5 },
          { id: 'y', a: 7 },
        ],
      },
    });
  });

  test('of the same thing are asked about; a choice sets only that', () => {
    const { merged, overlaps } = put(of([{ id: 'x', a: 1, b: 1 }]), of([{ id: 'x', a: 2, b: 1 }]), of([{ id: 'x', a: 3, b: 9 }]));
    expect(overlaps).toEqual([{ path: ['document', 'things', 'x', 'a'], mine: 2, theirs: 3 }]);
    expect(merged.document.things).toEqual([{ id: 'x', a: 2, b: 9 }]);
    expect(withTheirs(merged, overlaps[0]!).document.things).toEqual([{ id: 'x', a: 3, b: 9 }]);
  });

  test('to the same value are no question', () => {
    expect(put(of([{ id: 'x', a: 1 }]), of([{ id: 'x', a: 2 }]), of([{ id: 'x', a: 2 }])).overlaps).toEqual([]);
  });

  test('what both added stays, each behind what it stood behind', () => {
    const { merged, overlaps } = put(
      of([{ id: 'x' }, { id: 'z' }]),
      of([{ id: 'x' }, { id: 'm' }, { id: 'z' }]),
      of([{ id: 'x' }, { id: 'z' }, { id: 't' }]),
    );
    expect(merged.document.things.map((t) => t.id)).toEqual(['x', 'm', 'z', 't']);
    expect(overlaps).toEqual([]);
  });

  test('what one took away and the other left alone is gone; what the other changed is asked about', () => {
    const was = of([
      { id: 'x', a: 1 },
      { id: 'y', a: 1 },
    ]);
    const gone = put(
      was,
      of([{ id: 'y', a: 1 }]),
      of([
        { id: 'x', a: 1 },
        { id: 'y', a: 2 },
      ]),
    );
    expect(gone.merged.document.things).toEqual([{ id: 'y', a: 2 }]);
    const asked = put(
      was,
      of([{ id: 'y', a: 1 }]),
      of([
        { id: 'x', a: 5 },
        { id: 'y', a: 1 },
      ]),
    );
    expect(asked.overlaps).toMatchObject([{ path: ['document', 'things', 'x'], mine: undefined, theirs: { id: 'x', a: 5 } }]);
    expect(asked.merged.document.things).toEqual([{ id: 'y', a: 1 }]);
    expect(withTheirs(asked.merged, asked.overlaps[0]!).document.things).toContainEqual({ id: 'x', a: 5 });
    const theirsGone = put(
      was,
      of([
        { id: 'x', a: 5 },
        { id: 'y', a: 1 },
      ]),
      of([{ id: 'y', a: 1 }]),
    );
    expect(withTheirs(theirsGone.merged, theirsGone.overlaps[0]!).document.things).toEqual([{ id: 'y', a: 1 }]);
  });

  test('of the order are put together where one changed it, and asked about where both did', () => {
    const [x, y, z] = [{ id: 'x' }, { id: 'y' }, { id: 'z' }];
    expect(put(of([x, y, z]), of([x, y, z]), of([z, x, y])).merged.document.things).toEqual([z, x, y]);
    const both = put(of([x, y, z]), of([y, x, z]), of([z, x, y]));
    expect(both.overlaps).toMatchObject([{ path: ['document', 'things', orderKey] }]);
    expect(both.merged.document.things).toEqual([y, x, z]);
    expect(withTheirs(both.merged, both.overlaps[0]!).document.things).toEqual([z, x, y]);
  });

  test('of what makes sense only as a whole are one question', () => {
    const chain = (parts: string[], mode: string) => of([{ id: 'x', chain: { parts, mode } }]);
    const { overlaps } = put(chain(['a'], 'm'), chain(['b'], 'm'), chain(['a'], 'n'));
    expect(overlaps.map((o) => o.path.at(-1))).toEqual(['chain']);
  });

  test('of work whose beginning is not known ask about all that differs', () => {
    const { overlaps } = put(null, of([{ id: 'x', a: 1 }], 'n'), of([{ id: 'x', a: 2 }], 'n'));
    expect(overlaps.map((o) => o.path.join('.'))).toEqual(['document.things.x.a']);
  });
});

test('what is left out and what is empty say the same, and so do members in another order', () => {
  expect(same({ a: 1, b: { c: 2, d: null } }, { b: { c: 2 }, a: 1, e: '', f: false, g: 0 })).toBe(true);
  expect(same([1, 2], [2, 1])).toBe(false);
  expect(says(of([]), of([], '', 'Other'))).toBe(false);
});
