import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { FitRequest, FitResponse } from '../src/core/core';
import type { Outcome } from '../src/core/searching';

const file = (...ids: string[]) =>
  JSON.stringify({
    version: 1,
    items: ids.map((id) => ({ kind: 'lens', id, name: id })),
    retired: ids.filter((id) => id.startsWith('old')),
  });
const answers = { shelf: file('a'), status: 200, down: false };
const opened = vi.fn(() => Promise.resolve(true));
const fit = vi.fn<() => Promise<Outcome<FitResponse> | null>>();

let fitting: typeof import('../src/gear/fitting');
const gear = () => fitting.useGear.getState();

/** Lets the server be given its time, and everything that waits go on. */
const open = async () => {
  const done = fitting.openShelf();
  await vi.advanceTimersByTimeAsync(2000);
  await done;
};

beforeEach(async () => {
  vi.useFakeTimers();
  vi.resetModules();
  vi.clearAllMocks();
  Object.assign(answers, { shelf: file('a'), status: 200, down: false });
  vi.doMock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
  vi.doMock('../src/core/searches', () => ({ searches: () => ({ openShelf: opened, fit, stop: vi.fn(), day: vi.fn() }) }));
  vi.doMock('../src/gear/demo', () => ({ readDemo: vi.fn(() => Promise.resolve()) }));
  vi.doMock('../src/api/client', () => ({
    api: {
      GET: () =>
        answers.down
          ? Promise.reject(new TypeError('no network'))
          : Promise.resolve({ data: answers.status === 200 ? answers.shelf : undefined, error: {}, response: { status: answers.status } }),
      POST: vi.fn(() => Promise.resolve({ data: { fits: [] } })),
    },
    failure: (status: number) => ({ say: `refused with ${status}` }),
    unreachable: { say: 'cannot be reached' },
    setWriterName: () => undefined,
  }));
  fitting = await import('../src/gear/fitting');
});
afterEach(() => vi.useRealTimers());

test('the shelf is put together without what is retired, and counts as another each time that it is', async () => {
  answers.shelf = file('a', 'old b');
  await open();
  expect([gear().state, gear().version, [...gear().items.keys()]]).toEqual(['ready', 1, ['a']]);
  expect(opened).toHaveBeenCalledWith({ version: 1 }, [{ kind: 'lens', id: 'a', name: 'a' }]);
});

test('a shelf that did not change is not put together again', async () => {
  await open();
  await open();
  expect([opened.mock.calls.length, gear().version]).toEqual([1, 1]);
  answers.shelf = file('a', 'c');
  await open();
  expect([opened.mock.calls.length, gear().version]).toEqual([2, 2]);
});

test('who asks twice at once waits for one', async () => {
  expect(fitting.openShelf()).toBe(fitting.openShelf());
  await vi.advanceTimersByTimeAsync(2000);
  expect(opened).toHaveBeenCalledTimes(1);
});

test('a server that is away is said where nothing is known yet, and changes nothing where something is', async () => {
  answers.down = true;
  await open();
  expect(gear()).toMatchObject({ state: 'away', say: 'cannot be reached' });
  answers.down = false;
  await open();
  expect(gear().state).toBe('ready');
  answers.status = 503;
  await open();
  expect(gear()).toMatchObject({ state: 'ready', say: 'refused with 503' });
});

test('a shelf that another one overtook is not taken for put together', async () => {
  opened.mockResolvedValueOnce(false);
  await open();
  expect([gear().state, gear().version]).toEqual(['preparing', 0]);
  await open();
  expect([gear().state, gear().version]).toEqual(['ready', 1]);
});

test('the server answers as long as the own core is not ready, and only the newest question', async () => {
  const [first, second] = [vi.fn(), vi.fn()];
  const request = {} as FitRequest;
  await Promise.all([fitting.askServer(request, first), fitting.askServer(request, second)]);
  expect([first.mock.calls.length, second.mock.calls.length]).toEqual([0, 1]);
  fitting.useGear.setState({ state: 'ready' });
  await fitting.askServer(request, second);
  expect(second).toHaveBeenCalledTimes(1);
});

test('a question that was stopped has no answer', async () => {
  const told = vi.fn();
  fit.mockResolvedValueOnce(null);
  await fitting.askFit('shown', true, {} as FitRequest, told);
  expect(told).not.toHaveBeenCalled();
  const outcome = { kind: 'answered' } as Outcome<FitResponse>;
  fit.mockResolvedValueOnce(outcome);
  await fitting.askFit('shown', true, {} as FitRequest, told);
  expect(told).toHaveBeenCalledWith(outcome);
});
