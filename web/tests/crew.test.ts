import { beforeEach, expect, test, vi } from 'vitest';
import { newBrowser } from './pages';

const [ours, theirs] = ['10f7a7e0-0000-4000-8000-0000000000c1', '10f7a7e0-0000-4000-8000-0000000000c2'];
const reload = vi.fn();

/** The modules as a page has them that was just opened. */
async function openPage() {
  vi.resetModules();
  const { crew, keptUnder } = await import('../src/api/crew');
  const { comparisons } = await import('../src/api/client');
  return { crew, keptUnder, comparisons };
}

/** A server that works for one crew. */
const serve = (crew: string) => {
  const fetch = vi.fn((request: Request) => {
    const meant = request.headers.get('Juxtopsis-Crew');
    const status = meant === null || meant === crew ? 200 : 421;
    return Promise.resolve(new Response('[]', { status, headers: { 'Juxtopsis-Crew': crew } }));
  });
  vi.stubGlobal('fetch', fetch);
  return fetch;
};

beforeEach(() => {
  newBrowser();
  reload.mockClear();
  vi.stubGlobal('location', { origin: 'http://localhost', reload });
});

test('the first crew that a browser meets owns what it kept before it knew', async () => {
  serve(ours);
  const page = await openPage();
  expect([page.crew(), page.keptUnder('juxtopsis')]).toEqual(['', 'juxtopsis']);
  await page.comparisons.list(false, 0);
  expect([page.crew(), page.keptUnder('juxtopsis')]).toEqual([ours, 'juxtopsis']);
  expect(reload).not.toHaveBeenCalled();
});

test('a page of one crew says so, is refused by a server of another, and is opened anew for that one', async () => {
  serve(ours);
  await (await openPage()).comparisons.list(false, 0);
  const fetch = serve(theirs);
  const page = await openPage();
  expect(await page.comparisons.list(false, 0)).toMatchObject({ kind: 'refused' });
  expect(fetch.mock.calls[0]![0].headers.get('Juxtopsis-Crew')).toBe(ours);
  expect(reload).toHaveBeenCalledOnce();
  // Until it is closed, it keeps what it has not saved where its own crew finds it.
  expect([page.crew(), page.keptUnder('juxtopsis')]).toEqual([ours, 'juxtopsis']);

  const anew = await openPage();
  expect([anew.crew(), anew.keptUnder('juxtopsis')]).toEqual([theirs, `juxtopsis-${theirs}`]);
  expect(await anew.comparisons.list(false, 0)).toEqual([]);
  serve(ours);
  await anew.comparisons.list(false, 0);
  expect((await openPage()).keptUnder('juxtopsis')).toBe('juxtopsis');
});
