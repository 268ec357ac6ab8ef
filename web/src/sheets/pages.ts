import { oneLine } from '../ui/format';
import {
  isRight,
  itemOf,
  type BlockFact,
  type ColumnFact,
  type FrameFact,
  type RowFact,
  type Sheet,
  type SheetFacts,
  type TileFact,
} from './facts';
import { faceOf, laidColumns, padMm } from './columns';
import { line, mmPerPoint, rect, wrap, type Face, type Mark, type Measure, type Page, type TextMark, type Tone } from './marks';

const sizes = { a4: [210, 297], a5: [148, 210], letter: [215.9, 279.4] } as const;

/** The size of a sheet's paper, mm. */
export function paperOf({ paper = 'a4', isLandscape = false }: Pick<Sheet, 'paper' | 'isLandscape'>): { width: number; height: number } {
  const [short, long] = sizes[paper];
  return isLandscape ? { width: long, height: short } : { width: short, height: long };
}

/** The pages of a sheet. What belongs together stays together: no card, no row and no drawing is cut. */
export function pagesOf(sheet: Sheet, facts: SheetFacts, state: string, measure: Measure): Page[] {
  const layout = new Layout(sheet, facts, state, measure);
  facts.blocks.forEach((block) => layout.block(block));
  return layout.done();
}

const leading = 1.28;
/** How high frames may be, mm, on paper that lies across and on paper that stands; the largest that take the fewest pages are taken. */
const highAcross = [60, 48, 44, 40, 36];
const highUpright = [90, 70, 58, 48];
/** Of more cards than that the smallest size is taken at once. */
const mostTried = 60;
const rowGap = 5;

class Layout {
  private readonly pages: Page[] = [];
  private readonly width: number;
  private readonly height: number;
  private readonly margin: number;
  private readonly inner: number;
  private readonly footLines: string[];
  private readonly footSize = 6.8;
  private page!: Page;
  private y = 0;

  constructor(
    private readonly sheet: Sheet,
    private readonly facts: SheetFacts,
    /** When what it shows was last changed, and which state that was. */
    private readonly state: string,
    private readonly measure: Measure,
  ) {
    ({ width: this.width, height: this.height } = paperOf(sheet));
    this.margin = sheet.paper === 'a5' ? 9 : 13;
    this.inner = this.width - 2 * this.margin;
    this.footLines = wrap(oneLine(facts.foot.join('  ·  ')), this.inner - 16, this.footSize, 'sans', measure, 5);
    this.turn();
    this.head();
  }

  /** All pages, each with its number. */
  done(): Page[] {
    this.pages.forEach((page, i) => {
      const low = this.height - this.margin;
      page.marks.push({
        kind: 'text',
        x: this.width - this.margin,
        y: low,
        text: `${i + 1} / ${this.pages.length}`,
        size: this.footSize,
        face: 'mono',
        tone: 'soft',
        align: 'right',
      });
    });
    return this.pages;
  }

  block(block: BlockFact): void {
    switch (block.kind) {
      case 'heading': {
        const lines = this.lines(block.text, this.inner, 12.5, 'bold', 2);
        const sub = this.lines(block.sub, this.inner, 8.5, 'sans', 3);
        // A heading is never the last thing on a page.
        this.reserve(lines.length * 5.7 + sub.length * 3.9 + 2 + 30);
        this.y += 2;
        this.write(lines, this.margin, 12.5, 'bold', 'ink', block.href);
        this.write(sub, this.margin, 8.5, 'sans', 'soft');
        this.y += 2;
        break;
      }
      case 'text': {
        const lines = this.lines(block.text, this.inner, 8.5, 'sans');
        this.reserve(lines.length * step(8.5) + 2);
        this.write(lines, this.margin, 8.5, 'sans', block.isWarning ? 'warn' : 'ink');
        this.y += 2;
        break;
      }
      case 'frames':
        this.frames(block.frames, block.columns);
        break;
      case 'tiles':
        this.tiles(block.tiles);
        break;
      case 'table':
        this.table(block);
        break;
      case 'drawing':
        this.drawing(block);
        break;
    }
  }

