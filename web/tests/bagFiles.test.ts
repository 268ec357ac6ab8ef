import { beforeEach, expect, test, vi } from 'vitest';
import type { Bag } from '../src/gear/bags';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const [download, readFile, tableOf, addBags] = vi.hoisted(() => [vi.fn(), vi.fn(), vi.fn(), vi.fn()]);
vi.mock('../src/documents/workFile', async (original) => ({ ...(await original<object>()), download }));
vi.mock('../src/documents/exchange', async (original) => ({ ...(await original<object>()), readFile, tableOf }));
vi.mock('../src/features/brief/bags/bagCommands', () => ({ addBags }));
const here = [{ id: 'b1', name: 'Shed' }];
vi.mock('../src/features/brief/productionStore', () => ({
  useProduction: { getState: () => ({ name: 'Low Water', document: { bags: here } }) },
}));
const { bringIn, takeOut } = await import('../src/features/brief/bags/bagFiles');

const bag = (id: string, name: string): Bag => ({ id, name, lines: [{ id: 'lens' }] });
const file = new File(['{}'], 'bags.json');
beforeEach(() => [download, readFile, tableOf, addBags].forEach((mock) => mock.mockReset()));

test('one bag goes out under its name, several under that of the production', async () => {
  expect(await takeOut([bag('1', 'River: wet')], 'json')).toBe('');
  expect(await takeOut([bag('1', 'A'), bag('2', 'B')], 'json')).toBe('');
  expect(download.mock.calls.map(([name]) => name as string)).toEqual(['River wet.bags.json', 'Low Water bags.bags.json']);
  const written = JSON.parse(await (download.mock.calls[1]![1] as Blob).text()) as object;
  expect(written).toEqual({ format: 'juxtopsis-bags', version: 1, bags: [bag('1', 'A'), bag('2', 'B')] });
});

test('a table is made by the server; where it makes none, that is said and nothing is saved', async () => {
  const table = new Blob(['Bag']);
  tableOf.mockResolvedValueOnce(table).mockResolvedValueOnce('The server cannot be reached.');
  expect(await takeOut([bag('1', 'A')], 'csv')).toBe('');
  expect(download).toHaveBeenLastCalledWith('A.csv', table);
  expect(await takeOut([bag('1', 'A')], 'csv')).toBe('The server cannot be reached.');
  expect(download).toHaveBeenCalledTimes(1);
});

test('bags come in beside those that are here, each with an identity and a name of its own', async () => {
  readFile.mockResolvedValue({ bags: [bag('b1', 'Shed'), bag('b1', 'Shed'), bag('x', 'River')], problems: [] });
  expect(await bringIn(file)).toBe('3 bags brought in.');
  const added = addBags.mock.calls[0]![0] as Bag[];
  expect(new Set([...here, ...added].map((b) => b.name)).size).toBe(4);
  expect(added[2]!.name).toBe('River');
  expect(new Set(['b1', 'x', ...added.map((b) => b.id)]).size).toBe(5);
  expect(added.map((b) => b.lines)).toEqual([[{ id: 'lens' }], [{ id: 'lens' }], [{ id: 'lens' }]]);
});

test('what was left out is told, in as many sentences as one reads; a file that is none changes nothing', async () => {
  const problems = Array.from({ length: 8 }, (_, i) => `Line ${i} has no thing.`);
  readFile.mockResolvedValueOnce({ bags: [bag('1', 'A')], problems }).mockResolvedValueOnce('bags.json is no such file.');
  const said = await bringIn(file);
  expect(said).toMatch(/^1 bag brought in\. Line 0 has no thing\. .*Line 4 has no thing\. And 3 more\.$/);
  expect(await bringIn(file)).toBe('bags.json is no such file.');
  expect(addBags).toHaveBeenCalledTimes(1);
});
