import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { away, closePages, newBrowser, openPage, pass, serverOf, settle, work, type Doc } from './pages';

beforeEach(() => {
  newBrowser();
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date', 'performance'] });
});
afterEach(closePages);

async function opened(...documents: Doc[]) {
  const server = serverOf(...documents.map((d, i) => work(1, d, i === 0 ? 'w' : `w${i + 1}`)));
  const page = await openPage(server);
  await page.keeper.open('w');
  return { server, ...page };
}

/** A write of which the test says when it is answered. */
function hangs(server: ReturnType<typeof serverOf>) {
  let answer!: () => void;
  const usual = server.write.getMockImplementation()!;
  server.write.mockImplementationOnce(async (...asked) => {
    await new Promise<void>((done) => (answer = done));
    return usual(...asked);
  });
  return () => answer();
}

test('changes in quick succession are one write, half a second after the last', async () => {
  const { server, change, now } = await opened({ n: 1 });
  for (const n of [2, 3, 4]) {
    change({ n });
    await pass(300);
  }
  expect(server.write).not.toHaveBeenCalled();
  expect(now().saving.kind).toBe('unsaved');
  await pass(250);
  expect(server.write).toHaveBeenCalledTimes(1);
  expect(server.all.get('w')).toMatchObject({ revision: 2, document: { n: 4 } });
  expect(now()).toMatchObject({ base: { revision: 2 }, saving: { kind: 'saved', at: 'at 2' } });
});

test('what is changed as the page goes is there at the next visit, though the database did not take it', async () => {
  const { server, change } = await opened({ n: 1 });
  change({ n: 9 });
  // The page goes before anything is written: its database takes no more.
  vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new Error('The page is gone.');
  });
  window.dispatchEvent(new Event('pagehide'));
  closePages();
  vi.restoreAllMocks();
  const again = await openPage(server);
  await again.keeper.open('w');
  expect(again.now().document).toEqual({ n: 9 });
  await pass(600);
  expect(server.all.get('w')).toMatchObject({ document: { n: 9 } });
  expect(Object.keys(localStorage).filter((key) => key.includes('leaving'))).toEqual([]);
});

test('what changes while a write is on its way is written after it', async () => {
  const { server, change } = await opened({ n: 1 });
  const answer = hangs(server);
  change({ n: 2 });
  await pass(600);
  change({ n: 3 });
  await pass(2000);
  expect(server.write).toHaveBeenCalledTimes(1);
  answer();
  await pass(600);
  expect(server.all.get('w')).toMatchObject({ revision: 3, document: { n: 3 } });
});

test('a server that is away is asked again, and nothing is lost meanwhile', async () => {
  const { server, change, now, drafts } = await opened({ n: 1 });
  server.write.mockResolvedValueOnce(away).mockResolvedValueOnce(away);
  change({ n: 7 });
  await pass(600);
  expect(now().saving).toEqual(away);
  expect(await drafts.draftsHere('t', 'w')).toMatchObject([{ document: { n: 7 } }]);
  await pass(2500);
  expect(now().saving).toEqual(away);
  await pass(2500);
  expect(server.all.get('w')).toMatchObject({ document: { n: 7 } });
  expect(await drafts.draftsHere()).toEqual([]);
});

test('it is told that nothing could be saved only once the change is kept in the browser', async () => {
  const { server, keeper, change, now, drafts } = await opened({ n: 1 });
  server.write.mockResolvedValueOnce(away);
  change({ n: 7 });
  await keeper.save();
  expect(now().saving).toEqual(away);
  expect(await drafts.draftsHere('t', 'w')).toMatchObject([{ document: { n: 7 } }]);
});

test('when the network is back it is tried at once', async () => {
  const { server, change } = await opened({ n: 1 });
  server.write.mockResolvedValueOnce(away);
  change({ n: 7 });
  await pass(600);
  window.dispatchEvent(new Event('online'));
  await settle();
  expect(server.all.get('w')).toMatchObject({ document: { n: 7 } });
});

