import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { PictureFact, SheetFacts } from '../src/sheets/facts';
import { newSheet } from '../src/sheets/kinds';
import type { Page } from '../src/sheets/marks';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
type Print = (
  order: { width: number; height: number },
  how: { signal?: AbortSignal; onProgress: (done: number) => void },
) => Promise<Blob | null>;
const printPicture = vi.fn<Print>();
vi.mock('../src/picture/pictures', () => ({ printPicture, usePictures: { getState: () => ({ failed: null }) } }));

const { freeze, makeLink, readContent, readFrozen, useFrozen, withdrawLink } = await import('../src/sheets/frozen');
const { makePictures, useMaking } = await import('../src/sheets/printed');
const { answer, openSheet, tokenOf } = await import('../src/features/shared/sharedApi');

interface Sent {
  method: string;
  path: string;
  body: unknown;
  headers: Headers;
}
const sent: Sent[] = [];
let reply: (sent: Sent) => Response | Promise<Response>;
const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

beforeEach(() => {
  sent.length = 0;
  printPicture.mockReset().mockResolvedValue(new Blob(['jpeg'], { type: 'image/jpeg' }));
  useFrozen.setState({ work: '', state: 'opening', say: '', sheets: [], contents: {}, addresses: {} });
  vi.stubGlobal('fetch', async (input: Request | string, init?: RequestInit) => {
    const request = input instanceof Request ? input : new Request(new URL(input, 'http://here'), init);
    const text = await request.clone().text();
    const one = {
      method: request.method,
      path: new URL(request.url).pathname + new URL(request.url).search,
      body: text.startsWith('{') ? (JSON.parse(text) as unknown) : text,
      headers: request.headers,
    };
    sent.push(one);
    return reply(one);
  });
});
afterEach(() => vi.unstubAllGlobals());

const picture = (id: string, part: Partial<PictureFact> = {}): PictureFact => ({
  id,
  aspect: 2,
  label: id,
  rendered: { view: { fieldWidth: 1, id } as never, stage: {} as never },
  ...part,
});
const factsOf = (...pictures: PictureFact[]): SheetFacts => ({
  name: 'Low Water',
  what: 'Frames',
  href: '/',
  foot: ['by the mark'],
  blocks: [
    {
      kind: 'frames',
      id: 'f',
      columns: [{ key: 'setting', label: 'Setting' }],
      frames: pictures.map((p, i) => ({
        id: p.id,
        mark: String(i + 1),
        title: `Shot ${p.id}`,
        values: { setting: '35 mm' },
        options: [{ id: p.id, title: 'Rig', lines: [], picture: p }],
        href: '',
        warnings: [],
      })),
    },
  ],
});
const pageOf = (...ids: string[]): Page => ({
  width: 210,
  height: 297,
  edits: [],
  handles: [],
  marks: ids.map((id) => ({ kind: 'picture', id, x: 0, y: 0, width: 100, height: 50, label: id })),
});
const summary = (id: string) => ({
  id,
  workId: 'w',
  sheetId: 's',
  workRevision: 3,
  kind: 'frames',
  title: 't',
  madeAt: '',
  by: '',
  links: [],
  answers: [],
});

test('pictures are made once at the size that paper needs, those that are missing are not, and progress is told', async () => {
  const told: number[] = [];
  const facts = factsOf(picture('a'), picture('b', { missing: 'No rig' }), picture('c'));
  const how = { signal: new AbortController().signal, onProgress: (done: number) => told.push(done) };
  const made = await makePictures([pageOf('a', 'b', 'c'), pageOf('a')], facts, how);
  expect([...made.keys()]).toEqual(['a', 'c']);
  // 100 mm at 200 dots an inch, half as high.
  expect(printPicture.mock.calls.map(([order]) => [order.width, order.height])).toEqual([
    [787, 394],
    [787, 394],
  ]);
  expect(told.at(-1)).toBe(1);
  await makePictures([pageOf('a')], facts, how);
  expect(printPicture).toHaveBeenCalledTimes(2);
  await makePictures([pageOf('a')], facts, { ...how, px: 320 });
  expect(printPicture.mock.calls.at(-1)![0].width).toBe(320);
});

test('what was stopped makes no further picture', async () => {
  const stopping = new AbortController();
  printPicture.mockImplementation(() => {
    stopping.abort();
    return Promise.resolve(null);
  });
  const made = await makePictures([pageOf('x', 'y', 'z')], factsOf(picture('x'), picture('y'), picture('z')), {
    signal: stopping.signal,
    onProgress: () => undefined,
  });
  expect([made.size, printPicture.mock.calls.length]).toEqual([0, 1]);
});

