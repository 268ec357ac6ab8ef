import { expect, test } from 'vitest';
import { csv, csvFile } from '../src/documents/tables';

test('each cell is in quotes, and quotes in it are doubled; commas, lines and other letters stay as they are', () => {
  expect(
    csv([
      ['A "fast" one', 'near, and low'],
      ['two\nlines', 'Über die Kante'],
    ]),
  ).toBe('"A ""fast"" one","near, and low"\r\n"two\nlines","Über die Kante"');
});

test('nothing of somebody else’s is taken for a formula, and a number with its sign stays one', () => {
  const cells = ['=1+1', '+cmd', '-x', '@sum', '\tx', '-3.5', '+2', '−3.5', 'a=b'];
  expect(csv([cells])).toBe(`"'=1+1","'+cmd","'-x","'@sum","'\tx","-3.5","+2","−3.5","a=b"`);
});

test('a file says that it is UTF-8, so that a spreadsheet reads its letters', async () => {
  const file = csvFile([['ƒ'], ['2.8']]);
  const bytes = new Uint8Array(await file.arrayBuffer());
  expect([...bytes.slice(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
  expect(new TextDecoder().decode(bytes)).toBe('"ƒ"\r\n"2.8"');
  expect(file.type).toBe('text/csv;charset=utf-8');
});