  private head(): void {
    const { sheet, facts } = this;
    const title = sheet.title || facts.name;
    const size = sheet.paper === 'a5' ? 15 : 19;
    const side = this.inner * 0.3;
    const wide = this.inner - side - 4;
    const lines = this.lines(title, wide, size, 'bold', 3);
    const top = this.y;
    this.page.edits.push({
      key: { of: 'title' },
      x: this.margin,
      y: top,
      width: wide,
      height: Math.max(1, lines.length) * step(size),
      size,
      face: 'bold',
      value: sheet.title ?? '',
      placeholder: facts.name,
      label: 'Title of the sheet',
    });
    this.write(lines, this.margin, size, 'bold', 'ink');
    const noteLines = this.lines(sheet.note ?? '', wide, 9, 'sans', 4);
    this.page.edits.push({
      key: { of: 'note' },
      x: this.margin,
      y: this.y,
      width: wide,
      height: Math.max(1, noteLines.length) * step(9),
      size: 9,
      face: 'sans',
      value: sheet.note ?? '',
      placeholder: 'A sentence under the title',
      label: 'Note under the title',
    });
    this.write(noteLines, this.margin, 9, 'sans', 'ink');
    const low = this.y;
    const right = [
      ...(title === facts.name ? [] : this.lines(facts.name, side, 8, 'sans', 2)),
      facts.what,
      ...this.lines(this.state, side, 8, 'sans', 2),
    ];
    right.forEach((text, i) => this.text(text, this.width - this.margin, top + 4 + i * step(8), 8, 'sans', 'soft', 'right'));
    this.y = Math.max(low + (noteLines.length === 0 ? 1 : 0), top + 4 + right.length * step(8)) + 1.5;
    this.stroke(line(this.margin, this.y, this.width - this.margin, this.y), 'ink', 0.35);
    this.y += 4.5;
  }

  /** Another page, with its foot. */
  private turn(): void {
    this.page = { width: this.width, height: this.height, marks: [], edits: [], handles: [] };
    this.pages.push(this.page);
    const { margin } = this;
    const top = this.height - margin - (this.footLines.length - 1) * step(this.footSize);
    this.footLines.forEach((text, i) =>
      this.text(text, margin, top + i * step(this.footSize), this.footSize, 'sans', 'soft', 'left', i === 0 ? this.facts.href : undefined),
    );
    this.y = margin;
    if (this.pages.length > 1) {
      const [running] = this.lines(`${this.sheet.title || this.facts.name} · ${this.facts.what}`, this.inner, 8, 'sans', 1);
      this.text(running ?? '', margin, this.y + 2.5, 8, 'sans', 'soft');
      this.y += 4;
      this.stroke(line(margin, this.y, this.width - margin, this.y), 'rule', 0.2);
      this.y += 4;
    }
  }

  private get bottom(): number {
    return this.height - this.margin - this.footLines.length * step(this.footSize) - 3;
  }

  /** Makes room for what stays together; true where that took another page. */
  private reserve(height: number): boolean {
    if (this.y + height <= this.bottom || this.y <= this.margin + 9) {
      return false;
    }
    this.turn();
    return true;
  }

  private lines(text: string, width: number, size: number, face: Face, most = Infinity): string[] {
    return text === '' ? [] : wrap(oneLine(text), width, size, face, this.measure, most);
  }

  private text(
    text: string,
    x: number,
    y: number,
    size: number,
    face: Face,
    tone: Tone = 'ink',
    align: TextMark['align'] = 'left',
    href?: string,
  ): void {
    if (text !== '') this.page.marks.push({ kind: 'text', x, y, text, size, face, tone, align, href });
  }

