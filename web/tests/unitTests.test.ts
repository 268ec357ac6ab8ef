import { beforeEach, afterEach, expect, test, vi } from 'vitest';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { acceptTest, beginTest, unitTests } = await import('../src/gear/unitTests');
const { decimalsOf, nextText, offText, testedPlusMinus, valueText } = await import('../src/gear/testWords');
const { wallOf } = await import('../src/features/shelf/tests/wall');

const sent: { method: string; path: string; body: unknown }[] = [];
let reply: () => Response;

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  sent.length = 0;
  unitTests.useRows.setState({ rows: [], state: 'ready', say: '' });
  vi.stubGlobal('fetch', async (request: Request) => {
    const text = await request.clone().text();
    sent.push({ method: request.method, path: new URL(request.url).pathname, body: text === '' ? null : JSON.parse(text) });
    return reply();
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

test('a test begins with what is known of the thing, a zoom with its mark to be said', async () => {
  reply = () => json(503, {});
  const prime = beginTest('focalLength', 'u', {
    id: 'g',
    kind: 'lens',
    name: '50',
    focalShortMm: 50,
    minimumFocusDistanceMm: 450,
    maximumMagnification: 0.15,
  });
  const zoom = beginTest('focalLength', 'u', {
    id: 'z',
    kind: 'lens',
    name: '24–70',
    focalShortMm: 24,
    focalLongMm: 70,
    squeeze: 1.33,
  });
  const of = (id: string) => unitTests.useRows.getState().rows.find((row) => row.id === id)!.value.measured;
  expect(of(prime)).toMatchObject({
    setup: { focalLengthMm: 50, minimumFocusDistanceMm: 450, maximumMagnification: 0.15 },
    readings: [{}],
  });
  expect(of(zoom)).toMatchObject({ setup: { squeeze: 1.33 }, readings: [{ focalLengthMm: 24 }] });
  expect(of(zoom).setup!.focalLengthMm).toBeUndefined();
  expect(of(beginTest('falloff', 'u', { id: 'g', kind: 'lens', name: '50' })).readings).toEqual([]);
  await vi.advanceTimersByTimeAsync(1000);
  expect(unitTests.useRows.getState().rows.every((row) => row.isUnsaved)).toBe(true);
});

test('a result is taken into the record after what was typed last is there', async () => {
  const made = {
    id: 'x',
    unitId: 'u',
    gearId: 'g',
    measured: { kind: 'weight', readings: [] },
    note: '',
    results: [],
    by: '',
    updatedAt: '',
    acceptedAt: null,
    revision: 1,
  };
  reply = () =>
    json(sent.at(-1)!.method === 'GET' ? 200 : 201, sent.at(-1)!.method === 'GET' ? [{ ...made, acceptedAt: 'now', revision: 2 }] : made);
  unitTests.put('x', made as never);
  expect(await acceptTest('x')).toBeNull();
  expect(sent.map((s) => `${s.method} ${s.path}`)).toEqual(['PUT /api/tests/x', 'POST /api/tests/x/accept', 'GET /api/tests']);
  expect(sent[0]!.body).toEqual({ unitId: 'u', measured: { kind: 'weight', readings: [] }, note: '' });
  expect(unitTests.useRows.getState().rows[0]!.value.acceptedAt).toBe('now');
  reply = () => json(409, { title: 'It says nothing yet', detail: 'Take what is missing.' });
  expect(await acceptTest('x')).toMatchObject({ say: expect.stringContaining('Take what is missing') as string });
});

test('values are told in the digits that their ± leaves them', () => {
  expect([12, 3, 0.4, 0.03, 0.002, 0].map(decimalsOf)).toEqual([0, 0, 1, 2, 3, 2]);
  expect(valueText('focalLength', 48.617, 0.21)).toBe('48.6 mm');
  expect(testedPlusMinus('focalLength', 0.21)).toBe('± 0.2');
  expect(valueText('magnification', 0.7184, 0.004)).toBe('0.718×');
  expect(valueText('mountError', -0.042, 0.01)).toBe('−0.04 mm');
  expect(valueText('minimumFocusDistance', 431, 6)).toBe('43.1 cm');
  expect(offText({ quantity: 'focalLength', value: 33.95, marked: 35 })).toBe('marked 35 mm, −3 %');
  expect(offText({ quantity: 'squeeze', value: 1.29, marked: 1.33 })).toBe('marked 1.33×, −3 %');
  expect(offText({ quantity: 'tNumber', value: 2.3, marked: 2 })).toBe('ƒ2: its glass loses 0.4 stops');
  expect(offText({ quantity: 'weight', value: 33, marked: null })).toBe('');
  expect(nextText('focalLength', { distanceMm: 5000, plusMinus: 0.11 }, false).replaceAll('\u2009', ' ')).toBe(
    'One more at 5.00 m would bring it to ± 0.1.',
  );
});

test('a still of a wall becomes light in cells, upright or lying', () => {
  const flat = (width: number, height: number, code: number) => ({
    width,
    height,
    data: new Uint8ClampedArray(4 * width * height).fill(code),
  });
  const wall = wallOf(flat(96, 54, 188), 36);
  expect([wall.columns, wall.rows]).toEqual([48, 27]);
  expect([wall.widthMm, wall.heightMm]).toEqual([36, 20.25]);
  // 188 of 255 is half of the light.
  expect(Math.min(...wall.light)).toBeCloseTo(0.503, 2);
  expect(Math.max(...wall.light)).toBe(Math.min(...wall.light));
  const upright = wallOf(flat(54, 96, 0), 36);
  expect([upright.heightMm, upright.widthMm]).toEqual([36, 20.25]);
  expect(Math.max(...upright.light)).toBe(0);
});
