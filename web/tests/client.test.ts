import { beforeEach, expect, test, vi } from 'vitest';
import { comparisons, has, sendFile } from '../src/api/client';

beforeEach(() => void vi.useFakeTimers());

const hanging = (_: Request, init?: RequestInit) =>
  new Promise<Response>((_, fail) => init?.signal?.addEventListener('abort', () => fail(new DOMException('aborted', 'AbortError'))));

test('a server that hangs is away after twenty seconds', async () => {
  vi.stubGlobal('fetch', hanging);
  const outcome = comparisons.read('10f7a7e0-0000-4000-8000-000000000001');
  await vi.advanceTimersByTimeAsync(19_900);
  await vi.advanceTimersByTimeAsync(200);
  expect(await outcome).toMatchObject({ kind: 'away' });
});

test('files take longer, and whoever asked can stop it', async () => {
  vi.stubGlobal('fetch', hanging);
  const stop = new AbortController();
  const answered = vi.fn();
  const sent = sendFile('POST', '/api/shelf/import', new Blob(['a']), 'text/csv', has<{ rows: [] }>('rows'), stop.signal);
  void sent.then(answered);
  await vi.advanceTimersByTimeAsync(60_000);
  expect(answered).not.toHaveBeenCalled();
  stop.abort();
  expect(await sent).toMatchObject({ kind: 'refused', say: 'Stopped; nothing was written.' });
});

test('an answer without a body stays one', async () => {
  vi.stubGlobal('fetch', () => Promise.resolve(new Response(null, { status: 204 })));
  expect(await comparisons.setDeleted('10f7a7e0-0000-4000-8000-000000000001', true)).toBeNull();
});