test('what somebody else saved is never overwritten; each way out of it keeps what it says', async () => {
  const ways = { mine: { n: 10, m: 1 }, theirs: { n: 50, m: 5 }, merged: { n: 10, m: 5 } };
  for (const way of ['mine', 'theirs', 'merged'] as const) {
    newBrowser();
    const { server, change, now, keeper } = await opened({ n: 1, m: 1 });
    const theirs = work(2, { n: 50, m: 5 });
    server.all.set('w', theirs);
    change({ n: 9 });
    await pass(600);
    expect(now().saving).toMatchObject({ kind: 'conflict', theirs: { document: { n: 50 } } });
    change({ n: 10 });
    await pass(5000);
    expect(server.all.get('w')).toEqual(theirs);
    if (way === 'mine') keeper.keepMine(theirs);
    if (way === 'theirs') keeper.takeTheirs(theirs);
    if (way === 'merged') keeper.keepMerged(theirs, { name: 'Work', document: { n: 10, m: 5 } });
    await pass(600);
    expect(server.all.get('w')!.document).toEqual(ways[way]);
    expect(now()).toMatchObject({ document: ways[way], saving: { kind: 'saved' } });
    closePages();
  }
});

test('both kept: theirs stays, mine is stored under another name, and nothing of it waits any more', async () => {
  const { server, change, now, keeper, drafts } = await opened({ n: 1 });
  server.all.set('w', work(2, { n: 50 }));
  change({ n: 9 });
  await pass(600);
  keeper.keepBoth(work(2, { n: 50 }), 'copy', 'Mine');
  await pass(600);
  expect(server.all.get('w')!.document).toEqual({ n: 50 });
  expect(server.all.get('copy')).toMatchObject({ name: 'Mine', document: { n: 9 } });
  expect(now().id).toBe('copy');
  expect(await drafts.draftsHere()).toEqual([]);
});

test('a lost answer is no conflict: what is stored already says the same', async () => {
  const { server, change, now } = await opened({ n: 1 });
  server.write.mockImplementationOnce(() => {
    server.all.set('w', work(2, { n: 2 }));
    return Promise.resolve(away);
  });
  change({ n: 2 });
  await pass(3200);
  expect(now()).toMatchObject({ saving: { kind: 'saved' }, base: { revision: 2 } });
});

test('a change that is taken back leaves nothing to save', async () => {
  const { server, change, now } = await opened({ n: 1 });
  change({ n: 2 });
  await pass(200);
  change({ n: 1 });
  await pass(600);
  expect(server.write).not.toHaveBeenCalled();
  expect(now().saving).toEqual({ kind: 'saved', at: 'at 1' });
});

test('what is at fault is held back until it is mended', async () => {
  const { server, change, now, store } = await opened({ n: 1 });
  store.setState({ problems: ['a field'] });
  change({ n: 2 });
  await pass(3000);
  expect(server.write).not.toHaveBeenCalled();
  expect(now().saving.kind).toBe('held');
  store.setState({ problems: [] });
  await pass(50);
  expect(server.all.get('w')!.document).toEqual({ n: 2 });
  change({ n: 3 });
  await pass(600);
  expect(server.write).toHaveBeenCalledTimes(2);
});

test('what the server finds at fault before the page does is told by the field that the page marks, and settled when it is taken back', async () => {
  const { server, change, now, store } = await opened({ n: 1 });
  const refuses = () => server.write.mockResolvedValueOnce({ kind: 'refused', say: 'Two is too many.' });
  refuses();
  change({ n: 2 });
  await pass(600);
  expect(now().saving).toEqual({ kind: 'refused', say: 'Two is too many.' });
  store.setState({ problems: ['a field'] });
  expect(now().saving.kind).toBe('held');

  // Taken back, it is what is stored; so it is where no field was marked at all, or a name was taken away.
  change({ n: 1 });
  store.setState({ problems: [] });
  await pass(600);
  expect(now().saving).toEqual({ kind: 'saved', at: 'at 1' });
  refuses();
  change({ n: 2 });
  await pass(600);
  now().undo();
  await pass(600);
  expect(now().saving).toEqual({ kind: 'saved', at: 'at 1' });
  now().change('name', (content) => ({ ...content, name: '' }));
  await pass(600);
  expect(now().saving.kind).toBe('held');
  now().undo();
  await pass(600);
  expect(now().saving).toEqual({ kind: 'saved', at: 'at 1' });
  expect(server.write).toHaveBeenCalledTimes(2);
});

