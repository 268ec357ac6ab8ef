import type { components } from '../api/schema';
import type { Stage, View } from '../picture/view';
import type { Mark } from './marks';

export type Sheet = components['schemas']['SheetInput'];
export type SheetItem = components['schemas']['SheetItemInput'];
export type SheetKind = Sheet['kind'];

/** A picture as it is drawn, whatever its size; where there is none, why. */
export interface PictureFact {
  id: string;
  aspect: number;
  label: string;
  rendered?: { view: View; stage: Stage } | undefined;
  photo?: { id: string; across: number; up: number } | undefined;
  /** Why there is no picture. */
  missing?: string | undefined;
}

export interface ColumnFact {
  key: string;
  label: string;
  /** Figures stand on the right, in digits of one width; those of a dense table in the narrower face. */
  align?: 'left' | 'right' | 'figure' | undefined;
  /** The least width, mm. */
  least?: number | undefined;
  /** Room that stays empty: a line to write on, or a box to tick. */
  toFill?: 'line' | 'box' | undefined;
  /** Takes what room is left. */
  grows?: boolean | undefined;
}

export const isRight = (c: ColumnFact): boolean => c.align === 'right' || c.align === 'figure';

/** One of the rigs to choose between for a shot. */
export interface OptionFact {
  id: string;
  title: string;
  lines: string[];
  picture: PictureFact;
}

export interface FrameFact {
  /** The shot's or the rig's identity. */
  id: string;
  /** How it is counted: 1, 2 or A, B. */
  mark: string;
  /** The name that it has in the work; the sheet's own title stands in its place. */
  title: string;
  /** What the columns say of it. */
  values: Record<string, string>;
  options: OptionFact[];
  href: string;
  warnings: string[];
}

export interface RowFact {
  id: string;
  cells: Record<string, string>;
  /** Printed under the row, over its whole width. */
  under?: string | undefined;
  /** The column that tells of something missing; all others of the row are quiet. */
  warn?: string | undefined;
  /** True where title and remark can be changed on the page. */
  isItem?: boolean | undefined;
  href?: string | undefined;
}

export interface TileFact {
  id: string;
  big: string;
  small: string;
  lines: string[];
  picture: PictureFact;
}

export type BlockFact =
  | { kind: 'heading'; id: string; text: string; sub: string; href?: string | undefined }
  | { kind: 'frames'; id: string; frames: FrameFact[]; columns: ColumnFact[] }
  | { kind: 'tiles'; id: string; tiles: TileFact[] }
  | { kind: 'table'; id: string; caption: string; columns: ColumnFact[]; rows: RowFact[]; isDense?: boolean | undefined }
  | { kind: 'drawing'; id: string; caption: string; width: number; height: number; marks: Mark[] }
  | { kind: 'text'; id: string; text: string; isWarning?: boolean | undefined };

/** All that the pages of a sheet are made of. */
export interface SheetFacts {
  /** The name of the work; the sheet's own title stands in its place. */
  name: string;
  /** What it is, in a word or two. */
  what: string;
  blocks: BlockFact[];
  /** Conventions and units, for the foot. */
  foot: string[];
  /** Where the work is found. */
  href: string;
}

/** What of a sheet decides about its facts: not what it says in words of its own, which stands only on its pages. */
export const settingsOf = (sheet: Sheet): Sheet => ({
  ...sheet,
  title: '',
  note: '',
  items: (sheet.items ?? []).map(({ id, leftOut = false, alternatives = [] }) => ({ id, leftOut, alternatives })),
});

/** What can be shown on a sheet of this kind, and what is shown when nobody chose. */
export interface ColumnChoice extends ColumnFact {
  usual: boolean;
}

/** What a sheet is made of now. */
export interface Made {
  facts: SheetFacts;
  choices: ColumnChoice[];
  /** What stands on it, in the order of the work. */
  things: { id: string; name: string }[];
}

/** The columns that a sheet shows, in its order. */
export function columnsOf(choices: ColumnChoice[], chosen: string[]): ColumnChoice[] {
  const known = chosen.flatMap((key) => choices.filter((c) => c.key === key));
  return known.length > 0 ? known : choices.filter((c) => c.usual);
}