  /** Lines one under the other; the place moves on. */
  private write(lines: string[], x: number, size: number, face: Face, tone: Tone, href?: string): void {
    for (const text of lines) {
      this.text(text, x, this.y + size * mmPerPoint * 0.92, size, face, tone, 'left', href);
      this.y += step(size);
    }
  }

  private stroke(d: string, stroke: Tone, width: number, dash?: number[]): void {
    this.page.marks.push({ kind: 'path', d, stroke, width, dash });
  }

  private fill(d: string, fill: Tone): void {
    this.page.marks.push({ kind: 'path', d, fill });
  }

  /** A picture, or why there is none. */
  private picture(fact: FrameFact['options'][number]['picture'], x: number, y: number, width: number, height: number): void {
    if (fact.missing === undefined) {
      this.page.marks.push({ kind: 'picture', x, y, width, height, id: fact.id, label: fact.label });
      this.stroke(rect(x, y, width, height), 'rule', 0.15);
      return;
    }
    this.fill(rect(x, y, width, height), 'shade');
    this.stroke(rect(x, y, width, height), 'rule', 0.25, [1.5, 1]);
    const lines = this.lines(fact.missing, width - 6, 8, 'sans', Math.max(1, Math.floor((height - 4) / step(8))));
    const top = y + (height - lines.length * step(8)) / 2;
    lines.forEach((text, i) => this.text(text, x + width / 2, top + 2.6 + i * step(8), 8, 'sans', 'warn', 'middle'));
  }

  private frames(frames: FrameFact[], columns: ColumnFact[]): void {
    const gap = 6;
    const across = this.sheet.paper === 'a5' ? (this.sheet.isLandscape ? 2 : 1) : this.sheet.isLandscape ? 3 : 2;
    const width = (this.inner - (across - 1) * gap) / across;
    const rowsAt = (high: number) => {
      const rows = [];
      for (let i = 0; i < frames.length; i += across) {
        const cards = frames.slice(i, i + across).map((frame) => this.card(frame, columns, width, high));
        rows.push({ cards, height: Math.max(...cards.map((card) => card.height)) });
      }
      return rows;
    };
    for (const { cards, height } of this.fewestPages(rowsAt, frames.length)) {
      this.reserve(height);
      const top = this.y;
      cards.forEach((card, at) => card.draw(this.margin + at * (width + gap), top, height));
      this.y = top + height + rowGap;
    }
  }

  /** Rows of cards with frames as large as they may be without taking a page more than smaller ones would. */
  private fewestPages<T extends { height: number }>(rowsAt: (high: number) => T[], count: number): T[] {
    const sizes = this.sheet.isLandscape ? highAcross : highUpright;
    if (count > mostTried) {
      return rowsAt(sizes.at(-1)!);
    }
    const tried = sizes.map((high) => {
      const rows = rowsAt(high);
      let [pages, y] = [1, this.y];
      for (const { height } of rows) {
        if (y + height > this.bottom && y > this.margin + 9) [pages, y] = [pages + 1, this.margin + 8];
        y += height + rowGap;
      }
      return { rows, pages };
    });
    const fewest = Math.min(...tried.map((t) => t.pages));
    return tried.find((t) => t.pages === fewest)!.rows;
  }

