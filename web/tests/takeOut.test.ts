import { afterEach, beforeEach, expect, test, vi, type MockInstance } from 'vitest';
import type { RigReport } from '../src/core/core';
import type { FigureGroup } from '../src/features/bench/figureRows';

const info = { id: 'equivalentFocalLengthMm', name: 'Equivalent', unit: 'focalLength', comparison: 'percent', decimals: 1 };
vi.mock('../src/core/core', () => ({
  core: () => ({ figures: { equivalentFocalLengthMm: info, cropFactor: info } }),
  coreReady: Promise.resolve(),
}));
const { copyTable, saveCsv } = await import('../src/features/bench/takeOut');

const groups: FigureGroup[] = [
  {
    name: 'Angle, and "framing"',
    rows: [
      { figure: 'equivalentFocalLengthMm' },
      { figure: 'cropFactor', name: '=1+1', text: ({ figures }) => ['@sum', '+3.5', '-cmd'][figures.magnification]! },
    ],
  },
];
const report = (i: number) =>
  ({
    figures: { magnification: i, equivalentFocalLengthMm: 24 * (i + 1) },
    differences: { equivalentFocalLengthMm: i },
  }) as unknown as RigReport;
const all: Parameters<typeof copyTable> = ['Essentials', groups, ['A', 'B <i>'], [report(0), report(1)], 0, false];

let revoked: MockInstance;
let saved: { name: string; text: Promise<string> }[] = [];
beforeEach(() => {
  saved = [];
  vi.useFakeTimers();
  let blob: Blob;
  vi.spyOn(URL, 'createObjectURL').mockImplementation((of) => {
    blob = of as Blob;
    return 'blob:x';
  });
  revoked = vi.spyOn(URL, 'revokeObjectURL').mockImplementation(() => undefined);
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    saved.push({ name: this.download, text: blob.text() });
  });
});
afterEach(() => vi.useRealTimers());

test('a table is saved as it is shown, with a difference beside each rig but the yardstick, under a name that every system takes', async () => {
  saveCsv('Two: rigs/today?', ...all);
  expect(saved[0]!.name).toBe('Two rigstoday Essentials.csv');
  const lines = (await saved[0]!.text).replace('\ufeff', '').split('\r\n');
  expect(lines[0]).toBe('"Essentials","A","B <i>","against A"');
  expect(lines[1]).toBe('"Angle, and ""framing""","","",""');
  expect(lines[2]).toBe('"Equivalent","24","48","+1.0\u2009%"');
});

test('a cell is never somebody else’s formula; a signed number stays a number', async () => {
  saveCsv('x', ...all);
  const line = (await saved[0]!.text).split('\r\n')[3]!;
  expect(line).toContain('"\'=1+1","\'@sum","+3.5"');
});

test('the address of a saved file is let go of', () => {
  saveCsv('x', ...all);
  vi.advanceTimersByTime(10_000);
  expect(revoked).toHaveBeenCalledWith('blob:x');
});

test('what is copied goes as a table whose names are no markup, and as tabbed text', async () => {
  const written: Record<string, Blob>[] = [];
  vi.stubGlobal('ClipboardItem', function (of: Record<string, Blob>) {
    written.push(of);
  });
  vi.stubGlobal('navigator', { clipboard: { write: vi.fn(() => Promise.resolve()) } });
  await copyTable(...all);
  const html = await written[0]!['text/html']!.text();
  expect(html).toContain('<td>B &#60;i&#62;</td>');
  expect(html).not.toContain('<i>');
  expect((await written[0]!['text/plain']!.text()).split('\n')[0]).toBe('Essentials\tA\tB <i>\tagainst A');
});
