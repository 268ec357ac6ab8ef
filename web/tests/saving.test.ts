import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { create } from 'zustand';
import type { Work, Works, Write } from '../src/api/client';
import { draftsOf } from '../src/works/drafts';
import { keep, type Saved } from '../src/works/saving';

interface Doc {
  n: number;
}

const id = 'w';
const work = (revision: number, n: number, name = 'Work'): Work<Doc> => ({
  id,
  name,
  document: { n },
  revision,
  updatedAt: `at ${revision}`,
  deletedAt: null,
});
const away = { kind: 'away', say: 'The server cannot be reached.' } as const;

/** A page with one piece of work, and a server of which every answer is set by the test. */
function page(stored: Work<Doc> | null = work(1, 1)) {
  const store = create<Saved<Doc>>()((set) => ({
    id: '',
    name: '',
    document: { n: 0 },
    revision: null,
    deletedAt: null,
    saving: { kind: 'unsaved' },
    problems: [],
    open: (id, revision, content, saving, deletedAt = null) =>
      set({ id, revision, name: content.name, document: content.document, saving, deletedAt }),
    mark: (saving, revision) => set(revision === undefined ? { saving } : { saving, revision }),
  }));
  let server = stored;
  const write = vi.fn((_: string, base: number | null, name: string, document: Doc): Promise<Write<Doc>> => {
    if (base !== (server?.revision ?? null)) {
      return Promise.resolve(server ? { kind: 'conflict', current: server } : { kind: 'missing', say: 'gone' });
    }
    server = { ...work((base ?? 0) + 1, document.n, name) };
    return Promise.resolve({ kind: 'stored', work: server });
  });
  const read = vi.fn((_: string, known?: number) =>
    Promise.resolve(server === null ? ({ kind: 'missing', say: 'gone' } as const) : known === server.revision ? null : server),
  );
  const drafts = draftsOf<Doc>('t.');
  const keeper = keep<Doc>({
    store,
    works: { read, write } as unknown as Works<Doc, unknown>,
    drafts,
    ready: Promise.resolve(),
    differs: (mine, theirs) => mine.name !== theirs.name || mine.document.n !== theirs.document.n,
  });
  const stop = keeper.autosave();
  stops.push(stop);
  return {
    store,
    keeper,
    drafts,
    read,
    write,
    server: () => server,
    setServer: (to: Work<Doc> | null) => (server = to),
    change: (n: number) => store.setState({ document: { n } }),
  };
}

const stops: (() => void)[] = [];
const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  localStorage.clear();
  vi.useFakeTimers();
});
afterEach(() => stops.splice(0).forEach((stop) => stop()));

test('changes in quick succession are one write, half a second after the last', async () => {
  const { store, keeper, write, change, server } = page();
  await keeper.open(id);
  for (const n of [2, 3, 4]) {
    change(n);
    await pass(300);
  }
  expect(write).not.toHaveBeenCalled();
  expect(store.getState().saving.kind).toBe('unsaved');
  await pass(250);
  expect(write).toHaveBeenCalledTimes(1);
  expect(server()).toMatchObject({ revision: 2, document: { n: 4 } });
  expect(store.getState()).toMatchObject({ revision: 2, saving: { kind: 'saved', at: 'at 2' } });
});

test('what changes while a write is on its way is written after it', async () => {
  const { keeper, write, change, server } = page();
  await keeper.open(id);
  let answer: (() => void) | undefined;
  const usual = write.getMockImplementation()!;
  write.mockImplementationOnce(async (...asked) => {
    await new Promise<void>((done) => (answer = done));
    return usual(...asked);
  });
  change(2);
  await pass(600);
  change(3);
  await pass(2000);
  expect(write).toHaveBeenCalledTimes(1);
  answer!();
  await pass(600);
  expect(write).toHaveBeenCalledTimes(2);
  expect(server()).toMatchObject({ revision: 3, document: { n: 3 } });
});

test('a server that is away is asked again, and nothing is lost meanwhile', async () => {
  const { store, keeper, write, change, drafts, server } = page();
  await keeper.open(id);
  write.mockResolvedValueOnce(away).mockResolvedValueOnce(away);
  change(7);
  await pass(600);
  expect(store.getState().saving).toEqual(away);
  expect(drafts.read(id)).toMatchObject({ document: { n: 7 }, unsaved: true });
  await pass(2500);
  expect(store.getState().saving).toEqual(away);
  await pass(2500);
  expect(server()).toMatchObject({ document: { n: 7 } });
  expect(drafts.read(id)).toMatchObject({ document: { n: 7 }, unsaved: false });
});