test('where the page marks the field while the server is asked, the field is told', async () => {
  const { server, change, now, store } = await opened({ n: 1 });
  let answer!: () => void;
  server.write.mockImplementationOnce(async () => {
    await new Promise<void>((done) => (answer = done));
    return { kind: 'refused', say: 'Two is too many.' };
  });
  change({ n: 2 });
  await pass(600);
  store.setState({ problems: ['a field'] });
  answer();
  await pass(50);
  expect(now().saving.kind).toBe('held');
});

test('work that the server does not know any more is made there again', async () => {
  const { server, change } = await opened({ n: 1 });
  server.all.clear();
  change({ n: 5 });
  await pass(700);
  expect(server.all.get('w')).toMatchObject({ document: { n: 5 } });
});

test('after a reload, unsaved work of this browser comes before what is stored, and is saved', async () => {
  const { server, change } = await opened({ n: 1 });
  server.write.mockResolvedValue(away);
  change({ n: 8 });
  await pass(700);
  closePages();
  server.write.mockReset();
  const again = serverOf(server.all.get('w')!);
  const second = await openPage(again);
  await second.keeper.open('w');
  expect(second.now().document).toEqual({ n: 8 });
  await pass(10);
  expect(again.all.get('w')).toMatchObject({ revision: 2, document: { n: 8 } });
});

test('after a reload and somebody else’s change the two are put side by side, with what both grew from', async () => {
  const { server, change } = await opened({ n: 1 });
  server.write.mockResolvedValue(away);
  change({ n: 8 });
  await pass(700);
  closePages();
  const second = await openPage(serverOf(work(3, { n: 60 })));
  await second.keeper.open('w');
  await pass(50);
  expect(second.now()).toMatchObject({
    document: { n: 8 },
    base: { revision: 1, document: { n: 1 } },
    saving: { kind: 'conflict', theirs: { document: { n: 60 } } },
  });
});

test('without a server the copy of this browser opens, and is looked for again', async () => {
  const { server } = await opened({ n: 1 });
  await pass(1000);
  closePages();
  const second = await openPage(server);
  server.read.mockResolvedValueOnce(away);
  expect(await second.keeper.open('w')).toBeNull();
  expect(second.now()).toMatchObject({ document: { n: 1 }, saving: away });
  await pass(2600);
  expect(second.now().saving).toEqual({ kind: 'saved', at: 'at 1' });
  expect(server.write).not.toHaveBeenCalled();
});

test('somebody else’s change is shown where nothing of one’s own stands against it, and undo does not cross it unasked', async () => {
  const { server, change, now } = await opened({ n: 1 });
  change({ n: 2 });
  await pass(600);
  server.all.set('w', work(3, { n: 40 }));
  await pass(15_100);
  expect(now()).toMatchObject({ document: { n: 40 }, base: { revision: 3 } });
  now().undo();
  expect(now().document).toEqual({ n: 40 });
  change({ n: 41 });
  now().undo();
  now().undo();
  expect(now().document).toEqual({ n: 40 });
  now().undo(true);
  expect(now().document).toEqual({ n: 2 });
  now().redo();
  expect(now().document).toEqual({ n: 40 });
  now().undo();
  expect(now().document).toEqual({ n: 40 });
  server.all.set('w', work(4, { n: 42 }));
  change({ n: 39 });
  window.dispatchEvent(new Event('focus'));
  await settle();
  expect(now().document).toEqual({ n: 39 });
});

test('two tabs keep their unsaved work apart, and a clean one writes over nobody’s', async () => {
  const server = serverOf(work(1, { n: 1 }));
  const first = await openPage(server);
  await first.keeper.open('w');
  server.write.mockResolvedValue(away);
  first.change({ n: 8 });
  await pass(700);
  const second = await openPage(server, { ownTab: true });
  await second.keeper.open('w');
  expect(second.now()).toMatchObject({ document: { n: 1 }, saving: { kind: 'saved' } });
  await pass(20_000);
  second.change({ m: 3 });
  await pass(700);
  expect(await first.drafts.draftsHere('t', 'w')).toMatchObject([{ document: { n: 8 } }]);
  expect(await second.drafts.draftsHere('t', 'w')).toMatchObject([{ document: { n: 1, m: 3 } }]);
});

