import { beforeEach, expect, test, vi } from 'vitest';
import type { MeasureRequest } from '../src/core/core';

const readFile = vi.hoisted(() => vi.fn<(...asked: unknown[]) => Promise<unknown>>());
const tableOf = vi.hoisted(() => vi.fn<(...asked: unknown[]) => Promise<unknown>>());
const download = vi.hoisted(() => vi.fn<(name: string, made: Blob) => void>());
vi.mock('../src/documents/exchange', async (original) => ({ ...(await original<object>()), readFile, tableOf }));
vi.mock('../src/documents/workFile', async (original) => ({ ...(await original<object>()), download }));

const { bringIn, takeOut } = await import('../src/features/shelf/tests/readingFiles');

const reading = (distanceMm: number) => ({ distanceMm, widthMm: distanceMm / 2 });
const measured = (part: object = {}): MeasureRequest => ({ kind: 'focalLength', setup: { usedWidthMm: 36 }, readings: [], ...part });
const table = new File(['Tape (mm),Width seen (mm)\n1000,500\n'], 'readings.csv');
const json = new File(['  {"format":"juxtopsis-readings"}'], 'readings.json');

beforeEach(() => {
  vi.clearAllMocks();
  readFile.mockResolvedValue({
    measured: { kind: 'focalLength', setup: { squeeze: 1.5 }, readings: [reading(1000), reading(2000)] },
    problems: [],
  });
});

test('readings of a table stand behind those that are there when they come, not when the file was chosen', async () => {
  const { into, say } = await bringIn(table, 'focalLength');
  expect(readFile.mock.calls[0]!.slice(0, 3)).toEqual(['/api/tests/read', { kind: 'focalLength' }, table]);
  expect(say).toBe('2 readings brought in.');
  const typed = measured({ setup: { usedWidthMm: 24 }, readings: [reading(500)] });
  expect(into!(typed)).toEqual({ ...typed, readings: [reading(500), reading(1000), reading(2000)] });
  // A table has no setup: what was set stays, also where nothing was read yet.
  expect(into!(measured())).toEqual(measured({ readings: [reading(1000), reading(2000)] }));
});

test('a file of JSON brings its setup where nothing was read yet, over what was set, and leaves it where something was', async () => {
  const { into } = await bringIn(json, 'focalLength');
  expect(into!(measured()).setup).toEqual({ usedWidthMm: 36, squeeze: 1.5 });
  expect(into!(measured({ readings: [reading(500)] }))).toMatchObject({
    setup: { usedWidthMm: 36 },
    readings: [{ distanceMm: 500 }, {}, {}],
  });
});

test('what was left out is told, and a file that is none changes nothing and says why', async () => {
  readFile.mockResolvedValueOnce({
    measured: { kind: 'focalLength', readings: [reading(1000)] },
    problems: ['Line 3, Tape: “far” is no number.'],
  });
  expect((await bringIn(table, 'focalLength')).say).toBe('1 reading brought in. Line 3, Tape: “far” is no number.');
  readFile.mockResolvedValueOnce('The file is larger than 1 MB.');
  expect(await bringIn(table, 'focalLength')).toEqual({ into: null, say: 'The file is larger than 1 MB.' });
});

test('readings go out whole as JSON, and as the server’s table; where that cannot be had it is said', async () => {
  expect(await takeOut(measured({ readings: [reading(1000)] }), 'Selkie 35 mm', 'json')).toBe('');
  const [name, blob] = download.mock.calls[0]!;
  expect(name).toBe('Selkie 35 mm.readings.json');
  expect(JSON.parse(await blob.text())).toEqual({
    format: 'juxtopsis-readings',
    version: 1,
    measured: measured({ readings: [reading(1000)] }),
  });
  const made = new Blob(['a,b']);
  tableOf.mockResolvedValueOnce(made);
  expect(await takeOut(measured(), 'Selkie 35 mm', 'csv')).toBe('');
  expect(download.mock.calls[1]).toEqual(['Selkie 35 mm.csv', made]);
  tableOf.mockResolvedValueOnce('The server cannot be reached.');
  expect(await takeOut(measured(), 'Selkie 35 mm', 'csv')).toBe('The server cannot be reached.');
  expect(download).toHaveBeenCalledTimes(2);
});
