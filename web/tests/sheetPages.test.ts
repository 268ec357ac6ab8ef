import { expect, test } from 'vitest';
import type { BlockFact, FrameFact, RowFact, Sheet, SheetFacts } from '../src/sheets/facts';
import { newSheet } from '../src/sheets/kinds';
import { mmPerPoint, signsOf, wrap, type Measure, type Page, type TextMark } from '../src/sheets/marks';
import { paperOf } from '../src/sheets/layout';
import { pagesOf } from '../src/sheets/pages';

/** Letters half as wide as high: enough to lay out by. */
const measure: Measure = (text, size) => signsOf(text).length * size * mmPerPoint * 0.5;

const facts = (...blocks: BlockFact[]): SheetFacts => ({
  name: 'Low Water',
  what: 'Frames',
  href: '/brief/1',
  foot: ['circle 1/1500 of the delivered diagonal', 'from the sensor mark'],
  blocks,
});

const frame = (i: number, part: Partial<FrameFact> = {}): FrameFact => ({
  id: `s${i}`,
  mark: String(i),
  title: `Shot ${i}`,
  values: { rig: 'Plover, 11 mm', setting: '11 mm at ƒ2.8' },
  options: [{ id: `s${i}`, title: '', lines: [], picture: { id: `s${i}`, aspect: 16 / 9, label: `Shot ${i}` } }],
  href: `/brief/1?shot=s${i}`,
  warnings: [],
  ...part,
});

const columns = [
  { key: 'rig', label: 'Rig' },
  { key: 'setting', label: 'Setting' },
];
const framesBlock = (frames: FrameFact[]): BlockFact => ({ kind: 'frames', id: 'frames', frames, columns });
const textsOf = (page: Page) => page.marks.filter((m): m is TextMark => m.kind === 'text');
const all = (pages: Page[]) => pages.flatMap(textsOf).map((m) => m.text);

/** Everything that is printed lies on the paper, and what is in the middle lies above the foot. */
function liesOnPaper(pages: Page[], sheet: Sheet) {
  const { width, height } = paperOf(sheet);
  for (const page of pages) {
    expect([page.width, page.height]).toEqual([width, height]);
    const feet = new Set(textsOf(page).filter((m) => m.size === 6.8));
    const low = Math.min(...[...feet].map((m) => m.y));
    for (const mark of page.marks) {
      if (mark.kind === 'text') {
        const wide = measure(mark.text, mark.size, mark.face);
        const left = mark.align === 'right' ? mark.x - wide : mark.align === 'middle' ? mark.x - wide / 2 : mark.x;
        expect(left, mark.text).toBeGreaterThan(0);
        expect(left + wide, mark.text).toBeLessThan(width);
        if (!feet.has(mark)) expect(mark.y, mark.text).toBeLessThan(low);
      } else if (mark.kind === 'picture') {
        expect(mark.y + mark.height).toBeLessThan(low);
        expect(mark.x + mark.width).toBeLessThan(width);
      }
    }
  }
}

test.each(['a4', 'a5', 'letter'] as const)('no card is cut on %s, upright or across, and every shot is there once', (paper) => {
  for (const isLandscape of [false, true]) {
    const remarks = Array.from({ length: 23 }, (_, i) => ({ id: `s${i + 1}`, remark: i % 5 === 0 ? 'A remark. '.repeat(9) : '' }));
    const sheet: Sheet = { ...newSheet('frames'), paper, isLandscape, items: remarks };
    const frames = Array.from({ length: 23 }, (_, i) =>
      frame(i + 1, i % 5 === 0 ? { warnings: ['Beside water: flotation and a second person as local rules ask.'] } : {}),
    );
    const pages = pagesOf(sheet, facts(framesBlock(frames)), 'revision 3', measure);
    liesOnPaper(pages, sheet);
    const pictures = pages.flatMap((page, at) => page.marks.flatMap((m) => (m.kind === 'picture' ? [{ id: m.id, at }] : [])));
    expect(pictures.map((p) => p.id)).toEqual(frames.map((f) => f.id));
    // Title and picture of a card stand on one page.
    for (const { id, at } of pictures) {
      expect(textsOf(pages[at]!).map((m) => m.text)).toContain(`Shot ${id.slice(1)}`);
    }
    expect(all(pages).filter((text) => /^\d+ \/ \d+$/.test(text))).toEqual(pages.map((_, i) => `${i + 1} / ${pages.length}`));
    expect(pages.every((page) => textsOf(page).some((m) => m.text.includes('circle 1/1500')))).toBe(true);
  }
});

