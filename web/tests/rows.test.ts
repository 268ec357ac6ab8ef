import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { createRows, type RowsOnServer, type Stored } from '../src/documents/rows';

const away = { kind: 'away', say: 'No answer.' } as const;

/** A server that keeps rows by revision, and can be away. */
function made() {
  const kept = new Map<string, Stored<string>>();
  const at = { isAway: false, refuses: '' };
  const server: RowsOnServer<string> = {
    list: () => Promise.resolve(at.isAway ? away : { rows: [...kept.values()], gone: [], asOf: null }),
    write: (id, value, revision) => {
      if (at.isAway) return Promise.resolve(away);
      if (at.refuses && value.includes(at.refuses)) return Promise.resolve({ kind: 'refused', say: 'Not that.' });
      if ((kept.get(id)?.revision ?? null) !== revision) return Promise.resolve({ kind: 'conflict' });
      const row = { id, value, revision: (revision ?? 0) + 1 };
      kept.set(id, row);
      return Promise.resolve({ kind: 'stored', row });
    },
    remove: (id) => {
      if (at.isAway) return Promise.resolve(away);
      kept.delete(id);
      return Promise.resolve(null);
    },
  };
  return { kept, at, server };
}

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
});
afterEach(() => vi.useRealTimers());

test('after the first time only what changed is asked for; what did not change stays the very same', async () => {
  const { kept, server } = made();
  kept.set('a', { id: 'a', value: 'first', revision: 1 });
  kept.set('b', { id: 'b', value: 'second', revision: 1 });
  const asked: (string | null)[] = [];
  let changes = { rows: [...kept.values()], gone: [] as string[] };
  server.list = (since) => {
    asked.push(since);
    return Promise.resolve({ ...changes, asOf: `t${asked.length}` });
  };
  const rows = createRows('changes', server);
  await rows.refresh();
  const before = rows.useRows.getState().rows;
  changes = { rows: [kept.get('b')!], gone: [] };
  await rows.refresh();
  expect(rows.useRows.getState().rows).toBe(before);
  changes = {
    rows: [
      { id: 'c', value: 'third', revision: 1 },
      { id: 'b', value: 'second, better', revision: 2 },
    ],
    gone: ['a'],
  };
  await rows.refresh();
  expect(rows.useRows.getState().rows.map((row) => [row.id, row.value])).toEqual([
    ['b', 'second, better'],
    ['c', 'third'],
  ]);
  expect(asked).toEqual([null, 't1', 't2']);

  // What is typed here stays, whatever others did with it.
  rows.put('c', 'third, mine');
  changes = { rows: [], gone: ['c'] };
  await rows.refresh();
  expect(rows.useRows.getState().rows.find((row) => row.id === 'c')).toMatchObject({ value: 'third, mine', isUnsaved: true });
});

test('a row is stored a moment after it was typed, once for what was typed in one go', async () => {
  const { kept, server } = made();
  const write = vi.spyOn(server, 'write');
  const rows = createRows('one', server);
  for (const text of ['g', 'go', 'good']) rows.put('a', text);
  await vi.advanceTimersByTimeAsync(1000);
  expect(kept.get('a')).toEqual({ id: 'a', value: 'good', revision: 1 });
  expect(write).toHaveBeenCalledTimes(1);
  expect(rows.useRows.getState().rows[0]).toMatchObject({ isUnsaved: false, revision: 1 });
});

test('an hour without network: all is kept in this browser, over a reload, and goes when the network is back', async () => {
  const { kept, at, server } = made();
  at.isAway = true;
  const before = createRows('hour', server);
  for (let i = 0; i < 30; i++) {
    before.put(`t${i}`, `take ${i}`);
    await vi.advanceTimersByTimeAsync(120_000);
  }
  expect(before.useRows.getState().rows.every((row) => row.isUnsaved)).toBe(true);
  expect(kept.size).toBe(0);
  // The page is opened anew.
  const after = createRows('hour', server);
  const stop = after.start();
  await vi.advanceTimersByTimeAsync(0);
  expect(after.useRows.getState().rows).toHaveLength(30);
  at.isAway = false;
  window.dispatchEvent(new Event('online'));
  await vi.advanceTimersByTimeAsync(100);
  expect(kept.size).toBe(30);
  expect(after.useRows.getState().rows.some((row) => row.isUnsaved)).toBe(false);
  expect(localStorage).toHaveLength(0);
  stop();
});

test('where two changed the same row both stand', async () => {
  const { kept, server } = made();
  kept.set('a', { id: 'a', value: 'first', revision: 1 });
  const rows = createRows('both', server);
  await rows.refresh();
  kept.set('a', { id: 'a', value: 'theirs', revision: 2 });
  rows.put('a', 'mine');
  await vi.advanceTimersByTimeAsync(1000);
  expect([...kept.values()].map((row) => row.value).sort()).toEqual(['mine', 'theirs']);
  expect(
    rows.useRows
      .getState()
      .rows.map((row) => row.value)
      .sort(),
  ).toEqual(['mine', 'theirs']);
});

test('what is typed while a row is on its way grows from what is stored then', async () => {
  const { kept, server } = made();
  const rows = createRows('typing', server);
  const write = server.write;
  vi.spyOn(server, 'write').mockImplementationOnce(async (id, value, revision) => {
    rows.put('a', 'second');
    return write(id, value, revision);
  });
  rows.put('a', 'first');
  await vi.advanceTimersByTimeAsync(2000);
  expect(kept.get('a')).toEqual({ id: 'a', value: 'second', revision: 2 });
});

