import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { bringCrewIn, comparisons, failure, productions, sendFile } from '../src/api/client';

const sent: { method: string; path: string; match: string | null; fresh: string | null; body: string }[] = [];
let replies: (Response | Error)[] = [];
const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const refusal = (status: number, more: object = {}) => json(status, { code: 'x', title: 'No', detail: 'It is not so.', status, ...more });

beforeEach(() => {
  sent.length = 0;
  replies = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname, search } = new URL(request.url);
    const [match, fresh] = [request.headers.get('If-Match'), request.headers.get('If-None-Match')];
    sent.push({ method: request.method, path: pathname + search, match, fresh, body: await request.clone().text() });
    const reply = replies.shift() ?? new TypeError('Nothing was to be asked.');
    if (reply instanceof Error) throw reply;
    return reply;
  });
});
afterEach(() => vi.unstubAllGlobals());

const stored = { id: 'w', name: 'Work', document: { setup: 1 }, revision: 4, updatedAt: 'now', deletedAt: null };
const away = { kind: 'away', say: 'The server cannot be reached.' };

test('work that is still what one knows is not sent again', async () => {
  replies = [json(200, stored), new Response(null, { status: 304 }), refusal(404), new TypeError('gone')];
  expect(await comparisons.read('w')).toEqual(stored);
  expect(await comparisons.read('w', 4)).toBeNull();
  expect(sent.map((s) => [s.path, s.fresh])).toEqual([
    ['/api/comparisons/w', null],
    ['/api/comparisons/w', '"4"'],
  ]);
  expect(await comparisons.read('w')).toEqual({ kind: 'missing', say: 'It is not so.' });
  expect(await comparisons.read('w')).toEqual(away);
});

test('work is written where nothing is, or on top of what was seen; what somebody else wrote comes back whole', async () => {
  replies = [json(201, stored), json(200, stored), refusal(412, { current: stored }), refusal(412), refusal(422), new TypeError('gone')];
  const write = (base: number | null) => productions.write('w', base, 'Work', { setup: 1 } as never);
  expect(await write(null)).toEqual({ kind: 'stored', work: stored });
  expect(await write(3)).toEqual({ kind: 'stored', work: stored });
  expect(sent.map((s) => [s.method, s.path, s.match, s.fresh, s.body])).toEqual([
    ['PUT', '/api/productions/w', null, '*', '{"name":"Work","document":{"setup":1}}'],
    ['PUT', '/api/productions/w', '"3"', null, '{"name":"Work","document":{"setup":1}}'],
  ]);
  expect(await write(3)).toEqual({ kind: 'conflict', current: stored });
  expect(await write(3)).toMatchObject({ kind: 'refused' });
  expect(await write(3)).toMatchObject({ kind: 'refused', say: 'It is not so.' });
  expect(await write(3)).toEqual(away);
});

test('work is deleted and comes back; a list and what was before are asked as they are wanted', async () => {
  replies = [new Response(null, { status: 204 }), json(200, stored), refusal(404)];
  expect(await productions.setDeleted('w', true)).toBeNull();
  expect(await productions.setDeleted('w', false)).toBeNull();
  expect(await productions.setDeleted('w', false)).toMatchObject({ kind: 'missing' });
  expect(sent.map((s) => `${s.method} ${s.path}`).slice(0, 2)).toEqual(['DELETE /api/productions/w', 'POST /api/productions/w/restore']);
  replies = [json(200, [stored]), json(200, []), json(200, stored), refusal(503), new TypeError('gone'), new TypeError('gone')];
  expect(await comparisons.list(false, 100, 'low water')).toEqual([stored]);
  expect(sent.at(-1)!.path).toBe('/api/comparisons?deleted=false&skip=100&search=low%20water');
  expect(await comparisons.past('w')).toEqual([]);
  expect(await comparisons.pastOne('w', 3)).toEqual(stored);
  expect(sent.at(-1)!.path).toBe('/api/comparisons/w/past/3');
  expect(await comparisons.pastOne('w', 3)).toMatchObject({ kind: 'away', say: 'It is not so.' });
  expect(await comparisons.past('w')).toEqual(away);
  expect(await comparisons.list(true, 0)).toEqual(away);
  expect(productions.storedAt('w')).toBe('/api/productions/w/stored');
});

test.each([
  [404, 'missing'],
  [400, 'refused'],
  [413, 'refused'],
  [422, 'refused'],
  [409, 'away'],
  [429, 'away'],
  [500, 'away'],
  [503, 'away'],
])('an answer %i without a word means %s, and is told by its number', (status, kind) => {
  expect(failure(status, undefined)).toEqual({ kind, say: `The server answered ${status}.` });
});

test('a crew’s file goes as it is; an answer that is none of it is a failure', async () => {
  replies = [json(200, { added: 3 }), refusal(422), new Response('<html>', { status: 502 }), json(200, { other: 1 })];
  const file = new File([new Uint8Array([1, 2])], 'crew.zip');
  expect(await bringCrewIn(file)).toEqual({ added: 3 });
  expect(await bringCrewIn(file)).toMatchObject({ kind: 'refused', say: 'It is not so.' });
  expect(await bringCrewIn(file)).toEqual({ kind: 'away', say: 'The server answered 502.' });
  expect(await bringCrewIn(file)).toMatchObject({ kind: 'refused', say: 'The server answered 200.' });
  const isText = (said: unknown): said is string => typeof said === 'string';
  replies = [json(200, 'yes')];
  expect(await sendFile('PUT', '/api/photos/p', file, 'image/jpeg', isText)).toBe('yes');
});