test('when the network is back it is tried at once', async () => {
  const { keeper, write, change, server } = page();
  await keeper.open(id);
  write.mockResolvedValueOnce(away);
  change(7);
  await pass(600);
  window.dispatchEvent(new Event('online'));
  await pass(0);
  expect(server()).toMatchObject({ document: { n: 7 } });
});

test('what somebody else saved is never overwritten; each way out of it keeps what it says', async () => {
  for (const way of ['mine', 'theirs'] as const) {
    const { store, keeper, change, server, setServer } = page();
    await keeper.open(id);
    setServer(work(2, 50));
    change(9);
    await pass(600);
    expect(store.getState().saving).toMatchObject({ kind: 'conflict', theirs: { document: { n: 50 } } });
    change(10);
    await pass(5000);
    expect(server()).toMatchObject({ revision: 2, document: { n: 50 } });
    if (way === 'mine') {
      keeper.keepMine(work(2, 50));
    } else {
      keeper.takeTheirs(work(2, 50));
    }
    await pass(600);
    expect(server()).toMatchObject({ document: { n: way === 'mine' ? 10 : 50 } });
    expect(store.getState()).toMatchObject({ document: { n: way === 'mine' ? 10 : 50 }, saving: { kind: 'saved' } });
    stops.splice(0).forEach((stop) => stop());
    localStorage.clear();
  }
});

test('a change that is taken back leaves nothing to save', async () => {
  const { store, keeper, write, change } = page();
  await keeper.open(id);
  change(2);
  await pass(200);
  change(1);
  await pass(600);
  expect(write).not.toHaveBeenCalled();
  expect(store.getState().saving).toEqual({ kind: 'saved', at: 'at 1' });
});

test('what is at fault is held back until it is mended', async () => {
  const { store, keeper, write, change } = page();
  await keeper.open(id);
  store.setState({ problems: ['a field'] });
  change(2);
  await pass(3000);
  expect(write).not.toHaveBeenCalled();
  expect(store.getState().saving.kind).toBe('held');
  store.setState({ problems: [] });
  change(3);
  await pass(600);
  expect(write).toHaveBeenCalledTimes(1);
});

test('work that the server does not know any more is made there again', async () => {
  const { keeper, change, server, setServer } = page();
  await keeper.open(id);
  setServer(null);
  change(5);
  await pass(700);
  expect(server()).toMatchObject({ document: { n: 5 } });
});

test('opened again, unsaved work of this browser comes before what is stored, and is saved', async () => {
  const first = page();
  await first.keeper.open(id);
  first.write.mockResolvedValue(away);
  first.change(8);
  await pass(700);
  stops.splice(0).forEach((stop) => stop());
  const second = page();
  await second.keeper.open(id);
  expect(second.store.getState().document).toEqual({ n: 8 });
  await pass(10);
  expect(second.server()).toMatchObject({ revision: 2, document: { n: 8 } });
});

test('opened again after somebody else saved, the two are put side by side', async () => {
  const first = page();
  await first.keeper.open(id);
  first.write.mockResolvedValue(away);
  first.change(8);
  await pass(700);
  stops.splice(0).forEach((stop) => stop());
  const second = page(work(3, 60));
  await second.keeper.open(id);
  expect(second.store.getState()).toMatchObject({ document: { n: 8 }, saving: { kind: 'conflict', theirs: { document: { n: 60 } } } });
});

test('without a server the copy of this browser opens', async () => {
  const first = page();
  await first.keeper.open(id);
  await pass(1000);
  stops.splice(0).forEach((stop) => stop());
  const second = page();
  second.read.mockResolvedValue(away as never);
  expect(await second.keeper.open(id)).toBeNull();
  expect(second.store.getState()).toMatchObject({ document: { n: 1 }, saving: away });
});

test("somebody else's change is shown where nothing of one's own stands against it", async () => {
  const { store, keeper, setServer, change } = page();
  await keeper.open(id);
  setServer(work(2, 40));
  await pass(15_100);
  expect(store.getState()).toMatchObject({ document: { n: 40 }, revision: 2 });
  setServer(work(3, 41));
  change(39);
  window.dispatchEvent(new Event('focus'));
  await pass(0);
  expect(store.getState().document).toEqual({ n: 39 });
});