test('what is refused stays, says why, and is tried again when it is changed; others go on', async () => {
  const { kept, at, server } = made();
  at.refuses = 'bad';
  const rows = createRows('refused', server);
  rows.put('a', 'bad');
  rows.put('b', 'well');
  await vi.advanceTimersByTimeAsync(1000);
  expect(kept.size).toBe(1);
  expect(rows.useRows.getState().rows.find((row) => row.id === 'a')).toMatchObject({ refused: 'Not that.', isUnsaved: true });
  rows.put('a', 'better');
  await vi.advanceTimersByTimeAsync(1000);
  expect(kept.get('a')?.value).toBe('better');
});

test('a row is taken away, here at once and there when it can be', async () => {
  const { kept, at, server } = made();
  const rows = createRows('gone', server);
  rows.put('a', 'take');
  await vi.advanceTimersByTimeAsync(1000);
  at.isAway = true;
  rows.remove('a');
  await vi.advanceTimersByTimeAsync(1000);
  expect(rows.useRows.getState().rows[0]!.isRemoved).toBe(true);
  at.isAway = false;
  await vi.advanceTimersByTimeAsync(6000);
  expect(kept.size).toBe(0);
  expect(rows.useRows.getState().rows).toEqual([]);
  // One that was never stored is simply gone.
  rows.put('b', 'never');
  rows.remove('b');
  await vi.advanceTimersByTimeAsync(1000);
  expect(rows.useRows.getState().rows).toEqual([]);
});

test('nonsense in the browser’s storage is no fault', async () => {
  for (const [key, text] of Object.entries({ a: '{', b: '5', c: 'null', d: '{"id":"other","isUnsaved":true}' })) {
    localStorage.setItem(`juxtopsis.rows.junk/${key}`, text);
  }
  const { server } = made();
  const rows = createRows('junk', server);
  await rows.refresh();
  expect(rows.useRows.getState()).toMatchObject({ state: 'ready', rows: [] });
});

test('what others write comes from time to time, while somebody looks', async () => {
  const { kept, server } = made();
  const rows = createRows('others', server);
  const stop = rows.start();
  await vi.advanceTimersByTimeAsync(100);
  kept.set('b', { id: 'b', value: 'theirs', revision: 1 });
  await vi.advanceTimersByTimeAsync(16_000);
  expect(rows.useRows.getState().rows.map((row) => row.value)).toEqual(['theirs']);
  stop();
  kept.set('c', { id: 'c', value: 'later', revision: 1 });
  await vi.advanceTimersByTimeAsync(60_000);
  expect(rows.useRows.getState().rows).toHaveLength(1);
});

test('two pages of one browser, both without a network, keep what each of them noted', async () => {
  const { kept, at, server } = made();
  at.isAway = true;
  const [one, two] = [createRows('pages', server), createRows('pages', server)];
  await Promise.all([one.refresh(), two.refresh()]);
  one.put('a', 'first page');
  two.put('b', 'second page');
  one.put('c', 'first page again');
  await vi.advanceTimersByTimeAsync(10_000);
  // Both are closed; whichever is opened next has all of it.
  const next = createRows('pages', server);
  await next.refresh();
  expect(
    next.useRows
      .getState()
      .rows.map((row) => row.id)
      .sort(),
  ).toEqual(['a', 'b', 'c']);
  at.isAway = false;
  await next.flush();
  expect([...kept.keys()].sort()).toEqual(['a', 'b', 'c']);
});

test('a browser without room says so, and what was noted goes all the same', async () => {
  const { kept, at, server } = made();
  at.isAway = true;
  const rows = createRows('full', server);
  vi.stubGlobal('localStorage', {
    setItem: () => {
      throw new DOMException('full', 'QuotaExceededError');
    },
    removeItem: () => undefined,
  });
  rows.put('a', 'take');
  expect(rows.useRows.getState().hasRoom).toBe(false);
  at.isAway = false;
  await vi.advanceTimersByTimeAsync(6000);
  expect(kept.get('a')?.value).toBe('take');
  vi.unstubAllGlobals();
});

test('a change is made to what a row is by then, also when that came from the server, and to none that is gone', async () => {
  const { kept, server } = made();
  kept.set('a', { id: 'a', value: 'first', revision: 1 });
  const rows = createRows('changed', server);
  await rows.refresh();
  const shown = rows.useRows.getState().rows[0]!;
  // Somebody else wrote meanwhile, and so did this hand.
  kept.set('a', { id: 'a', value: 'first, theirs', revision: 2 });
  await rows.refresh();
  rows.change(shown.id, (value) => `${value}, mine`);
  rows.change(shown.id, (value) => `${value}, and more`);
  await vi.advanceTimersByTimeAsync(1000);
  expect(kept.get('a')).toEqual({ id: 'a', value: 'first, theirs, mine, and more', revision: 3 });

  rows.remove('a');
  rows.change('a', () => 'risen');
  rows.change('nobody', () => 'risen');
  await vi.advanceTimersByTimeAsync(1000);
  expect([kept.size, rows.useRows.getState().rows.length]).toEqual([0, 0]);
});
