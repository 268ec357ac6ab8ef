import { expect, test, vi } from 'vitest';
import { actionsOf, edited, stepOf } from '../src/sheets/editing';
import { itemOf, type ColumnChoice, type Sheet } from '../src/sheets/facts';
import { newSheet } from '../src/sheets/kinds';
import type { HandleArea } from '../src/sheets/marks';

const all = ['a', 'b', 'c'];
const choices: ColumnChoice[] = ['x', 'y', 'z'].map((key) => ({ key, label: key, usual: key !== 'z' }));
const handle = (of: HandleArea['of'], id: string): HandleArea => ({ of, id, label: id, x: 0, y: 0, width: 1, height: 1 });

/** What pressing an action makes of a sheet. */
function pressed(sheet: Sheet, of: HandleArea['of'], id: string, label: string): Sheet {
  const put = vi.fn<(sheet: Sheet) => void>();
  const action = actionsOf(handle(of, id), sheet, choices, all, put, undefined).find((a) => a.label === label);
  action!.run!();
  return put.mock.calls[0]![0];
}

test('what is typed on the page is said by the sheet, of itself or of a thing on it', () => {
  const sheet = newSheet('frames');
  expect(edited(sheet, { of: 'title' }, 'Sent', all).title).toBe('Sent');
  expect(edited(sheet, { of: 'note' }, 'For you', all).note).toBe('For you');
  expect(itemOf(edited(sheet, { of: 'itemTitle', item: 'b' }, 'The rivet', all), 'b')).toMatchObject({ title: 'The rivet' });
  expect(itemOf(edited(sheet, { of: 'itemRemark', item: 'b' }, 'Closer', all), 'b')).toMatchObject({ remark: 'Closer' });
});

test('typing in one field is one step of undo; whatever moves, goes or comes is one of its own', () => {
  const sheet = newSheet('frames');
  const typed = edited(sheet, { of: 'title' }, 'S', all);
  expect(stepOf(sheet, typed)).toBe(stepOf(typed, edited(typed, { of: 'title' }, 'Se', all)));
  expect(stepOf(sheet, typed)).not.toBe(stepOf(sheet, edited(sheet, { of: 'note' }, 'S', all)));
  const one = edited(sheet, { of: 'itemTitle', item: 'a' }, 'A', all);
  expect(stepOf(sheet, one)).not.toBe(stepOf(sheet, edited(sheet, { of: 'itemTitle', item: 'b' }, 'A', all)));
  const left = pressed(sheet, 'item', 'a', 'Leave it out');
  vi.spyOn(performance, 'now').mockReturnValueOnce(1).mockReturnValueOnce(2);
  expect(stepOf(sheet, left)).not.toBe(stepOf(left, pressed(left, 'item', 'b', 'Leave it out')));
});

test('things are moved and left out, with what only some work offers between', () => {
  const sheet = newSheet('frames');
  expect(pressed(sheet, 'item', 'a', 'Move later').items!.map((i) => i.id)).toEqual(['b', 'a', 'c']);
  expect(pressed(sheet, 'item', 'c', 'Move earlier').items!.map((i) => i.id)).toEqual(['a', 'c', 'b']);
  expect(itemOf(pressed(sheet, 'item', 'b', 'Leave it out'), 'b')?.leftOut).toBe(true);
  const offered = actionsOf(handle('item', 'a'), sheet, choices, all, vi.fn(), {
    of: () => [{ label: 'Or with a longer lens' }],
    watch: () => vi.fn(),
  });
  expect(offered.map((a) => a.label)).toEqual(['Move earlier', 'Move later', 'Or with a longer lens', 'Leave it out']);
});

test('columns are moved among those that are shown and left out, but never the last', () => {
  const sheet = newSheet('shots');
  expect(pressed(sheet, 'column', 'x', 'Move right').columns).toEqual(['y', 'x']);
  expect(pressed(sheet, 'column', 'y', 'Move left').columns).toEqual(['y', 'x']);
  expect(pressed(sheet, 'column', 'y', 'Leave this column out').columns).toEqual(['x']);
  const labels = (columns: string[], id: string) =>
    actionsOf(handle('column', id), { ...sheet, columns }, choices, all, vi.fn(), undefined).map((a) => a.label);
  expect(labels(['x'], 'x')).toEqual([]);
  expect(labels(['z', 'x'], 'z')).toEqual(['Move right', 'Leave this column out']);
});