  private card(
    frame: FrameFact,
    columns: ColumnFact[],
    width: number,
    most: number,
  ): { height: number; draw: (x: number, y: number, height: number) => void } {
    const item = itemOf(this.sheet, frame.id);
    const title = this.lines(item?.title || frame.title, width - 9, 10, 'bold', 2);
    const several = frame.options.length > 1;
    const part = several ? (width - 3) / 2 : width;
    const boxOf = (aspect: number) => Math.min(part / aspect, most);
    const options = frame.options.map((option, i) => {
      const lines = several
        ? [
            ...this.lines(`${letters[i]!} ${option.title}`, part, 7.4, 'bold', 2),
            ...option.lines.flatMap((l) => this.lines(l, part, 7.4, 'sans', 2)),
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
    const lines = values.flatMap((text) => this.lines(text, width, 8, 'sans', 3));
    const warnings = frame.warnings.flatMap((text) => this.lines(`! ${text}`, width, 7.6, 'sans', 3));
    const remark = this.lines(item?.remark ?? '', width, 8, 'sans', 4);
    const titleHeight = Math.max(1, title.length) * step(10);
    const remarkHeight = Math.max(1, remark.length) * step(8);
    const signs = 8;
    const height = titleHeight + 1.2 + sum(rowHeights) + lines.length * step(8) + warnings.length * step(7.6) + 1.6 + remarkHeight + signs;
    return {
      height,
      draw: (x, y, tall) => {
        this.page.handles.push({ of: 'item', id: frame.id, label: `${frame.mark} ${frame.title}`, x, y: y - 1, width, height: tall });
        this.y = y;
        this.text(frame.mark, x, y + 3.3, 10, 'mono', 'soft');
        this.page.edits.push({
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
        this.write(title, x + 8, 10, 'bold', 'ink', frame.href);
        this.y = y + titleHeight + 1.2;
        rows.forEach((row, r) => {
          row.forEach(({ option, lines: own, height: high }, c) => {
            const at = x + c * (part + 3);
            this.picture(option.picture, at, this.y, Math.min(part, high * option.picture.aspect), high);
            own.forEach((text, l) =>
              this.text(text, at, this.y + high + 3.6 + l * step(7.4), 7.4, l === 0 ? 'bold' : 'sans', l === 0 ? 'ink' : 'soft'),
            );
          });
          this.y += rowHeights[r]!;
        });
        this.y += 0.6;
        this.write(lines, x, 8, 'sans', 'ink');
        this.write(warnings, x, 7.6, 'sans', 'warn');
        this.y += 0.8;
        this.page.edits.push({
          key: { of: 'itemRemark', item: frame.id },
          x,
          y: this.y,
          width,
          height: remarkHeight,
          size: 8,
          face: 'sans',
          value: item?.remark ?? '',
          placeholder: 'A remark',
          label: `Remark on ${frame.mark} ${frame.title}`,
        });
        this.write(remark, x, 8, 'sans', 'soft');
        // Room to sign or to remark, on one line for all cards of a row.
        const low = y + tall - 1;
        const box = 3;
        this.stroke(rect(x, low - box, box, box), 'ink', 0.2);
        this.text('yes', x + box + 1.2, low - 0.5, 7.4, 'sans', 'soft');
        this.stroke(rect(x + 13, low - box, box, box), 'ink', 0.2);
        this.text('not like this', x + 13 + box + 1.2, low - 0.5, 7.4, 'sans', 'soft');
        if (width > 42) this.stroke(line(x + 34, low, x + width, low), 'rule', 0.2);
      },
    };
  }

  private tiles(tiles: TileFact[]): void {
    const gap = 4;
    const across = this.sheet.paper === 'a5' ? (this.sheet.isLandscape ? 3 : 2) : this.sheet.isLandscape ? 4 : 3;
    const width = (this.inner - (across - 1) * gap) / across;
    const big = this.sheet.paper === 'a5' ? 20 : 26;
    for (let i = 0; i < tiles.length; i += across) {
      const row = tiles.slice(i, i + across).map((tile) => ({
        tile,
        lines: tile.lines.flatMap((text) => this.lines(text, width, 8, 'sans', 2)),
        small: this.lines(tile.small, width, 11, 'bold', 2),
        high: Math.min(width / tile.picture.aspect, 70),
      }));
      const high = Math.max(...row.map((r) => r.high));
      const height = big * mmPerPoint + 1.5 + high + 2 + Math.max(...row.map((r) => r.small.length * step(11) + r.lines.length * step(8)));
      this.reserve(height);
      const top = this.y;
      row.forEach(({ tile, lines, small, high: own }, c) => {
        const x = this.margin + c * (width + gap);
        this.text(tile.big, x, top + big * mmPerPoint * 0.8, big, 'bold');
        const y = top + big * mmPerPoint + 1;
        const shown = Math.min(width, own * tile.picture.aspect);
        this.picture(tile.picture, x, y, shown, own);
        this.y = y + high + 1.5;
        this.write(small, x, 11, 'bold', 'ink');
        this.write(lines, x, 8, 'sans', 'soft');
      });
      this.y = top + height + 4;
    }
  }

  /** What stands in a cell: what the sheet says of it, else what the work does. */
  private cell(row: RowFact, c: ColumnFact): string {
    const item = row.isItem ? itemOf(this.sheet, row.id) : undefined;
    return (c.key === 'title' ? item?.title : c.key === 'remark' ? item?.remark : undefined) || (row.cells[c.key] ?? '');
  }

  private table({ caption, columns, rows, isDense }: Extract<BlockFact, { kind: 'table' }>): void {
    const pad = padMm;
    const textOf = (row: RowFact, c: ColumnFact) => this.cell(row, c);
    // Tables of the same columns stand under each other, so they share their widths.
    const key = columns.map((c) => c.key).join();
    const alike = this.facts.blocks.flatMap((block) =>
      block.kind === 'table' && block.columns.map((c) => c.key).join() === key ? block.rows : [],
    );
    const { widths, size, headSize } = laidColumns(
      columns,
      alike.map((row) => columns.map((c) => textOf(row, c))),
      this.inner,
      isDense ? 7.6 : 8.2,
      this.measure,
    );
    const lefts = widths.map((_, i) => this.margin + sum(widths.slice(0, i)));
    const heads = columns.map((c, i) => this.lines(c.label, widths[i]! - 2 * pad, headSize, 'bold', 3));
    const headHeight = Math.max(...heads.map((h) => h.length)) * step(headSize) + 2;
    const drawHead = (isFirst: boolean) => {
      const [above] = isFirst
        ? this.lines(caption, this.inner, 9.5, 'bold', 1)
        : this.lines(caption === '' ? '' : `${caption}, continued`, this.inner, 8, 'sans', 1);
      if (above !== undefined) {
        this.text(above, this.margin, this.y + 3.2, isFirst ? 9.5 : 8, isFirst ? 'bold' : 'sans', isFirst ? 'ink' : 'soft');
        this.y += 5;
      }
      heads.forEach((head, i) =>
        head.forEach((text, l) => {
          const right = isRight(columns[i]!);
          this.text(
            text,
            right ? lefts[i]! + widths[i]! - pad : lefts[i]! + pad,
            this.y + 2.6 + l * step(headSize),
            headSize,
            'bold',
            'soft',
            right ? 'right' : 'left',
          );
        }),
      );
      if (rows.some((row) => row.isItem)) {
        columns.forEach((c, i) =>
          this.page.handles.push({
            of: 'column',
            id: c.key,
            label: c.label,
            x: lefts[i]!,
            y: this.y,
            width: widths[i]!,
            height: headHeight,
          }),
        );
      }
      this.y += headHeight;
      this.stroke(line(this.margin, this.y, this.margin + sum(widths), this.y), 'ink', 0.25);
    };
    const laid = rows.map((row) => {
      const cells = columns.map((c, i) => this.lines(textOf(row, c), widths[i]! - 2 * pad, size, faceOf(c)));
      const under = row.under ? this.lines(row.under, this.inner - 2 * pad, 7.6, 'sans', 4) : [];
      return { row, cells, under, height: Math.max(1, ...cells.map((c) => c.length)) * step(size) + 1.7 + under.length * step(7.6) };
    });
    this.reserve((caption === '' ? 0 : 5) + headHeight + (laid[0]?.height ?? 0) + 1);
    drawHead(true);
    for (const { row, cells, under, height } of laid) {
      if (this.reserve(height)) drawHead(false);
      const top = this.y;
      if (row.isItem) {
        this.page.handles.push({
          of: 'item',
          id: row.id,
          label: row.cells['title'] ?? row.id,
          x: this.margin,
          y: top,
          width: this.inner,
          height,
        });
      }
      cells.forEach((lines, i) => {
        const c = columns[i]!;
        const right = isRight(c);
        lines.forEach((text, l) =>
          this.text(
            text,
            right ? lefts[i]! + widths[i]! - pad : lefts[i]! + pad,
            top + 3.4 + l * step(size),
            size,
            faceOf(c),
            row.warn === undefined ? 'ink' : row.warn === c.key ? 'warn' : row.isItem ? 'ink' : 'soft',
            right ? 'right' : 'left',
            c.key === 'title' && l === 0 ? row.href : undefined,
          ),
        );
        if (row.isItem && (c.key === 'title' || c.key === 'remark')) {
          const item = itemOf(this.sheet, row.id);
          this.page.edits.push({
            key: { of: c.key === 'title' ? 'itemTitle' : 'itemRemark', item: row.id },
            x: lefts[i]! + pad,
            y: top + 0.6,
            width: widths[i]! - 2 * pad,
            height: Math.max(1, lines.length) * step(size),
            size,
            face: 'sans',
            value: (c.key === 'title' ? item?.title : item?.remark) ?? '',
            placeholder: row.cells[c.key] || (c.key === 'title' ? 'Title' : 'Remark'),
            label: `${c.label} of ${row.cells['title'] ?? row.id}`,
          });
        }
        if (c.toFill === 'line')
          this.stroke(line(lefts[i]! + pad, top + height - 1.4, lefts[i]! + widths[i]! - pad, top + height - 1.4), 'rule', 0.2);
        if (c.toFill === 'box') this.stroke(rect(lefts[i]! + pad, top + 1.1, 3, 3), 'ink', 0.2);
      });
      under.forEach((text, l) =>
        this.text(text, this.margin + pad, top + height - under.length * step(7.6) + 1.4 + l * step(7.6), 7.6, 'sans', 'soft'),
      );
      this.y = top + height;
      this.stroke(line(this.margin, this.y, this.margin + sum(widths), this.y), 'rule', 0.12);
    }
    this.y += 5;
  }

  private drawing({ caption, width, height, marks }: Extract<BlockFact, { kind: 'drawing' }>): void {
    const lines = this.lines(caption, this.inner, 9.5, 'bold', 2);
    this.reserve(lines.length * step(9.5) + height + 4);
    this.write(lines, this.margin, 9.5, 'bold', 'ink');
    this.y += 1;
    const x = this.margin + Math.max(0, (this.inner - width) / 2);
    this.page.marks.push(...marks.map((mark) => shifted(mark, x, this.y)));
    this.y += height + 5;
  }
}

/** The rig on a line of its own, and its settings one after another. */
function settingsOf(frame: FrameFact, columns: ColumnFact[]): string[] {
  const said = (of: ColumnFact[]) => of.map((c) => frame.values[c.key] ?? '').filter((text) => text !== '');
  const own = (c: ColumnFact) => c.key === 'rig' || c.key === 'mode' || c.key === 'note';
  return [...said(columns.filter(own)), said(columns.filter((c) => !own(c))).join(' · ')];
}

const letters = 'ABCDEFGH';

const step = (size: number): number => size * mmPerPoint * leading;

const sum = (all: number[]): number => all.reduce((a, b) => a + b, 0);

/** A mark of a drawing at its place on the page. Paths of drawings begin each part with a place of its own. */
function shifted(mark: Mark, dx: number, dy: number): Mark {
  return mark.kind === 'path'
    ? {
        ...mark,
        d: mark.d.replace(
          /([MLC])((?:\s*-?[\d.]+\s*)+)/g,
          (_, command: string, places: string) =>
            command +
            places
              .trim()
              .split(/\s+/)
              .map((v, i) => Math.round((Number(v) + (i % 2 === 0 ? dx : dy)) * 1e4) / 1e4)
              .join(' '),
        ),
      }
    : { ...mark, x: mark.x + dx, y: mark.y + dy };
}
