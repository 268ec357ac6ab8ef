import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { GearItem } from '../src/core/core';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { addMounts, bringIn, dataOf, deleteGear, readGear, restoreGear, retireGear, takeImportBack, writeGear } =
  await import('../src/gear/shelfApi');
const { readDemo, setDemo, useDemoSet } = await import('../src/gear/demo');
const { readFile, tableOf } = await import('../src/documents/exchange');

interface Sent {
  method: string;
  path: string;
  headers: Headers;
  bytes: Uint8Array;
}
const sent: Sent[] = [];
let replies: (Response | Error)[] = [];
const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const refusal = (status: number, more: object = {}) => json(status, { code: 'x', title: 'No', detail: 'It is not so.', status, ...more });
const textOf = ({ bytes }: Sent) => new TextDecoder().decode(bytes);

beforeEach(() => {
  sent.length = 0;
  replies = [];
  useDemoSet.setState({ demo: null, asked: false });
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname, search } = new URL(request.url);
    const bytes = new Uint8Array(await request.clone().arrayBuffer());
    sent.push({ method: request.method, path: pathname + search, headers: request.headers, bytes });
    const reply = replies.shift() ?? new TypeError('Nothing was to be asked.');
    if (reply instanceof Error) throw reply;
    return reply;
  });
});
afterEach(() => vi.unstubAllGlobals());

const lens = { id: 'l', kind: 'lens', name: 'Old 35' } as unknown as GearItem;
const entry = { item: lens, revision: 4, retiredAt: null };

test('a new thing is added only where there is none, and one that is changed only on top of what was seen', async () => {
  replies = [json(201, entry), json(200, entry)];
  expect(await writeGear(lens, null)).toEqual({ kind: 'stored', entry });
  expect(await writeGear(lens, 3)).toEqual({ kind: 'stored', entry });
  expect(sent.map((s) => [s.method, s.path, s.headers.get('If-None-Match'), s.headers.get('If-Match')])).toEqual([
    ['PUT', '/api/shelf/l', '*', null],
    ['PUT', '/api/shelf/l', null, '"3"'],
  ]);
});

test('what stands in the way of a write is told apart: somebody else, a field, the server', async () => {
  const errors = [{ about: 'name', given: 'Old 35', allowed: 'a name of its own', message: 'There is one.', fix: 'Another.' }];
  replies = [refusal(412, { current: entry }), refusal(422, { errors }), refusal(422, { errors: [] }), refusal(503), new TypeError('gone')];
  expect(await writeGear(lens, 3)).toEqual({ kind: 'conflict', current: entry });
  expect(await writeGear(lens, 3)).toEqual({ kind: 'fields', errors, say: 'It is not so.' });
  expect(await writeGear(lens, 3)).toEqual({ kind: 'refused', say: 'It is not so.' });
  expect(await writeGear(lens, 3)).toEqual({ kind: 'away', say: 'It is not so.' });
  expect(await writeGear(lens, 3)).toEqual({ kind: 'away', say: 'The server cannot be reached.' });
});

test('mounts that somebody else added meanwhile are there too; the first that cannot be ends it', async () => {
  const taken = refusal(422, { errors: [{ about: 'name', given: 'K-bay', allowed: '', message: 'There is one.', fix: '' }] });
  replies = [taken, json(201, entry)];
  expect(await addMounts(['K-bay', 'Hook'])).toBeNull();
  expect(sent.map((s) => (JSON.parse(textOf(s)) as { name: string }).name)).toEqual(['K-bay', 'Hook']);
  replies = [refusal(503), json(201, entry)];
  expect(await addMounts(['K-bay', 'Hook'])).toMatchObject({ kind: 'away' });
  expect(sent).toHaveLength(3);
});

test('what was deleted, retired and put back; nothing is told of what cannot be read', async () => {
  replies = [json(200, { retired: true, by: ['Low Water'] }), new Response(null, { status: 204 }), refusal(409), new TypeError('gone')];
  expect(await deleteGear('l')).toEqual({ retired: true, by: ['Low Water'] });
  expect(await deleteGear('l')).toBeNull();
  expect(await deleteGear('l')).toMatchObject({ say: 'It is not so.' });
  expect(await deleteGear('l')).toMatchObject({ kind: 'away' });
  replies = [json(200, entry), refusal(404), json(200, entry), new Response(null, { status: 204 }), refusal(422)];
  expect(await retireGear('l')).toEqual(entry);
  expect(await retireGear('l')).toMatchObject({ kind: 'missing' });
  expect(await restoreGear('l')).toEqual(entry);
  expect(await restoreGear('l')).toBeNull();
  expect(await restoreGear('l')).toMatchObject({ kind: 'refused' });
  replies = [json(200, entry), refusal(404), refusal(503)];
  expect([await readGear('l'), await readGear('l')]).toEqual([entry, null]);
  expect(await readGear('l')).toMatchObject({ kind: 'away' });
});

