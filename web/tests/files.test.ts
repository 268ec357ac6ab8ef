import { beforeEach, expect, test, vi } from 'vitest';
import type { RigReport } from '../src/core/core';
import { changeStored } from '../src/documents/changeStored';
import { fileName, readWorkFile } from '../src/documents/workFile';
import { away, serverOf, work, type Doc } from './pages';

vi.mock('../src/core/core', () => ({
  core: () => ({ figures: { enlargement: { name: 'Enlargement', unit: 'times', comparison: 'percent' } } }),
  coreReady: Promise.resolve(),
}));
const { saveCsv } = await import('../src/features/bench/takeOut');

const file = (text: string, name = 'a.json') => new File([text], name);

test('a name makes a file’s name that every system takes, in every script', () => {
  expect([fileName('Low water: 1/2 “loft”'), fileName('鏡頭 ƒ2'), fileName('///')]).toEqual(['Low water 12 loft', '鏡頭 ƒ2', 'work']);
  expect(fileName('x'.repeat(200))).toHaveLength(80);
});

test('a file of work is read back, and any other is refused with what it should be', async () => {
  const good = JSON.stringify({ kind: 'comparison', name: 'Bench', document: { setup: 1 } });
  expect(await readWorkFile(file(good))).toEqual({ kind: 'comparison', name: 'Bench', document: { setup: 1 } });
  for (const bad of [
    '{',
    'null',
    '[]',
    '{"kind":"comparison","name":1,"document":{}}',
    '{"kind":"comparison","name":"x","document":null}',
  ]) {
    expect(await readWorkFile(file(bad))).toMatch(/^a\.json is no work/);
  }
  expect(await readWorkFile(file(' '.repeat(2_100_000)))).toMatch(/more than 2 MB/);
});

const change = (server: ReturnType<typeof serverOf>, recipe: (d: Doc) => Doc | null) =>
  changeStored<Doc>({ works: server.works } as never, 'w', recipe);

test('work that is not on the page is changed on top of what is stored, again when somebody was quicker', async () => {
  const server = serverOf(work(1, { n: 1 }));
  server.write.mockResolvedValueOnce({ kind: 'conflict', current: work(2, { n: 5 }) });
  expect(await change(server, (d) => ({ ...d, m: 9 }))).toBeNull();
  expect(server.all.get('w')!.document).toEqual({ n: 1, m: 9 });
  server.write.mockResolvedValue({ kind: 'conflict', current: work(2, { n: 5 }) });
  expect(await change(server, (d) => d)).toMatchObject({ kind: 'away' });
});

test('nothing is written where there is nothing to change, or the server is away', async () => {
  const server = serverOf(work(1, { n: 1 }));
  expect(await change(server, () => null)).toMatchObject({ kind: 'missing' });
  server.read.mockResolvedValueOnce(away);
  expect(await change(server, (d) => d)).toEqual(away);
  expect(server.write).not.toHaveBeenCalled();
});

let saved: Blob[] = [];
beforeEach(() => {
  saved = [];
  vi.spyOn(URL, 'createObjectURL').mockImplementation((blob) => (saved.push(blob as Blob), 'blob:x'));
});

test('a table for a spreadsheet holds names as text, never as a formula', async () => {
  const reports = [1.2, 1.5].map((enlargement, i) => ({
    figures: { enlargement },
    differences: { enlargement: i === 0 ? NaN : 25 },
    reasons: 0,
  })) as unknown as RigReport[];
  saveCsv('Bench', 'Essentials', [{ name: 'Sensor "A"', rows: [{ figure: 'enlargement' }] }], ['=1+1', '@cmd'], reports, 0, false);
  const bytes = new Uint8Array(await saved[0]!.arrayBuffer());
  expect([...bytes.slice(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
  const rows = new TextDecoder().decode(bytes).replaceAll('\u2009', ' ').split('\r\n');
  expect(rows).toEqual([`"Essentials","'=1+1","'@cmd","against =1+1"`, `"Sensor ""A""","","",""`, `"Enlargement","1.20×","1.50×","+25 %"`]);
});
