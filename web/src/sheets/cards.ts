import { itemOf, type ColumnFact, type FrameFact } from './facts';
import { step, type Layout } from './layout';
import { line, rect } from './marks';

/** How high frames may be, mm, on paper that lies across and on paper that stands; the largest that take the fewest pages are taken. */
const highAcross = [60, 48, 44, 40, 36];
const highUpright = [90, 70, 58, 48];
/** Of more cards than that the smallest size is taken at once. */
const mostTried = 60;
const rowGap = 5;

/** Cards with pictures, titles and room to sign, in rows. */
export function putFrames(on: Layout, frames: FrameFact[], columns: ColumnFact[]): void {
  const gap = 6;
  const across = on.sheet.paper === 'a5' ? (on.sheet.isLandscape ? 2 : 1) : on.sheet.isLandscape ? 3 : 2;
  const width = (on.inner - (across - 1) * gap) / across;
  const rowsAt = (high: number) => {
    const rows = [];
    for (let i = 0; i < frames.length; i += across) {
      const cards = frames.slice(i, i + across).map((frame) => card(on, frame, columns, width, high));
      rows.push({ cards, height: Math.max(...cards.map((card) => card.height)) });
    }
    return rows;
  };
  for (const { cards, height } of fewestPages(on, rowsAt, frames.length)) {
    on.reserve(height);
    const top = on.y;
    cards.forEach((card, at) => card.draw(on.margin + at * (width + gap), top, height));
    on.y = top + height + rowGap;
  }
}

/** Rows of cards with frames as large as they may be without taking a page more than smaller ones would. */
function fewestPages<T extends { height: number }>(on: Layout, rowsAt: (high: number) => T[], count: number): T[] {
  const sizes = on.sheet.isLandscape ? highAcross : highUpright;
  if (count > mostTried) {
    return rowsAt(sizes.at(-1)!);
  }
  const tried = sizes.map((high) => {
    const rows = rowsAt(high);
    let [pages, y] = [1, on.y];
    for (const { height } of rows) {
      if (y + height > on.bottom && y > on.margin + 9) [pages, y] = [pages + 1, on.margin + 8];
      y += height + rowGap;
    }
    return { rows, pages };
  });
  const fewest = Math.min(...tried.map((t) => t.pages));
  return tried.find((t) => t.pages === fewest)!.rows;
}

function card(
  on: Layout,
  frame: FrameFact,
  columns: ColumnFact[],
  width: number,
  most: number,
): { height: number; draw: (x: number, y: number, height: number) => void } {
  const item = itemOf(on.sheet, frame.id);
  const title = on.lines(item?.title || frame.title, width - 9, 10, 'bold', 2);
  const several = frame.options.length > 1;
  const part = several ? (width - 3) / 2 : width;
  const boxOf = (aspect: number) => Math.min(part / aspect, most);
  const options = frame.options.map((option, i) => {
    const lines = several
      ? [
          ...on.lines(`${letters[i]!} ${option.title}`, part, 7.4, 'bold', 2),
          ...option.lines.flatMap((l) => on.lines(l, part, 7.4, 'sans', 2)),
        ]
      : [];
    return { option, lines, height: boxOf(option.picture.aspect) };
  });
  const rows: (typeof options)[] = [];
  for (let i = 0; i < options.length; i += several ? 2 : 1) rows.push(options.slice(i, i + (several ? 2 : 1)));
  const rowHeights = rows.map(
    (row) => Math.max(...row.map((o) => o.height + (o.lines.length > 0 ? 1.5 + o.lines.length * step(7.4) : 0))) + 1.5,
  );
  const values = several ? [] : settingsOf(frame, columns);
  const lines = values.flatMap((text) => on.lines(text, width, 8, 'sans', 3));
  const warnings = frame.warnings.flatMap((text) => on.lines(`! ${text}`, width, 7.6, 'sans', 3));
  const remark = on.lines(item?.remark ?? '', width, 8, 'sans', 4);
  const titleHeight = Math.max(1, title.length) * step(10);
  const remarkHeight = Math.max(1, remark.length) * step(8);
  const signs = 8;
  const height = titleHeight + 1.2 + sum(rowHeights) + lines.length * step(8) + warnings.length * step(7.6) + 1.6 + remarkHeight + signs;
  return {
    height,
    draw: (x, y, tall) => {
      on.page.handles.push({ of: 'item', id: frame.id, label: `${frame.mark} ${frame.title}`, x, y: y - 1, width, height: tall });
      on.y = y;
      on.text(frame.mark, x, y + 3.3, 10, 'mono', 'soft');
      on.page.edits.push({
        key: { of: 'itemTitle', item: frame.id },
        x: x + 8,
        y,
        width: width - 8,
        height: titleHeight,
        size: 10,
        face: 'bold',
        value: item?.title ?? '',
        placeholder: frame.title,
        label: `Title of ${frame.mark} ${frame.title}`,
      });
      on.write(title, x + 8, 10, 'bold', 'ink', frame.href);
      on.y = y + titleHeight + 1.2;
      rows.forEach((row, r) => {
        row.forEach(({ option, lines: own, height: high }, c) => {
          const at = x + c * (part + 3);
          on.picture(option.picture, at, on.y, Math.min(part, high * option.picture.aspect), high);
          own.forEach((text, l) =>
            on.text(text, at, on.y + high + 3.6 + l * step(7.4), 7.4, l === 0 ? 'bold' : 'sans', l === 0 ? 'ink' : 'soft'),
          );
        });
        on.y += rowHeights[r]!;
      });
      on.y += 0.6;
      on.write(lines, x, 8, 'sans', 'ink');
      on.write(warnings, x, 7.6, 'sans', 'warn');
      on.y += 0.8;
      on.page.edits.push({
        key: { of: 'itemRemark', item: frame.id },
        x,
        y: on.y,
        width,
        height: remarkHeight,
        size: 8,
        face: 'sans',
        value: item?.remark ?? '',
        placeholder: 'A remark',
        label: `Remark on ${frame.mark} ${frame.title}`,
      });
      on.write(remark, x, 8, 'sans', 'soft');
      // Room to sign or to remark, on one line for all cards of a row.
      const low = y + tall - 1;
      const box = 3;
      on.stroke(rect(x, low - box, box, box), 'ink', 0.2);
      on.text('yes', x + box + 1.2, low - 0.5, 7.4, 'sans', 'soft');
      on.stroke(rect(x + 13, low - box, box, box), 'ink', 0.2);
      on.text('not like this', x + 13 + box + 1.2, low - 0.5, 7.4, 'sans', 'soft');
      if (width > 42) on.stroke(line(x + 34, low, x + width, low), 'rule', 0.2);
    },
  };
}

/** The rig on a line of its own, and its settings one after another. */
function settingsOf(frame: FrameFact, columns: ColumnFact[]): string[] {
  const said = (of: ColumnFact[]) => of.map((c) => frame.values[c.key] ?? '').filter((text) => text !== '');
  const own = (c: ColumnFact) => c.key === 'rig' || c.key === 'mode' || c.key === 'note';
  return [...said(columns.filter(own)), said(columns.filter((c) => !own(c))).join(' · ')];
}

const letters = 'ABCDEFGH';

const sum = (all: number[]): number => all.reduce((a, b) => a + b, 0);