test('an answer that does not come is told in words; one that was given up stays given up', async () => {
  const stop = new AbortController();
  const response = new Response(null, { status: 503 });
  expect(await dataOf(Promise.resolve({ data: 3, response }), stop.signal)).toBe(3);
  await expect(dataOf(Promise.resolve({ error: { detail: 'Later.' }, response }), stop.signal)).rejects.toThrow('Later.');
  await expect(dataOf(Promise.reject(new TypeError('x')), stop.signal)).rejects.toThrow('The server cannot be reached.');
  stop.abort();
  await expect(dataOf(Promise.reject(new DOMException('a', 'AbortError')), stop.signal)).rejects.toThrow('a');
});

test('files go as they are, in one message, under names of every script', async () => {
  const answer = { rows: [], isWritten: false };
  replies = [json(200, answer), json(422, answer), refusal(413)];
  const bytes = new Uint8Array([0xff, 0, 0xfe]);
  const files = [new File([bytes], 'linsen (neu)’s.csv'), new File(['{}'], '鏡頭.json')];
  const { signal } = new AbortController();
  expect(await bringIn(files, null, signal)).toEqual(answer);
  expect(sent[0]!.path).toBe('/api/shelf/import');
  const type = sent[0]!.headers.get('Content-Type')!;
  const boundary = /boundary=(\S+)$/.exec(type)![1]!;
  const text = new TextDecoder('latin1').decode(sent[0]!.bytes);
  expect(text.split(`--${boundary}`)).toHaveLength(4);
  expect(text).toContain("filename*=UTF-8''linsen%20%28neu%29%E2%80%99s.csv\r\n\r\n\u00ff\u0000\u00fe\r\n");
  expect(text).toContain(`filename*=UTF-8''${encodeURIComponent('鏡頭.json')}`);
  expect(text.endsWith(`--${boundary}--\r\n`)).toBe(true);
  // What was refused row by row is an answer too, and tells which.
  expect(await bringIn(files, 7, signal)).toEqual(answer);
  expect(sent[1]!.path).toBe('/api/shelf/import?write=true&expect=7');
  expect(await bringIn(files, 7, signal)).toMatchObject({ kind: 'refused' });
  replies = [json(200, { back: 3, stayed: [] }), refusal(404)];
  expect(await takeImportBack(7)).toEqual({ back: 3, stayed: [] });
  expect(await takeImportBack(7)).toMatchObject({ kind: 'missing' });
});

test('the demo is known once it was asked for; what was known stays while the server is away', async () => {
  const demo = { isHere: true, hasOwn: true, gear: ['l'], works: ['w'] };
  replies = [new TypeError('gone'), json(200, demo), refusal(503)];
  expect(await readDemo()).toMatchObject({ kind: 'away' });
  expect(useDemoSet.getState()).toEqual({ demo: null, asked: true });
  expect(await readDemo()).toEqual(demo);
  expect(await readDemo()).toMatchObject({ kind: 'away' });
  expect(useDemoSet.getState().demo).toEqual(demo);
});

test('the demo is put away and what the shelf says is asked anew; a refusal changes nothing', async () => {
  const demo = { isHere: false, hasOwn: true, gear: [], works: [] };
  const invalidateQueries = vi.fn(() => Promise.resolve());
  const queries = { invalidateQueries } as never;
  replies = [refusal(409), json(200, demo)];
  expect(await setDemo(false, queries)).toMatchObject({ say: 'It is not so.' });
  expect(invalidateQueries).not.toHaveBeenCalled();
  expect(await setDemo(false, queries)).toEqual(demo);
  expect(useDemoSet.getState().demo).toEqual(demo);
  expect(invalidateQueries).toHaveBeenCalledWith({ queryKey: ['shelf'] });
});

test('a table is read by its bytes, whatever letters it is in; one that is too large is not sent', async () => {
  const bytes = new Uint8Array([0x57, 0xfc, 0x72]);
  replies = [json(200, { takes: [] }), refusal(422), new TypeError('gone')];
  const file = new File([bytes], 'takes.csv');
  expect(await readFile('/api/takes/read', { production: 'p' }, file, 100)).toEqual({ takes: [] });
  expect(sent[0]!.path).toBe('/api/takes/read?production=p');
  expect([...sent[0]!.bytes]).toEqual([...bytes]);
  expect(sent[0]!.headers.get('Content-Type')).toBe('application/octet-stream');
  expect(await readFile('/api/takes/read', {}, file, 100)).toBe('It is not so.');
  expect(await readFile('/api/takes/read', {}, file, 100)).toBe('The server cannot be reached.');
  expect(await readFile('/api/takes/read', {}, file, 2)).toMatch(/^takes\.csv has more than/);
  expect(sent).toHaveLength(3);
});

test('a table of what is sent begins with the mark of its letters', async () => {
  replies = [new Response('Take\r\nÜ\r\n', { status: 200, headers: { 'Content-Type': 'text/csv' } }), refusal(422)];
  const table = (await tableOf('/api/takes/table.csv', { takes: [] })) as Blob;
  expect([...new Uint8Array(await table.arrayBuffer()).slice(0, 3)]).toEqual([0xef, 0xbb, 0xbf]);
  expect(await table.text()).toContain('Ü');
  expect(await tableOf('/api/takes/table.csv', { takes: [] })).toBe('It is not so.');
});
