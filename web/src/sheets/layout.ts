import { oneLine } from '../ui/format';
import type { PictureFact, Sheet, SheetFacts } from './facts';
import { line, mmPerPoint, rect, wrap, type Face, type Measure, type Page, type TextMark, type Tone } from './marks';

const sizes = { a4: [210, 297], a5: [148, 210], letter: [215.9, 279.4] } as const;

/** The size of a sheet's paper, mm. */
export function paperOf({ paper = 'a4', isLandscape = false }: Pick<Sheet, 'paper' | 'isLandscape'>): { width: number; height: number } {
  const [short, long] = sizes[paper];
  return isLandscape ? { width: long, height: short } : { width: short, height: long };
}

const leading = 1.28;

/** From one line of letters of a size to the next, mm. */
export const step = (size: number): number => size * mmPerPoint * leading;

/** The pages of a sheet as they fill up from above: what is put on them moves the place on, and takes another page where it must. */
export class Layout {
  private readonly pages: Page[] = [];
  readonly width: number;
  readonly height: number;
  readonly margin: number;
  readonly inner: number;
  private readonly footLines: string[];
  private readonly footSize = 6.8;
  page!: Page;
  /** How far down the page is filled, mm. */
  y = 0;

  constructor(
    readonly sheet: Sheet,
    readonly facts: SheetFacts,
    /** When what it shows was last changed, and which state that was. */
    private readonly state: string,
    readonly measure: Measure,
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

  /** Where the foot begins. */
  get bottom(): number {
    return this.height - this.margin - this.footLines.length * step(this.footSize) - 3;
  }

  /** Makes room for what stays together; true where that took another page. */
  reserve(height: number): boolean {
    if (this.y + height <= this.bottom || this.y <= this.margin + 9) {
      return false;
    }
    this.turn();
    return true;
  }

  lines(text: string, width: number, size: number, face: Face, most = Infinity): string[] {
    return text === '' ? [] : wrap(oneLine(text), width, size, face, this.measure, most);
  }

  text(
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
  write(lines: string[], x: number, size: number, face: Face, tone: Tone, href?: string): void {
    for (const text of lines) {
      this.text(text, x, this.y + size * mmPerPoint * 0.92, size, face, tone, 'left', href);
      this.y += step(size);
    }
  }

  stroke(d: string, stroke: Tone, width: number, dash?: number[]): void {
    this.page.marks.push({ kind: 'path', d, stroke, width, dash });
  }

  fill(d: string, fill: Tone): void {
    this.page.marks.push({ kind: 'path', d, fill });
  }

  /** A picture, or why there is none. */
  picture(fact: PictureFact, x: number, y: number, width: number, height: number): void {
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
}
