import { faceOf, laidColumns, padMm } from './columns';
import { isRight, itemOf, type BlockFact, type ColumnFact, type RowFact } from './facts';
import { step, type Layout } from './layout';
import { line, rect } from './marks';

/** What stands in a cell: what the sheet says of it, else what the work does. */
function cell(on: Layout, row: RowFact, c: ColumnFact): string {
  const item = row.isItem ? itemOf(on.sheet, row.id) : undefined;
  return (c.key === 'title' ? item?.title : c.key === 'remark' ? item?.remark : undefined) || (row.cells[c.key] ?? '');
}

/** A table whose rows are whole, with its head on every page. */
export function putTable(on: Layout, { caption, columns, rows, isDense }: Extract<BlockFact, { kind: 'table' }>): void {
  const pad = padMm;
  const textOf = (row: RowFact, c: ColumnFact) => cell(on, row, c);
  // Tables of the same columns stand under each other, so they share their widths.
  const key = columns.map((c) => c.key).join();
  const alike = on.facts.blocks.flatMap((block) =>
    block.kind === 'table' && block.columns.map((c) => c.key).join() === key ? block.rows : [],
  );
  const { widths, size, headSize } = laidColumns(
    columns,
    alike.map((row) => columns.map((c) => textOf(row, c))),
    on.inner,
    isDense ? 7.6 : 8.2,
    on.measure,
  );
  const lefts = widths.map((_, i) => on.margin + sum(widths.slice(0, i)));
  const heads = columns.map((c, i) => on.lines(c.label, widths[i]! - 2 * pad, headSize, 'bold', 3));
  const headHeight = Math.max(...heads.map((h) => h.length)) * step(headSize) + 2;
  const drawHead = (isFirst: boolean) => {
    const [above] = isFirst
      ? on.lines(caption, on.inner, 9.5, 'bold', 1)
      : on.lines(caption === '' ? '' : `${caption}, continued`, on.inner, 8, 'sans', 1);
    if (above !== undefined) {
      on.text(above, on.margin, on.y + 3.2, isFirst ? 9.5 : 8, isFirst ? 'bold' : 'sans', isFirst ? 'ink' : 'soft');
      on.y += 5;
    }
    heads.forEach((head, i) =>
      head.forEach((text, l) => {
        const right = isRight(columns[i]!);
        on.text(
          text,
          right ? lefts[i]! + widths[i]! - pad : lefts[i]! + pad,
          on.y + 2.6 + l * step(headSize),
          headSize,
          'bold',
          'soft',
          right ? 'right' : 'left',
        );
      }),
    );
    if (rows.some((row) => row.isItem)) {
      columns.forEach((c, i) =>
        on.page.handles.push({
          of: 'column',
          id: c.key,
          label: c.label,
          x: lefts[i]!,
          y: on.y,
          width: widths[i]!,
          height: headHeight,
        }),
      );
    }
    on.y += headHeight;
    on.stroke(line(on.margin, on.y, on.margin + sum(widths), on.y), 'ink', 0.25);
  };
  const laid = rows.map((row) => {
    const cells = columns.map((c, i) => on.lines(textOf(row, c), widths[i]! - 2 * pad, size, faceOf(c)));
    const under = row.under ? on.lines(row.under, on.inner - 2 * pad, 7.6, 'sans', 4) : [];
    return { row, cells, under, height: Math.max(1, ...cells.map((c) => c.length)) * step(size) + 1.7 + under.length * step(7.6) };
  });
  on.reserve((caption === '' ? 0 : 5) + headHeight + (laid[0]?.height ?? 0) + 1);
  drawHead(true);
  for (const { row, cells, under, height } of laid) {
    if (on.reserve(height)) drawHead(false);
    const top = on.y;
    if (row.isItem) {
      on.page.handles.push({
        of: 'item',
        id: row.id,
        label: row.cells['title'] ?? row.id,
        x: on.margin,
        y: top,
        width: on.inner,
        height,
      });
    }
    cells.forEach((lines, i) => {
      const c = columns[i]!;
      const right = isRight(c);
      lines.forEach((text, l) =>
        on.text(
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
        const item = itemOf(on.sheet, row.id);
        on.page.edits.push({
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
        on.stroke(line(lefts[i]! + pad, top + height - 1.4, lefts[i]! + widths[i]! - pad, top + height - 1.4), 'rule', 0.2);
      if (c.toFill === 'box') on.stroke(rect(lefts[i]! + pad, top + 1.1, 3, 3), 'ink', 0.2);
    });
    under.forEach((text, l) =>
      on.text(text, on.margin + pad, top + height - under.length * step(7.6) + 1.4 + l * step(7.6), 7.6, 'sans', 'soft'),
    );
    on.y = top + height;
    on.stroke(line(on.margin, on.y, on.margin + sum(widths), on.y), 'rule', 0.12);
  }
  on.y += 5;
}

const sum = (all: number[]): number => all.reduce((a, b) => a + b, 0);
