import { expect, test, vi } from 'vitest';
import type { SheetFacts } from '../src/sheets/facts';
import { changesSince, columnsOf, inOrder, itemOf, moved, withItem } from '../src/sheets/facts';
import { newSheet } from '../src/sheets/kinds';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/picture/pictures', () => ({
  printPicture: vi.fn(() => Promise.resolve(null)),
  usePictures: { getState: () => ({ failed: null }) },
}));

const { answerSaid, keyOf, latestAnswers } = await import('../src/sheets/frozen');
const { rowsOf } = await import('../src/sheets/out');
const { languageOf } = await import('../src/sheets/make/language');

const all = ['a', 'b', 'c', 'd'];
const orderOf = (sheet: ReturnType<typeof newSheet>) =>
  inOrder(
    all.map((id) => ({ id })),
    sheet.items ?? [],
  ).map((t) => t.id);

test('what is said of one thing keeps the order of all of them', () => {
  const sheet = withItem(newSheet('frames'), 'c', { title: 'Third' }, all);
  expect(orderOf(sheet)).toEqual(all);
  expect(itemOf(sheet, 'c')?.title).toBe('Third');
  // What was said of a thing that is away now is kept for when it comes back.
  const without = withItem(sheet, 'a', { remark: 'x' }, ['a', 'b']);
  expect(itemOf(without, 'c')?.title).toBe('Third');
});

test('a thing moves past its neighbour among those that are shown; at the end it stays', () => {
  const sheet = withItem(newSheet('frames'), 'b', { leftOut: true }, all);
  expect(orderOf(moved(sheet, 'a', 1, all))).toEqual(['c', 'b', 'a', 'd']);
  expect(moved(sheet, 'a', -1, all)).toBe(sheet);
  expect(moved(sheet, 'd', 1, all)).toBe(sheet);
});

test('things that the sheet does not know come last, in the order of the work', () => {
  expect(inOrder([{ id: 'new' }, { id: 'a' }, { id: 'b' }], [{ id: 'b' }, { id: 'a' }]).map((t) => t.id)).toEqual(['b', 'a', 'new']);
});

test('columns are those that were chosen and are known, else the usual ones', () => {
  const choices = [
    { key: 'x', label: 'X', usual: true },
    { key: 'y', label: 'Y', usual: false },
  ];
  expect(columnsOf(choices, []).map((c) => c.key)).toEqual(['x']);
  expect(columnsOf(choices, ['y', 'gone', 'x']).map((c) => c.key)).toEqual(['y', 'x']);
  expect(columnsOf(choices, ['gone']).map((c) => c.key)).toEqual(['x']);
});

const facts = (part: { distance?: string; width?: number; shots?: string[]; foot?: string } = {}): SheetFacts => ({
  name: 'Low Water',
  what: 'Frames',

  href: '',
  foot: [part.foot ?? 'from the sensor mark'],
  blocks: [
    {
      kind: 'frames',
      id: 'frames',
      columns: [{ key: 'distance', label: 'Distance' }],
      frames: (part.shots ?? ['s1', 's2']).map((id, i) => ({
        id,
        mark: String(i + 1),
        title: `Shot ${id}`,
        values: { distance: part.distance ?? '2.3 m' },
        href: '',
        warnings: [],
        options: [
          {
            id,
            title: '',
            lines: [],
            picture: { id, aspect: 2, label: '', rendered: { view: { fieldWidth: part.width ?? 1.2 }, stage: {} } as never },
          },
        ],
      })),
    },
  ],
});