test('six frames stand on a page that lies across', () => {
  const sheet = newSheet('frames');
  expect(pagesOf(sheet, facts(framesBlock(Array.from({ length: 12 }, (_, i) => frame(i + 1)))), 'revision 3', measure)).toHaveLength(2);
});

test('two hundred shots are laid out, each once', () => {
  const pages = pagesOf(newSheet('frames'), facts(framesBlock(Array.from({ length: 200 }, (_, i) => frame(i + 1)))), 'revision 3', measure);
  expect(pages.flatMap((p) => p.marks.filter((m) => m.kind === 'picture'))).toHaveLength(200);
  expect(pages).toHaveLength(34);
});

test('a shot without a picture says why in its place, and can still be signed', () => {
  const missing = frame(1, {
    options: [
      { id: 's1', title: '', lines: [], picture: { id: 's1', aspect: 2, label: '', missing: 'No rig is chosen for this shot yet.' } },
    ],
    values: {},
  });
  const pages = pagesOf(newSheet('frames'), facts(framesBlock([missing, frame(2)])), 'revision 3', measure);
  expect(all(pages)).toEqual(expect.arrayContaining(['No rig is chosen for this shot yet.']));
  expect(all(pages).filter((text) => text === 'yes')).toHaveLength(2);
});

test('alternatives stand beside each other with letters', () => {
  const option = (id: string, title: string) => ({ id, title, lines: ['20 mm at ƒ2'], picture: { id, aspect: 16 / 9, label: title } });
  const pages = pagesOf(
    newSheet('frames'),
    facts(framesBlock([frame(1, { options: [option('s1', 'Dabchick'), option('s1.1', 'Redan'), option('s1.2', 'Punt')] })])),
    'revision 3',
    measure,
  );
  expect(all(pages)).toEqual(expect.arrayContaining(['A Dabchick', 'B Redan', 'C Punt']));
  const pictures = pages[0]!.marks.filter((m) => m.kind === 'picture');
  expect(pictures).toHaveLength(3);
  expect(pictures[0]!.y).toBe(pictures[1]!.y);
  expect(pictures[2]!.y).toBeGreaterThan(pictures[1]!.y);
});

const table = (rows: RowFact[]): BlockFact => ({
  kind: 'table',
  id: 't',
  caption: 'Long shed',
  columns: [
    { key: 'title', label: 'Shot' },
    { key: 'distance', label: 'From the subject', align: 'right' },
    { key: 'remark', label: 'Remark' },
  ],
  rows,
});

test('rows of a table are never cut, and each page repeats its head', () => {
  const sheet = newSheet('shots');
  const rows = Array.from({ length: 120 }, (_, i): RowFact => ({
    id: `r${i}`,
    isItem: true,
    cells: { title: `Shot ${i}`, distance: '2.31 m', remark: i % 7 === 0 ? 'word '.repeat(80) : '' },
  }));
  const pages = pagesOf(sheet, facts(table(rows)), 'revision 3', measure);
  liesOnPaper(pages, sheet);
  for (const row of rows) {
    const handles = pages.flatMap((page, at) => page.handles.filter((h) => h.of === 'item' && h.id === row.id).map((h) => ({ ...h, at })));
    expect(handles, row.id).toHaveLength(1);
    const [handle] = handles;
    const own = textsOf(pages[handle!.at]!).filter((m) => m.y > handle!.y && m.y < handle!.y + handle!.height);
    expect(own.some((m) => m.text === row.cells['title'])).toBe(true);
  }
  expect(pages.length).toBeGreaterThan(3);
  expect(all(pages).filter((text) => text.startsWith('Long shed'))).toEqual([
    'Long shed',
    ...pages.slice(1).map(() => 'Long shed, continued'),
  ]);
});

