import { expect, test, vi } from 'vitest';
import type { Core, FitRequest } from '../src/core/types';
import { searchesWith } from '../src/core/searching';

vi.mock('../src/core/boot', () => ({}));

/** A core that answers with the shelf that it holds, and faults where it is asked half way through another. */
function fakeCore() {
  let [shelf, read, asked] = ['', [] as string[], ''];
  let left = 0;
  const core = {
    readShelf: ({ items }: { items: { name: string }[] }) => void read.push(...items.map((i) => i.name)),
    openShelf: () => {
      [shelf, read, asked] = [read.join(), [], ''];
      left = 3;
    },
    prepareShelf: () => (--left <= 0 ? 1 : 0.5),
    fit: {
      ask: (request: { shot: string }) => {
        asked = request.shot;
        left = 4;
        return null;
      },
      step: () => (--left <= 0 ? 1 : 0.5),
      answer: () => {
        if (asked === '') throw new Error('Nothing was asked.');
        return `${asked} on ${shelf}`;
      },
    },
  };
  return core as unknown as Core;
}

const shelfOf = (...names: string[]) => names.map((name) => ({ id: name, kind: 'lens', name })) as never;
const shot = (name: string) => ({ shot: name }) as unknown as FitRequest;

test('a shelf that is refreshed while a question runs waits for it, and the Brief goes on', async () => {
  const searches = searchesWith(Promise.resolve(fakeCore()));
  expect(await searches.openShelf({}, shelfOf('old'))).toBe(true);
  const [first, refreshed] = await Promise.all([
    searches.fit('shown', true, shot('one'), false),
    searches.openShelf({}, shelfOf('new', 'more')),
  ]);
  expect(first).toMatchObject({ answer: 'one on old' });
  expect(refreshed).toBe(true);
  expect(await searches.fit('shown', true, shot('two'), false)).toMatchObject({ kind: 'answered', answer: 'two on new,more' });
});

test('a page that is left stops its questions, but not the shelf, which the next page asks too', async () => {
  const core = fakeCore();
  const searches = searchesWith(Promise.resolve(core));
  // Half way through the shelf, when the question waits for it, the page is left.
  vi.spyOn(core, 'prepareShelf')
    .mockImplementationOnce(() => {
      const from = performance.now();
      while (performance.now() - from < 20);
      return 0.3;
    })
    .mockImplementationOnce(() => {
      searches.stop();
      return 0.5;
    });
  const shelf = searches.openShelf({}, shelfOf('a'));
  const asked = searches.fit('shown', true, shot('one'), false);
  expect(await shelf).toBe(true);
  expect(await asked).toBeNull();
});

test('of shelves that follow each other the last one is held', async () => {
  const searches = searchesWith(Promise.resolve(fakeCore()));
  await Promise.all([searches.openShelf({}, shelfOf('a')), searches.openShelf({}, shelfOf('b')), searches.openShelf({}, shelfOf('c'))]);
  expect(await searches.fit('shown', true, shot('x'), false)).toMatchObject({ answer: 'x on c' });
});

test('a search for a look tells its first answer half way, once, and anew when it begins anew', async () => {
  const core = fakeCore();
  const look = core.fit as unknown as Core['look'];
  const searches = searchesWith(Promise.resolve({ ...core, look }));
  await searches.openShelf({}, shelfOf('a'));
  const firsts: unknown[] = [];
  const ask = (name: string) => searches.look('look', true, shot(name) as never, false, (first) => firsts.push(first));
  expect(await ask('one')).toMatchObject({ answer: 'one on a' });
  expect(firsts).toMatchObject([{ kind: 'answered', answer: 'one on a' }]);
  await ask('two');
  expect(firsts).toHaveLength(2);
});

test('the front of bags is told as it grows, once its shots have been asked, and what a hand waits for goes before it', async () => {
  const core = fakeCore();
  const done = [0.2, 0.6, 0.7, 0.7, 0.9, 1];
  let at = 0;
  const front = {
    ask: () => ((at = 0), null),
    step: () => {
      // A step of the worker's time, so that the queue looks for what is more urgent.
      const from = performance.now();
      while (performance.now() - from < 20);
      return done[at++]!;
    },
    answer: () => at,
  } as unknown as Core['front'];
  const searches = searchesWith(Promise.resolve({ ...core, front, bags: () => ({ bags: [] }) } as unknown as Core));
  await searches.openShelf({}, shelfOf('a'));
  const order: string[] = [];
  const told: unknown[] = [];
  await Promise.all([
    searches.front({} as never, false, (some) => told.push(some.kind === 'answered' && some.answer)).then(() => order.push('front')),
    new Promise((soon) => setTimeout(soon, 5)).then(() => searches.bags({} as never, false)).then(() => order.push('bags')),
  ]);
  expect(order.at(-1)).toBe('front');
  // Nothing before the shots are asked, nothing twice, and not the end, which is the answer.
  expect(told.slice(-2)).toEqual([3, 5]);
});

test('what is answered in one go is answered or refused, and a day and a cut go their steps', async () => {
  const problems = [{ about: 'shots', message: 'No shot.', fix: 'Add one.' }];
  const core = {
    ...fakeCore(),
    bags: vi.fn().mockReturnValueOnce({ bags: [] }).mockReturnValueOnce(problems),
    filterDay: vi.fn(() => ({ filters: [] })),
    questions: vi.fn(() => [{ key: 'circle' }]),
  };
  const door = core.fit;
  const searches = searchesWith(Promise.resolve({ ...core, day: door, cut: door, bagDay: door } as unknown as Core));
  await searches.openShelf({}, shelfOf('a'));
  expect(await searches.bags({} as never, false)).toMatchObject({ kind: 'answered', answer: { bags: [] } });
  expect(await searches.bags({} as never, true)).toEqual({ kind: 'refused', problems });
  expect(core.bags.mock.lastCall).toEqual([{}, true]);
  expect(await searches.filters({} as never, false)).toMatchObject({ answer: { filters: [] } });
  expect(await searches.day(shot('day') as never, false)).toMatchObject({ answer: 'day on a' });
  expect(await searches.cut(shot('cut') as never, false)).toMatchObject({ answer: 'cut on a' });
  expect(await searches.bagDay('bag A', shot('bag') as never, false)).toMatchObject({ answer: 'bag on a' });
  expect(await searches.questions({ scene: 's' } as never, { circle: 'c' } as never, false)).toEqual([{ key: 'circle' }]);
  expect(core.questions).toHaveBeenCalledWith({ scene: 's', conventions: { circle: 'c' } }, false);
});

test('one question is stopped by its key and the others go on', async () => {
  const searches = searchesWith(Promise.resolve(fakeCore()));
  await searches.openShelf({}, shelfOf('a'));
  const [gone, stays] = [searches.fit('one', true, shot('one'), false), searches.fit('two', true, shot('two'), false)];
  await Promise.resolve();
  searches.stop('one');
  expect(await stays).toMatchObject({ answer: 'two on a' });
  expect(await gone).toBeNull();
});