test('a page that is closed for good leaves its work to the next one', async () => {
  const server = serverOf(work(1, { n: 1 }), work(1, { n: 5 }, 'w2'));
  const first = await openPage(server);
  await first.keeper.open('w');
  server.write.mockResolvedValueOnce(away);
  first.change({ n: 8 });
  await pass(700);
  closePages();
  const second = await openPage(server, { ownTab: true });
  second.start();
  await second.keeper.open('w2');
  await pass(1000);
  expect(server.all.get('w')!.document).toEqual({ n: 1 });
  vi.setSystemTime(Date.now() + 100_000);
  window.dispatchEvent(new Event('focus'));
  await pass(1000);
  expect(server.all.get('w')!.document).toEqual({ n: 8 });
});

test('work that is left unsaved for another is tried until it is stored', async () => {
  const { server, change, keeper, now, outbox } = await opened({ n: 1 }, { n: 5 });
  server.write.mockResolvedValueOnce(away).mockResolvedValueOnce(away);
  change({ n: 2 });
  await pass(600);
  keeper.leave();
  await keeper.open('w2');
  await settle();
  expect(now().document).toEqual({ n: 5 });
  expect(outbox.useOutbox.getState().waiting).toMatchObject([{ id: 'w', document: { n: 2 } }]);
  await pass(6000);
  expect(server.all.get('w')!.document).toEqual({ n: 2 });
  expect(outbox.useOutbox.getState().waiting).toEqual([]);
});

test('a new one within half a second of a change leaves nothing unsaved', async () => {
  const { server, change, keeper } = await opened({ n: 1 });
  change({ n: 2 });
  await pass(100);
  keeper.openNew('new', { name: 'New', document: { n: 0 } });
  await pass(600);
  expect(server.all.get('w')!.document).toEqual({ n: 2 });
  expect(server.all.get('new')!.document).toEqual({ n: 0 });
});

test('what was begun here is not fetched by the view that opens for it, however late: what another did meanwhile is not overwritten', async () => {
  const { server, change, keeper, now } = await opened({ n: 1 });
  keeper.openNew('new', { name: 'New', document: { n: 0 } });
  await pass(600);
  server.all.set('new', work(2, { n: 7 }, 'new', 'New'));
  server.read.mockClear();
  await keeper.open('new');
  await pass(600);
  expect(server.read).not.toHaveBeenCalled();
  expect(now()).toMatchObject({ document: { n: 0 }, saving: { kind: 'saved' } });
  change({ n: 2 });
  await pass(600);
  expect(now().saving).toMatchObject({ kind: 'conflict', theirs: { revision: 2 } });
});

test('a request that hangs keeps no other work from being saved', async () => {
  const { server, change, keeper } = await opened({ n: 1 }, { n: 5 });
  const answer = hangs(server);
  change({ n: 2 });
  await pass(600);
  keeper.leave();
  await keeper.open('w2');
  change({ n: 6 });
  await pass(600);
  expect(server.all.get('w2')!.document).toEqual({ n: 6 });
  answer();
  await pass(6000);
  expect(server.all.get('w')!.document).toEqual({ n: 2 });
});

test('an opening that is answered late does not take the place of a later one', async () => {
  const { server, keeper, now } = await opened({ n: 1 }, { n: 5 });
  let answer!: () => void;
  server.read.mockImplementationOnce(async () => {
    await new Promise<void>((done) => (answer = done));
    return work(1, { n: 1 });
  });
  const slow = keeper.open('w');
  await keeper.open('w2');
  answer();
  await slow;
  expect(now()).toMatchObject({ id: 'w2', document: { n: 5 } });
});

test('of left work that somebody else changed too nothing is sent; it waits for a person, who finds the choice', async () => {
  const { server, change, keeper, outbox, now } = await opened({ n: 1 }, { n: 5 });
  server.write.mockResolvedValueOnce(away);
  change({ n: 2 });
  await pass(600);
  server.all.set('w', work(2, { n: 70 }));
  keeper.leave();
  await keeper.open('w2');
  await pass(12_000);
  expect(server.all.get('w')!.document).toEqual({ n: 70 });
  expect(outbox.useOutbox.getState().waiting).toMatchObject([{ id: 'w', conflicts: true }]);
  await keeper.open('w');
  await pass(50);
  expect(now()).toMatchObject({ document: { n: 2 }, saving: { kind: 'conflict', theirs: { document: { n: 70 } } } });
});