test('what has changed since is told by shot and column; what is the same is not', () => {
  expect(changesSince(facts(), facts())).toEqual([]);
  expect(changesSince(facts(), facts({ distance: '2.4 m', shots: ['s1'] }))).toEqual([
    '1 Shot s1, distance: was 2.3 m, is 2.4 m.',
    '2 Shot s2: is not there any more.',
    '2 Shot s2, distance: is not there any more.',
    '2 Shot s2, picture: is not there any more.',
  ]);
  expect(changesSince(facts({ shots: ['s1'] }), facts({ shots: ['s1', 's3'] }))).toContain('2 Shot s3: is new.');
  expect(changesSince(facts(), facts({ width: 1.4 }))[0]).toBe('1 Shot s1, picture: was 120 cm wide, is 140 cm wide.');
  expect(changesSince(facts(), facts({ foot: 'from the front' }))[0]).toMatch(/^Conventions: was from the sensor mark, is from the front/);
});

test('of each person the last answer counts, of whatever sheet, the newest first', () => {
  const answer = (name: string, at: string, verdict: string, shotId = 's1') =>
    ({ id: at, linkId: 'l', shotId, optionId: '', verdict, remark: '', name, at }) as never;
  const sheet = (...answers: never[]) => ({ id: 'f', answers }) as never;
  const latest = latestAnswers(
    [
      sheet(answer('Oda', '2026-01-02', 'declined'), answer('Oda', '2026-01-01', 'approved')),
      sheet(answer('oda ', '2026-01-03', 'approved'), answer('Ben', '2026-01-02', 'none'), answer('Ben', '2026-02-01', 'none', 's2')),
    ],
    's1',
  );
  expect(latest.map((a) => `${a.name} ${a.verdict}`)).toEqual(['oda  approved', 'Ben none']);
});

test('an answer in words', () => {
  const said = (part: object) =>
    answerSaid({ id: '', linkId: '', shotId: 's1', optionId: '', verdict: 'none', remark: '', name: '', at: '', ...part } as never);
  expect(said({ verdict: 'approved', optionId: 's1.1', remark: 'Wider' })).toBe('Yes B: Wider');
  expect(said({ verdict: 'approved', optionId: 's1' })).toBe('Yes');
  expect(said({ verdict: 'declined' })).toBe('Not like this');
  expect(said({ remark: 'Hm' })).toBe('Hm');
});

test('identities become what addresses take, and stay what they are where they are that already', () => {
  expect(keyOf('10f7a7e0-0000-4000-8000-00000000c013.1')).toBe('10f7a7e0-0000-4000-8000-00000000c013.1');
  expect(keyOf('a b/c?')).toBe('a-b-c-');
});

test('tables and frames go out as rows of cells, with what the sheet says in place of what the work does', () => {
  const sheet = withItem({ ...newSheet('frames') }, 's1', { title: '=cmd()', remark: 'Mind' }, ['s1', 's2']);
  expect(rowsOf({ sheet, facts: facts() })).toEqual([
    ['', 'Title', 'Distance', 'Remark', 'Alternatives'],
    ['1', '=cmd()', '2.3 m', 'Mind', ''],
    ['2', 'Shot s2', '2.3 m', '', ''],
  ]);
});

test('a sheet says numbers in its own unit and with its own decimals', () => {
  const metres = languageOf({ feet: false, decimalSign: 'comma' }, true);
  expect(metres.length(2310)).toBe('2,31\u2009m');
  expect(metres.span(1923, 2091)).toBe('1,92 – 2,09\u2009m');
  expect(metres.span(1923, Infinity)).toBe('1,92\u2009m – ∞');
  // What is as good as a plane is told finer.
  expect(metres.span(2000.6, 2003.6)).toBe('2,001 – 2,004\u2009m');
  expect(metres.area(2310, 1299)).toBe('2,31 × 1,30\u2009m');
  expect(metres.beside(1000).span(950, 1062)).toBe('0,95–1,06');
  expect(metres.beside(20_000).span(9500, Infinity)).toBe('9,5–∞');
  expect(metres.length(NaN)).toBe('—');
  expect(languageOf({ feet: null, decimalSign: 'point' }, true).length(3048)).toBe('10′');
  expect(languageOf({ decimalSign: 'point' }, false).length(3048)).toBe('3.05\u2009m');
  // Only what stands between digits is a decimal sign.
  expect(metres.of('A. 1.5 m.')).toBe('A. 1,5 m.');
});
