import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, useEffect } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import { draw, settled } from './drawn';

type Item = { id: string; updatedAt: string; deletedAt: string | null };
const pageSize = 100;
const listed: Record<string, Item[]> = {};
const asked = vi.fn();
let refuses = false;

vi.mock('../src/documents/kinds', () => {
  const kind = (name: string) => ({
    kind: name,
    works: {
      list: (deleted: boolean, skip: number, search: string) => {
        asked(name, deleted, skip, search);
        return Promise.resolve(
          refuses ? { kind: 'away', say: 'The server cannot be reached.' } : listed[name]!.slice(skip, skip + pageSize),
        );
      },
    },
  });
  return { comparison: kind('comparison'), production: kind('production') };
});

const { useWorks } = await import('../src/features/work/works');

const item = (id: string, at: number, deletedAt: string | null = null): Item => ({ id, updatedAt: String(1_000_000 - at), deletedAt });
const seen = vi.fn<(works: ReturnType<typeof useWorks>) => void>();
const works = () => seen.mock.lastCall![0];
function List(props: { deleted?: boolean; search?: string; only?: string }) {
  const known = useWorks(props.deleted ?? false, props.search ?? '', props.only ?? '');
  useEffect(() => seen(known));
  return null;
}
const ids = () => works().items.map(({ item: one }) => one.id);

async function list(props: Parameters<typeof List>[0] = {}) {
  const queries = new QueryClient();
  const of = (p: typeof props) => (
    <QueryClientProvider client={queries}>
      <List {...p} />
    </QueryClientProvider>
  );
  const again = draw(of(props));
  await settled();
  return async (next: typeof props) => {
    again(of(next));
    await settled();
  };
}

beforeEach(() => {
  asked.mockClear();
  refuses = false;
  listed['comparison'] = [item('c1', 1), item('c4', 4)];
  listed['production'] = [item('p2', 2), item('p3', 3)];
});

test('work of both kinds stands in one list, what was changed last first', async () => {
  await list();
  expect(ids()).toEqual(['c1', 'p2', 'p3', 'c4']);
  expect(works().hasMore).toBe(false);
});

test('of one kind only that is asked for', async () => {
  const again = await list({ only: 'production', search: 'loft' });
  expect([ids(), asked.mock.calls]).toEqual([['p2', 'p3'], [['production', false, 0, 'loft']]]);
  await again({ only: 'comparison', deleted: true });
  expect(asked).toHaveBeenLastCalledWith('comparison', true, 0, '');
});

test('what was deleted stands in the order of deleting', async () => {
  listed['comparison'] = [item('c1', 1, '5'), item('c4', 4, '9')];
  listed['production'] = [item('p2', 2, '7')];
  await list({ deleted: true });
  expect(ids()).toEqual(['c4', 'p2', 'c1']);
});

test('a list that goes on hides what is older than its end, until the rest of it is known', async () => {
  listed['comparison'] = Array.from({ length: pageSize + 2 }, (_, i) => item(`c${i}`, 10 + i));
  listed['production'] = [item('new', 1), item('old', 10 + pageSize)];
  await list();
  expect([ids().length, ids()[0], ids().includes('old'), works().hasMore]).toEqual([pageSize + 1, 'new', false, true]);
  act(() => works().more());
  await settled();
  expect([ids().length, works().hasMore]).toEqual([pageSize + 4, false]);
  expect(ids().slice(-3).sort()).toEqual(['c101', `c${pageSize}`, 'old'].sort());
  expect(asked.mock.calls.map(([kind, , skip]) => [kind as string, skip as number])).toEqual([
    ['comparison', 0],
    ['production', 0],
    ['comparison', pageSize],
  ]);
});

test('while another search is on its way the answer of before stays; a server that is away is said', async () => {
  const again = await list();
  refuses = true;
  await again({ search: 'x' });
  expect(works().error?.message).toBe('The server cannot be reached.');
});
