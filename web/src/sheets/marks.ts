/** What a page is made of: marks at places in millimetres from its upper left corner. Screen, PDF and PNG draw the same ones. */

export type Face = 'sans' | 'bold' | 'mono' | 'monoBold';
export type Tone = 'ink' | 'soft' | 'rule' | 'shade' | 'paper' | 'warn';

/** One tone a meaning; all of them print in grey. */
export const tones: Record<Tone, string> = {
  ink: '#16191a',
  soft: '#565c5e',
  rule: '#b9b6ac',
  shade: '#f0eee8',
  paper: '#ffffff',
  warn: '#8c3310',
};

/** Millimetres in a typographic point. */
export const mmPerPoint = 25.4 / 72;

export interface TextMark {
  kind: 'text';
  x: number;
  /** The line that letters stand on. */
  y: number;
  text: string;
  /** Points. */
  size: number;
  face: Face;
  tone: Tone;
  align: 'left' | 'right' | 'middle';
  /** Where a press leads. */
  href?: string | undefined;
}

export interface PathMark {
  kind: 'path';
  /** An SVG path. */
  d: string;
  fill?: Tone | undefined;
  stroke?: Tone | undefined;
  /** Width of the line, mm. */
  width?: number | undefined;
  /** Lengths of dashes and gaps, mm. */
  dash?: number[] | undefined;
}

export interface PictureMark {
  kind: 'picture';
  x: number;
  y: number;
  width: number;
  height: number;
  /** Which picture; see PictureFact. */
  id: string;
  /** What is to be seen, for whoever does not see it. */
  label: string;
}

export type Mark = TextMark | PathMark | PictureMark;

/** What of a sheet a text is, for changing it where it stands. */
export type EditKey = { of: 'title' } | { of: 'note' } | { of: 'itemTitle'; item: string } | { of: 'itemRemark'; item: string };

/** A text that can be changed on the page. */
export interface EditArea {
  key: EditKey;
  x: number;
  y: number;
  width: number;
  height: number;
  size: number;
  face: Face;
  value: string;
  placeholder: string;
  label: string;
}

/** What can be moved, left out or opened on the page. */
export interface HandleArea {
  of: 'item' | 'column';
  id: string;
  label: string;
  x: number;
  y: number;
  width: number;
  height: number;
}

export interface Page {
  width: number;
  height: number;
  marks: Mark[];
  edits: EditArea[];
  handles: HandleArea[];
}

/** How wide a text is, mm. */
export type Measure = (text: string, size: number, face: Face) => number;

export const rect = (x: number, y: number, width: number, height: number): string =>
  `M${n(x)} ${n(y)}h${n(width)}v${n(height)}h${n(-width)}z`;
export const line = (x1: number, y1: number, x2: number, y2: number): string => `M${n(x1)} ${n(y1)}L${n(x2)} ${n(y2)}`;
export const circle = (x: number, y: number, r: number): string =>
  `M${n(x - r)} ${n(y)}a${n(r)} ${n(r)} 0 1 0 ${n(2 * r)} 0a${n(r)} ${n(r)} 0 1 0 ${n(-2 * r)} 0z`;

/** A hundredth of a hair is not printed. */
const n = (mm: number): number => Math.round(mm * 1e4) / 1e4;

const segmenter = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** A text in what people take for its letters: a letter with its marks is one. */
export const signsOf = (text: string): string[] => Array.from(segmenter.segment(text), ({ segment }) => segment);

/** Lines that a text takes in a width; a word that is wider is broken where it must be. */
export function wrap(text: string, width: number, size: number, face: Face, measure: Measure, most = Infinity): string[] {
  const lines: string[] = [];
  let now = '';
  const fits = (candidate: string) => measure(candidate, size, face) <= width;
  for (const word of text.split(/(?<=[ \u2014/])|(?<=·)/u)) {
    if (fits((now + word).trimEnd())) {
      now += word;
      continue;
    }
    if (now.trim() !== '') {
      lines.push(now.trim());
      now = '';
    }
    now = word;
    while (!fits(now.trimEnd())) {
      const letters = signsOf(now);
      if (letters.length < 2) break;
      let [least, greatest] = [1, letters.length - 1];
      while (least < greatest) {
        const middle = Math.ceil((least + greatest) / 2);
        if (fits(letters.slice(0, middle).join(''))) least = middle;
        else greatest = middle - 1;
      }
      lines.push(letters.slice(0, least).join(''));
      now = letters.slice(least).join('');
    }
  }
  if (now.trim() !== '') lines.push(now.trim());
  if (lines.length <= most) return lines;
  const cut = lines.slice(0, most);
  let last = cut[most - 1]!;
  while (last !== '' && !fits(`${last}…`)) last = signsOf(last).slice(0, -1).join('');
  cut[most - 1] = `${last.trimEnd()}…`;
  return cut;
}
