import { beforeEach, expect, test, vi } from 'vitest';

const [listed, made, read, shelf] = [vi.fn(), vi.fn(), vi.fn(), vi.fn()];
vi.mock('../src/api/client', () => ({
  comparisons: { list: listed },
  productions: { list: made, read },
  api: { GET: shelf },
}));
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { findAll } = await import('../src/app/finding');

const never = new AbortController().signal;
const names = async (words: string) => (await findAll(words, never)).map(({ group, name }) => `${group}: ${name}`);
const away = { kind: 'away', say: 'The server does not answer.' };
let revision = 0;

beforeEach(() => {
  listed.mockResolvedValue([
    { id: 'c', name: 'Loft', note: 'The caulker speaks.', lines: ['Skiff, 25 mm'] },
    { id: 'd', name: 'The Caulker at noon', note: '', lines: [] },
  ]);
  made.mockResolvedValue([{ id: 'p', name: 'Neap tide', note: '', revision: ++revision }]);
  read.mockResolvedValue({
    document: { shots: [{ id: 's', name: 'The caulker', locationId: 'l' }], locations: [{ id: 'l', name: 'Rope walk' }] },
  });
  shelf.mockResolvedValue({ data: { items: [] } });
});

test('what is called so goes before what only tells of it', async () => {
  expect(await names('caulker the')).toEqual(['Comparison: The Caulker at noon', 'Shot: The caulker', 'Comparison: Loft']);
});

test('a place leads to a shot there, a rig to its comparison, and a command is found by its words', async () => {
  expect(await findAll('rope', never)).toEqual([{ group: 'Place', name: 'Rope walk', more: 'Neap tide', to: '/brief/p?shot=s' }]);
  expect(await findAll('skiff', never)).toEqual([{ group: 'Rig', name: 'Skiff, 25 mm', more: 'Loft', to: '/bench/c' }]);
  expect(await names('lens shelf')).toEqual(['Do: Add a lens to the shelf']);
});

test('a bag leads to where it is packed, and the views of bags are found by their words', async () => {
  read.mockResolvedValue({
    document: {
      bags: [
        { id: 'b', name: 'Light bag' },
        { id: 'n', name: '' },
      ],
    },
  });
  expect(await findAll('light bag', never)).toEqual([{ group: 'Bag', name: 'Light bag', more: 'Neap tide', to: '/brief/p/bags?bag=b' }]);
  expect(await findAll('best neap', never)).toEqual([
    { group: 'Go to', name: 'The best bag for Neap tide', to: '/brief/p/bags?view=best' },
  ]);
  expect(await names('packing')).toEqual(['Go to: Packing list, out and back, of Neap tide']);
});

test('of each kind the first eight are told', async () => {
  listed.mockResolvedValue(Array.from({ length: 12 }, (_, i) => ({ id: `${i}`, name: `Row ${i}`, note: '', lines: [] })));
  expect((await names('row')).filter((name) => name.startsWith('Comparison'))).toHaveLength(8);
});

test('a production that could not be read is asked for again, and one that was is not', async () => {
  read.mockResolvedValueOnce(away);
  expect(await names('caulker')).not.toContain('Shot: The caulker');
  expect(await names('caulker')).toContain('Shot: The caulker');
  read.mockClear();
  expect(await names('rope')).toEqual(['Place: Rope walk']);
  expect(read).not.toHaveBeenCalled();
});

test('without the server it is said why nothing is found; gear alone may be missing', async () => {
  shelf.mockRejectedValue(new TypeError('no network'));
  expect(await names('rope')).toEqual(['Place: Rope walk']);
  listed.mockResolvedValue(away);
  await expect(findAll('rope', never)).rejects.toThrow('The server does not answer.');
});