test('a sheet is frozen with what whoever it is sent to may see, then its pictures; only then it stands in the list', async () => {
  reply = ({ path, method }) =>
    path.includes('/pictures/')
      ? new Response(null, { status: 204 })
      : json(method === 'PUT' ? 201 : 200, summary(path.split('/').at(-1)!));
  const sheet = { ...newSheet('frames'), title: 'Sent', items: [{ id: 'f1', title: 'The rivet', remark: 'Mind' }] };
  const facts = factsOf(picture('f1'), picture('f2', { missing: 'No rig is chosen' }));
  const frozen = await freeze({ sheet, facts, pages: [pageOf('f1', 'f2')] }, { id: 'w', revision: 3 });
  expect('id' in frozen && useFrozen.getState().sheets[0]?.id === frozen.id).toBe(true);
  expect(sent.map((s) => s.path.replace(/[0-9a-f-]{36}/, 'ID'))).toEqual(['/api/sheets/ID', '/api/sheets/ID/pictures/f1']);
  expect(sent[0]!.body).toMatchObject({
    workId: 'w',
    workRevision: 3,
    title: 'Sent',
    foot: 'by the mark',
    shots: [
      { id: 'f1', title: '1 The rivet', remark: 'Mind', options: [{ id: 'f1', lines: ['35 mm'] }] },
      { id: 'f2', title: '2 Shot f2', options: [{ id: 'f2', lines: ['No rig is chosen'] }] },
    ],
  });
  expect(JSON.stringify((sent[0]!.body as { shots: unknown }).shots)).not.toContain('fieldWidth');
  expect(useMaking.getState().what).toBeNull();
});

test('a picture that does not arrive is told, and the sheet does not stand in the list', async () => {
  reply = ({ path }) => (path.includes('/pictures/') ? new Response('<html>', { status: 502 }) : json(201, summary('x')));
  const frozen = await freeze(
    { sheet: newSheet('frames'), facts: factsOf(picture('g1')), pages: [pageOf('g1')] },
    { id: 'w', revision: 3 },
  );
  expect(frozen).toMatchObject({ kind: 'away' });
  expect(useFrozen.getState().sheets).toEqual([]);
});

test('the list is that of the work that is asked for, also when another answer comes late', async () => {
  let late: (response: Response) => void = () => undefined;
  reply = ({ path }) => (path.endsWith('=one') ? new Promise((done) => (late = done)) : json(200, [summary('of two')]));
  const first = readFrozen('one');
  await vi.waitFor(() => expect(sent).toHaveLength(1));
  await readFrozen('two');
  late(json(200, [summary('of one')]));
  await first;
  expect(useFrozen.getState()).toMatchObject({ work: 'two', sheets: [{ id: 'of two' }] });
  reply = () => Promise.reject(new Error('offline'));
  await readFrozen('two');
  expect(useFrozen.getState()).toMatchObject({ state: 'away', sheets: [{ id: 'of two' }] });
});

test('a link is open until the end of its day, its address is kept only by this page, and it is withdrawn', async () => {
  useFrozen.setState({ work: 'w', sheets: [summary('f') as never] });
  const link = { id: 'l', for: 'Oda', madeAt: '', endsAt: '', withdrawnAt: null, opened: 0, openedAt: null };
  reply = () => json(201, { link, token: 'TOKEN' });
  expect(await makeLink('f', '2027-01-31', 'Oda')).toBe('');
  expect(new Date((sent[0]!.body as { endsAt: string }).endsAt)).toEqual(new Date('2027-01-31T23:59:59'));
  expect(useFrozen.getState().addresses['l']).toMatch(/\/sheet#TOKEN$/);
  expect(useFrozen.getState().sheets[0]!.links).toEqual([link]);
  expect(await makeLink('f', '', '')).toBe('Choose the last day of the link.');
  reply = () => json(404, { detail: 'There is no link l here.' });
  expect(await withdrawLink('l')).toBe('There is no link l here.');
});

test('what another version froze is said to be so rather than drawn wrongly', async () => {
  reply = () => json(200, { summary: summary('f'), content: { version: 99 } });
  expect(await readContent('f')).toMatch(/another version/);
  reply = () => json(200, { summary: summary('f'), content: { version: 1, sheet: newSheet('frames'), facts: factsOf() } });
  expect(await readContent('f')).toBe('');
  expect(useFrozen.getState().contents['f']?.facts.name).toBe('Low Water');
});

test('whoever has a link: the token goes in a header, what ends is told apart from what is only away', async () => {
  expect(tokenOf('#abc ')).toBe('abc');
  reply = () => json(200, { title: 'Sent' });
  expect(await openSheet('abc')).toEqual({ data: { title: 'Sent' } });
  expect([sent[0]!.path, sent[0]!.headers.get('Authorization')]).toEqual(['/api/shared', 'Bearer abc']);
  reply = () => json(410, { title: 'This link has ended', detail: 'Ask.' });
  expect(await openSheet('abc')).toEqual({ title: 'This link has ended', say: 'Ask.', isAway: false });
  reply = () => json(429, { title: 'Too much at once', detail: 'Wait.' });
  expect(await openSheet('abc')).toMatchObject({ isAway: true });
  reply = () => Promise.reject(new Error('offline'));
  expect(await openSheet('abc')).toMatchObject({ isAway: true, title: 'No connection' });
  reply = () => json(422, { title: 'Refused', errors: [{ message: 'The answer has no name.' }] });
  expect(await answer('abc', { id: 'i', shotId: 's', name: '' })).toMatchObject({ say: 'The answer has no name.' });
});