test.each([
  ['a'.repeat(200)],
  ['Имя оператора '.repeat(14)],
  ['吊り下げた撮影機'.repeat(25)],
  ['שלום עולם '.repeat(20)],
  ['👩‍🚀'.repeat(60)],
])('a name of many letters stays on its paper: %s', (name) => {
  for (const paper of ['a4', 'a5'] as const) {
    const sheet: Sheet = {
      ...newSheet('frames'),
      paper,
      isLandscape: false,
      title: name.slice(0, 200),
      note: name,
      items: [{ id: 's1', remark: name }],
    };
    const row: RowFact = { id: 'r', isItem: true, cells: { title: name, distance: '2 m', remark: name } };
    const pages = pagesOf(
      sheet,
      { ...facts(framesBlock([frame(1, { title: name, values: { rig: name, setting: name } })]), table([row])), name },
      'revision 3',
      measure,
    );
    liesOnPaper(pages, sheet);
  }
});

test('title and remark of the sheet take the place of those of the work, and empty ones do not', () => {
  const sheet: Sheet = {
    ...newSheet('frames'),
    title: 'For the producer',
    items: [
      { id: 's1', title: 'The rivet', remark: 'Closer?' },
      { id: 's2', title: '', remark: '' },
    ],
  };
  const pages = pagesOf(sheet, facts(framesBlock([frame(1), frame(2)])), 'revision 3', measure);
  expect(all(pages)).toEqual(expect.arrayContaining(['For the producer', 'The rivet', 'Closer?', 'Shot 2', 'Low Water']));
  expect(pages[0]!.edits.map((e) => e.key)).toEqual(
    expect.arrayContaining([{ of: 'title' }, { of: 'note' }, { of: 'itemTitle', item: 's1' }, { of: 'itemRemark', item: 's2' }]),
  );
});

test('a drawing goes as one to the next page, with all of its marks moved alike', () => {
  const drawing = (id: string): BlockFact => ({
    kind: 'drawing',
    id,
    caption: id,
    width: 100,
    height: 105,
    marks: [
      { kind: 'path', d: 'M0 0L10 20h5v5h-5z', fill: 'ink' },
      { kind: 'text', x: 3, y: 4, text: id, size: 7, face: 'mono', tone: 'ink', align: 'left' },
    ],
  });
  const pages = pagesOf(
    { ...newSheet('scales'), paper: 'a4' },
    facts(drawing('one'), drawing('two'), drawing('three')),
    'revision 3',
    measure,
  );
  expect(pages).toHaveLength(2);
  const [first] = pages[0]!.marks.flatMap((m) => (m.kind === 'path' && m.fill === 'ink' ? [m.d] : []));
  const at = /^M([\d.]+) ([\d.]+)L([\d.]+) ([\d.]+)h5v5h-5z$/.exec(first!)!.slice(1).map(Number);
  expect([at[2]! - at[0]!, at[3]! - at[1]!]).toEqual([expect.closeTo(10, 3), expect.closeTo(20, 3)]);
  expect(at[0]).toBeGreaterThan(13);
});

test('lines break at blanks, then within words; what is over the most ends in dots', () => {
  const wide = (text: string) => wrap(text, 20, 10, 'sans', measure);
  expect(wide('one two three four five six')).toEqual(['one two', 'three four', 'five six']);
  expect(wide('unbreakable-and-very-long')).toEqual(['unbreakable', '-and-very-l', 'ong']);
  expect(wrap('one two three four five six', 20, 10, 'sans', measure, 2)).toEqual(['one two', 'three four…']);
  expect(wide('   ')).toEqual([]);
  // A letter with its marks is one.
  expect(wide('👩‍🚀'.repeat(13)).map((l) => signsOf(l).length)).toEqual([11, 2]);
});