/** Things in the order of the sheet; what the sheet does not name comes after, as it stands in the work. */
export function inOrder<T extends { id?: string | undefined }>(things: T[], items: SheetItem[]): T[] {
  const place = new Map(items.map((item, i) => [item.id, i]));
  return things
    .map((thing, i) => ({ thing, at: place.get(thing.id ?? '') ?? items.length + i }))
    .sort((a, b) => a.at - b.at)
    .map(({ thing }) => thing);
}

export const itemOf = (sheet: Sheet, id: string): SheetItem | undefined => (sheet.items ?? []).find((item) => item.id === id);

/** A sheet with something else said of one thing. The order in which all of them stand is kept with it. */
export function withItem(sheet: Sheet, id: string, part: Partial<SheetItem>, all: string[]): Sheet {
  const ids = inOrder(
    all.map((one) => ({ id: one })),
    sheet.items ?? [],
  ).map((one) => one.id);
  const known = new Set(ids);
  const others = (sheet.items ?? []).filter((item) => !known.has(item.id));
  return {
    ...sheet,
    items: [...ids.map((one) => ({ ...(itemOf(sheet, one) ?? { id: one }), ...(one === id ? part : {}) })), ...others],
  };
}

/** A sheet with one thing moved before or after its neighbour among those that are shown. */
export function moved(sheet: Sheet, id: string, by: 1 | -1, all: string[]): Sheet {
  const ordered = withItem(sheet, id, {}, all).items!;
  const shown = ordered.filter((item) => !item.leftOut && all.includes(item.id));
  const other = shown[shown.findIndex((item) => item.id === id) + by];
  if (!other) {
    return sheet;
  }
  const [from, to] = [ordered.findIndex((item) => item.id === id), ordered.indexOf(other)];
  const items = [...ordered];
  [items[from], items[to]] = [items[to]!, items[from]!];
  return { ...sheet, items };
}

/** What differs between what was frozen and what is so now, in words. */
export function changesSince(before: SheetFacts, now: SheetFacts): string[] {
  const [was, is] = [said(before), said(now)];
  const changes: string[] = [];
  for (const [key, { where, text }] of was) {
    const other = is.get(key);
    if (!other) changes.push(`${where}: is not there any more.`);
    else if (other.text !== text) changes.push(`${where}: was ${text || 'empty'}, is ${other.text || 'empty'}.`);
  }
  for (const [key, { where }] of is) {
    if (!was.has(key)) changes.push(`${where}: is new.`);
  }
  return changes;
}

/** All that a sheet says, each with a name that stays. */
function said(facts: SheetFacts): Map<string, { where: string; text: string }> {
  const all = new Map<string, { where: string; text: string }>();
  const put = (key: string, where: string, text: string) => all.set(key, { where, text });
  put('foot', 'Conventions', facts.foot.join(' '));
  for (const block of facts.blocks) {
    if (block.kind === 'frames') {
      for (const frame of block.frames) {
        put(`${frame.id} title`, `${frame.mark} ${frame.title}`, frame.title);
        for (const column of block.columns) {
          put(`${frame.id} ${column.key}`, `${frame.mark} ${frame.title}, ${column.label.toLowerCase()}`, frame.values[column.key] ?? '');
        }
        for (const option of frame.options.slice(1)) {
          put(`${option.id} option`, `${frame.mark} ${frame.title}, ${option.title}`, option.lines.join(', '));
        }
        const [first] = frame.options;
        put(`${frame.id} picture`, `${frame.mark} ${frame.title}, picture`, first?.picture.missing ?? shotOf(first));
      }
    } else if (block.kind === 'table') {
      for (const row of block.rows) {
        for (const column of block.columns) {
          put(
            `${block.id} ${row.id} ${column.key}`,
            `${block.caption} ${Object.values(row.cells)[0] ?? ''}, ${column.label.toLowerCase()}`.trim(),
            row.cells[column.key] ?? '',
          );
        }
      }
    } else if (block.kind === 'tiles') {
      for (const tile of block.tiles) put(`${block.id} ${tile.id}`, tile.big, [tile.small, ...tile.lines].join(', '));
    } else if (block.kind !== 'drawing') {
      put(block.id, block.text, block.kind === 'heading' ? block.sub : block.text);
    }
  }
  return all;
}

/** What of a picture people would see change. */
function shotOf(option: OptionFact | undefined): string {
  const view = option?.picture.rendered?.view;
  return view ? `${(view.fieldWidth * 100).toPrecision(3)} cm wide` : option?.picture.photo ? 'a photograph' : '';
}