test('a browser without room says so, and keeps the work as long as the page is open', async () => {
  const { server, change, keeper, now } = await opened({ n: 1 }, { n: 5 });
  const put = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
    throw new DOMException('full', 'QuotaExceededError');
  });
  server.write.mockResolvedValue(away);
  change({ n: 2 });
  await pass(600);
  expect(now().cannotKeep).toBe(true);
  keeper.leave();
  await keeper.open('w2');
  await keeper.open('w');
  expect(now().document).toEqual({ n: 2 });
  put.mockRestore();
  change({ n: 3 });
  await pass(600);
  expect(now().cannotKeep).toBe(false);
});

test('work that one view starts is opened by another, and stored in any case', async () => {
  const { server, keeper, now, outbox } = await opened({ n: 1 });
  const kind = { kind: 't', works: server.works, upgraded: (d: Doc) => Promise.resolve(d) };
  const id = await outbox.startWork(kind, { name: 'Three', document: { n: 3 } });
  expect(await keeper.open(id)).toBeNull();
  expect(now()).toMatchObject({ id, document: { n: 3 } });
  await pass(600);
  expect(server.all.get(id)).toMatchObject({ name: 'Three', revision: 1 });
  const other = await outbox.startWork(kind, { name: 'Four', document: { n: 4 } });
  await outbox.flush();
  expect(server.all.get(other)).toMatchObject({ name: 'Four' });
});

test('a server that writes documents down in its own way is nobody else: opened again, there is no step of theirs', async () => {
  const server = serverOf();
  const usual = server.write.getMockImplementation()!;
  // What is as usual is left out of what is stored, as the real one does.
  server.write.mockImplementation((id, base, name, { n, m }) => usual(id, base, name, m === 7 ? { n } : { n, m: m! }));
  const { keeper, now, change } = await openPage(server);
  keeper.openNew('new', { name: 'New', document: { n: 1, m: 7 } });
  await pass(600);
  await keeper.open('new');
  expect(now()).toMatchObject({ past: [], document: { n: 1, m: 7 }, saving: { kind: 'saved' } });
  change({ n: 2 });
  await pass(600);
  await keeper.open('new');
  expect(now().past).toHaveLength(1);
  expect(now().past[0]!.theirsAt).toBeUndefined();
});

test('what was left and stored by the outbox is clean when one comes back, though somebody else changed it since', async () => {
  const { server, change, keeper, now } = await opened({ n: 1 });
  change({ n: 2 });
  keeper.leave();
  await pass(100);
  expect(server.all.get('w')!.document).toEqual({ n: 2 });
  server.all.set('w', work(3, { n: 2, m: 4 }));
  await keeper.open('w');
  await pass(100);
  expect(now()).toMatchObject({ document: { n: 2, m: 4 }, saving: { kind: 'saved' } });
});

test('unsaved work that a page of before kept is taken over and sent; copies of before are let go', async () => {
  const kept = (unsaved: boolean) => JSON.stringify({ at: 1, draft: { name: 'Of before', document: { n: 9 }, revision: 1, unsaved } });
  localStorage.setItem('juxtopsis.comparison.old', kept(true));
  localStorage.setItem('juxtopsis.comparison.copy', kept(false));
  localStorage.setItem('juxtopsis.production.broken', '{');
  localStorage.setItem('juxtopsis.settings', '{}');
  const server = serverOf();
  const { outbox, start } = await openPage(server);
  outbox.register({ kind: 'comparison', works: server.works, upgraded: (d: Doc) => Promise.resolve(d) });
  start();
  await pass(200);
  expect(server.all.get('old')).toMatchObject({ name: 'Of before', document: { n: 9 } });
  expect(server.all.has('copy')).toBe(false);
  expect(Object.keys(localStorage)).toEqual(['juxtopsis.settings']);
});
