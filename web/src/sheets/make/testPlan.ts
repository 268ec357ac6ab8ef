import { core, type GearItem } from '../../core/core';
import { number } from '../../gear/gear';
import { distance, plain } from '../../ui/format';
import { inOrder, itemOf, type BlockFact, type ColumnFact, type RowFact, type Sheet } from '../facts';
import type { Language } from './language';
import type { SheetRig } from './sheetRig';

const columns: ColumnFact[] = [
  { key: 'title', label: 'Thing', least: 30 },
  { key: 'what', label: 'Measure', least: 30 },
  { key: 'marked', label: 'Marked', align: 'right' },
  { key: 'one', label: 'First', toFill: 'line', grows: true, least: 16 },
  { key: 'two', label: 'Second', toFill: 'line', grows: true, least: 16 },
  { key: 'result', label: 'Comes out as', toFill: 'line', grows: true, least: 18 },
];

/** What of each thing to measure before the day, and what its maker says of it. */
function readingsOf(item: GearItem, say: Language): [what: string, marked: string][] {
  const mm = (field: string) => {
    const value = number(item, field);
    return value === undefined ? 'not known' : say.of(`${plain(value, 2)}\u2009mm`);
  };
  const known = (field: string) => number(item, field) !== undefined;
  const long = known('focalLongMm') && number(item, 'focalLongMm') !== number(item, 'focalShortMm');
  switch (item.kind) {
    case 'lens':
    case 'fixedLensCamera':
      return [
        [`Width seen at a taped distance${long ? ', short end' : ''}`, mm('focalShortMm')],
        ...(long ? [['Width seen at the same distance, long end', mm('focalLongMm')] as [string, string]] : []),
        [
          'Nearest focus, from the mark',
          known('minimumFocusDistanceMm') ? say.of(distance(number(item, 'minimumFocusDistanceMm')!, say.feet)) : 'not known',
        ],
        ['Mark of the far focus against something far', '∞'],
        ...(number(item, 'squeeze') === undefined
          ? []
          : [['A square: width over height in the picture', say.of(`${plain(number(item, 'squeeze')!)}×`)] as [string, string]]),
      ];
    case 'adapter': {
      const k = number(item, 'magnification') ?? 1;
      return k === 1 ? [['Far focus is still reached', 'yes']] : [['Width seen with and without it, same lens', say.of(`${plain(k)}×`)]];
    }
    case 'attachment':
      return [
        ['A square: width over height in the picture', say.of(`${plain(number(item, 'squeezeRatio') ?? 1)}×`)],
        ['Turned level: an upright edge stays upright', '0°'],
      ];
    case 'body':
      return [
        ['Width recorded in the mode against the full width', ''],
        ['Card and battery: a whole take', ''],
      ];
    case 'filter':
      return [
        ['Light lost, same picture with and without', known('stops') ? say.of(`${plain(number(item, 'stops')!)}\u2009st`) : 'not known'],
      ];
    default:
      return [];
  }
}

const isTested = (item: GearItem): boolean => core().procedures.some((procedure) => procedure.of.includes(item.kind));

/** What to measure the night before, with columns to fill in: each thing of the rigs once. */
export function testPlan(sheet: Sheet, rigs: SheetRig[], say: Language): BlockFact[] {
  const things = new Map<string, { id: string; item: GearItem; marks: string[] }>();
  for (const of of rigs) {
    for (const item of of.parts) {
      const thing = things.get(item.id) ?? { id: item.id, item, marks: [] };
      if (!thing.marks.includes(of.mark)) thing.marks.push(of.mark);
      things.set(item.id, thing);
    }
  }
  const shown = inOrder([...things.values()], sheet.items ?? []).filter(({ id }) => !itemOf(sheet, id)?.leftOut);
  const rows = shown.flatMap(({ id, item, marks }): RowFact[] =>
    readingsOf(item, say).map(([what, marked], i) => ({
      id: i === 0 ? id : `${id} ${i}`,
      isItem: i === 0,
      // Where readings are typed in, and a result goes into the record.
      href: i === 0 && isTested(item) ? `/shelf/${id}/tests` : undefined,
      cells: { title: i === 0 ? [item.maker, item.name].filter(Boolean).join(' ') : '', what, marked, for: marks.join(' ') },
    })),
  );
  if (rows.length === 0) {
    return [{ kind: 'text', id: 'none', text: 'No thing of the shelf is in these rigs, so there is nothing to measure.', isWarning: true }];
  }
  return [
    {
      kind: 'text',
      id: 'how',
      text: 'Tape from the camera’s mark. Measure twice, on another distance the second time. What differs from the mark by more than you can read twice is real.',
    },
    { kind: 'table', id: 'test', caption: '', columns, rows },
  ];
}
