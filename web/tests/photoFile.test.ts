import { afterEach, beforeEach, expect, test, vi } from 'vitest';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const parse = vi.hoisted(() => vi.fn());
vi.mock('exifr', () => ({ parse }));
const { bringPhoto, deletePhoto, photoAddress, restorePhoto } = await import('../src/picture/photo');

const sent: { method: string; path: string; type: string | null }[] = [];
let replies: (Response | Error)[] = [];
const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const refusal = (status: number) => json(status, { code: 'x', title: 'No', detail: 'It is not so.', status });

let bitmap: { width: number; height: number; close: ReturnType<typeof vi.fn> } | null;
const drawn = vi.fn();
class Canvas {
  constructor(
    readonly width: number,
    readonly height: number,
  ) {}
  getContext = () => ({ drawImage: drawn });
  convertToBlob = ({ type }: { type: string }) => Promise.resolve(new Blob([`${this.width}x${this.height}`], { type }));
}

beforeEach(() => {
  sent.length = 0;
  replies = [];
  drawn.mockClear();
  parse.mockReset().mockResolvedValue(undefined);
  bitmap = { width: 6000, height: 4000, close: vi.fn() };
  vi.stubGlobal('createImageBitmap', () => (bitmap ? Promise.resolve(bitmap) : Promise.reject(new DOMException('no picture'))));
  vi.stubGlobal('OffscreenCanvas', Canvas);
  vi.stubGlobal('fetch', (request: Request) => {
    const { pathname, search } = new URL(request.url);
    sent.push({ method: request.method, path: pathname + search, type: request.headers.get('Content-Type') });
    const reply = replies.shift() ?? json(201, { id: 'stored' });
    return reply instanceof Error ? Promise.reject(reply) : Promise.resolve(reply);
  });
});
afterEach(() => vi.unstubAllGlobals());

const file = (size = 10) => Object.defineProperty(new File(['x'], 'DSC.jpg'), 'size', { value: size });
const brought = async () => {
  const outcome = await bringPhoto(file());
  if ('kind' in outcome) throw new Error(outcome.say);
  return outcome;
};

test('a picture is made as small as frames need it, in its shape, and stored as nothing but the picture', async () => {
  const { photo } = await brought();
  expect([photo.widthPx, photo.heightPx]).toEqual([2560, 1707]);
  expect(drawn).toHaveBeenCalledWith(bitmap, 0, 0, 2560, 1707);
  expect(bitmap!.close).toHaveBeenCalled();
  expect(sent).toEqual([{ method: 'PUT', path: photoAddress(photo), type: 'image/jpeg' }]);
});

test('a small picture keeps its pixels, and a very long one stays a picture', async () => {
  bitmap = { width: 1200, height: 800, close: vi.fn() };
  expect((await brought()).photo).toMatchObject({ widthPx: 1200, heightPx: 800 });
  bitmap = { width: 30_000, height: 60, close: vi.fn() };
  expect((await brought()).photo).toMatchObject({ widthPx: 2560, heightPx: 16 });
});

test('what is too large, or no picture, is refused in words, and nothing is sent', async () => {
  expect(await bringPhoto(file(90 * 1024 * 1024))).toEqual({
    kind: 'refused',
    say: 'The file has 90 MB; 80 MB is the most. Export the picture smaller.',
  });
  bitmap = null;
  expect(await bringPhoto(file())).toMatchObject({ kind: 'refused' });
  expect(sent).toEqual([]);
});

test('a server that is away, or full, is told as it is', async () => {
  replies = [new TypeError('gone'), refusal(409), refusal(413)];
  expect(await bringPhoto(file())).toEqual({ kind: 'away', say: 'The server cannot be reached.' });
  expect(await bringPhoto(file())).toEqual({ kind: 'away', say: 'It is not so.' });
  expect(await bringPhoto(file())).toEqual({ kind: 'refused', say: 'It is not so.' });
});

test('what the file says of its lens and place is read, the equivalent told as one; nonsense is nothing', async () => {
  parse.mockResolvedValueOnce({ FocalLength: 23, FocalLengthIn35mmFormat: 35, latitude: 54.1, longitude: -1.2 });
  expect(await brought()).toMatchObject({
    focalLength: { mm: 35, isEquivalent: true },
    place: { latitudeDeg: 54.1, longitudeDeg: -1.2 },
  });
  parse.mockResolvedValueOnce({ FocalLength: 23, FocalLengthIn35mmFormat: 0, latitude: 54.1 });
  expect(await brought()).toMatchObject({ focalLength: { mm: 23, isEquivalent: false }, place: null });
  for (const tags of [{ FocalLength: NaN }, { FocalLength: '23' }, { FocalLength: -5 }, {}]) {
    parse.mockResolvedValueOnce(tags);
    expect(await brought()).toMatchObject({ focalLength: null, place: null });
  }
  parse.mockRejectedValueOnce(new Error('broken header'));
  expect(await brought()).toMatchObject({ focalLength: null, place: null });
});

test('a photograph is deleted as seen from one comparison, and brought back', async () => {
  const photo = { id: 'p' } as never;
  replies = [new Response(null, { status: 204 }), refusal(404), new TypeError('gone')];
  expect(await deletePhoto(photo, 'c1')).toBeNull();
  expect(sent[0]).toMatchObject({ method: 'DELETE', path: '/api/photos/p?from=c1' });
  expect(await deletePhoto(photo, 'c1')).toMatchObject({ kind: 'missing' });
  expect(await deletePhoto(photo, 'c1')).toMatchObject({ kind: 'away' });
  replies = [new Response(null, { status: 204 }), refusal(503), new TypeError('gone')];
  expect(await restorePhoto(photo)).toBeNull();
  expect(await restorePhoto(photo)).toMatchObject({ kind: 'away', say: 'It is not so.' });
  expect(await restorePhoto(photo)).toMatchObject({ kind: 'away', say: 'The server cannot be reached.' });
});
