import { putFrames } from './cards';
import type { BlockFact, Sheet, SheetFacts } from './facts';
import { Layout, step } from './layout';
import type { Mark, Measure, Page } from './marks';
import { putTable } from './table';
import { putTiles } from './tiles';

/** The pages of a sheet. What belongs together stays together: no card, no row and no drawing is cut. */
export function pagesOf(sheet: Sheet, facts: SheetFacts, state: string, measure: Measure): Page[] {
  const layout = new Layout(sheet, facts, state, measure);
  facts.blocks.forEach((block) => put(layout, block));
  return layout.done();
}

/** Puts a block on the pages. */
function put(on: Layout, block: BlockFact): void {
  switch (block.kind) {
    case 'heading': {
      const lines = on.lines(block.text, on.inner, 12.5, 'bold', 2);
      const sub = on.lines(block.sub, on.inner, 8.5, 'sans', 3);
      // A heading is never the last thing on a page.
      on.reserve(lines.length * 5.7 + sub.length * 3.9 + 2 + 30);
      on.y += 2;
      on.write(lines, on.margin, 12.5, 'bold', 'ink', block.href);
      on.write(sub, on.margin, 8.5, 'sans', 'soft');
      on.y += 2;
      break;
    }
    case 'text': {
      const lines = on.lines(block.text, on.inner, 8.5, 'sans');
      on.reserve(lines.length * step(8.5) + 2);
      on.write(lines, on.margin, 8.5, 'sans', block.isWarning ? 'warn' : 'ink');
      on.y += 2;
      break;
    }
    case 'frames':
      putFrames(on, block.frames, block.columns);
      break;
    case 'tiles':
      putTiles(on, block.tiles);
      break;
    case 'table':
      putTable(on, block);
      break;
    case 'drawing':
      putDrawing(on, block);
      break;
  }
}

/** A drawing at its size, in the middle of the page's width. */
function putDrawing(on: Layout, { caption, width, height, marks }: Extract<BlockFact, { kind: 'drawing' }>): void {
  const lines = on.lines(caption, on.inner, 9.5, 'bold', 2);
  on.reserve(lines.length * step(9.5) + height + 4);
  on.write(lines, on.margin, 9.5, 'bold', 'ink');
  on.y += 1;
  const x = on.margin + Math.max(0, (on.inner - width) / 2);
  on.page.marks.push(...marks.map((mark) => shifted(mark, x, on.y)));
  on.y += height + 5;
}

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
