import type { ProductionDocument } from '../../../api/client';
import type { GearItem } from '../../../core/core';
import { bagsOf, linesOf, type Bag } from '../../../gear/bags';
import { number } from '../../../gear/gear';
import type { GearUnit } from '../../../gear/units';
import { columnsOf, type BlockFact, type ColumnChoice, type RowFact, type Sheet } from '../../../sheets/facts';
import type { Language } from '../../../sheets/make/language';
import { weight } from '../../../ui/figureText';
import type { BagAnswer } from '../bags/bagAnswers';

export const packColumns: ColumnChoice[] = [
  { key: 'out', label: 'Out', toFill: 'box', usual: true },
  { key: 'count', label: 'No.', align: 'right', usual: true },
  { key: 'title', label: 'Thing', usual: true, least: 40, grows: true },
  { key: 'unit', label: 'Which', usual: true },
  { key: 'each', label: 'Each', align: 'right', usual: false },
  { key: 'weight', label: 'Weight', align: 'right', usual: true },
  { key: 'note', label: 'Note', usual: true, grows: true },
  { key: 'back', label: 'Back', toFill: 'box', usual: true },
];

const kindNames: Record<string, string> = {
  body: 'Cameras',
  fixedLensCamera: 'Cameras',
  lens: 'Lenses',
  adapter: 'Adapters',
  attachment: 'In front of lenses',
  closeUpLens: 'In front of lenses',
  filter: 'Filters and rings',
  stepRing: 'Filters and rings',
  support: 'Supports',
  bagItem: 'Power, cards and the rest',
};
const kindOrder = [...new Set(Object.values(kindNames))];

/** The bag that a packing list is of; undefined where there is none. */
export const bagOf = (document: ProductionDocument, sheet: Sheet): Bag | undefined =>
  bagsOf(document).find((b) => b.id === sheet.bagId) ?? bagsOf(document)[0];

/** What goes into a bag, to tick off when it goes and when it comes back. */
export function packingList(
  sheet: Sheet,
  document: ProductionDocument,
  items: Map<string, GearItem>,
  units: GearUnit[],
  answers: Record<string, BagAnswer>,
  say: Language,
): BlockFact[] {
  const bag = bagOf(document, sheet);
  const lines = bag ? linesOf(bag) : [];
  if (!bag || lines.length === 0) {
    return [{ kind: 'text', id: 'none', text: bag ? `Nothing is packed in ${bag.name} yet.` : 'There is no bag yet.', isWarning: true }];
  }
  if (items.size === 0) {
    return [{ kind: 'text', id: 'none', text: 'What is packed is told when the shelf is here.' }];
  }
  const columns = columnsOf(packColumns, sheet.columns ?? []);
  const rows = lines.map((line): { group: string; row: RowFact } => {
    const item = items.get(line.id);
    const each = item && number(item, 'weightG');
    const count = line.count ?? 1;
    const labels = (line.units ?? []).flatMap((id) => units.find((u) => u.id === id)?.label ?? []).filter(Boolean);
    return {
      group: item ? (kindNames[item.kind] ?? 'The rest') : 'Not on the shelf any more',
      row: {
        id: line.id,
        warn: item ? undefined : 'title',
        cells: {
          out: '',
          back: '',
          count: String(count),
          title: item ? [item.maker, item.name].filter(Boolean).join(' ') : 'A thing that was deleted',
          unit: labels.join(', '),
          each: each === undefined ? 'not known' : say.of(weight(each)),
          weight: each === undefined ? 'not known' : say.of(weight(each * count)),
          note: line.note ?? '',
        },
      },
    };
  });
  const groups = [...new Set(rows.map((r) => r.group))].sort((a, b) => placeOf(a) - placeOf(b));
  const total = answers[bag.id]?.totals.weightG;
  const said = [
    `${lines.reduce((sum, l) => sum + (l.count ?? 1), 0)} things`,
    total ? `${say.of(weight(total.known))}${total.unknown > 0 ? ` and ${total.unknown} of unknown weight` : ''}` : '',
    bag.unit ? `for ${bag.unit}` : '',
    bag.firstDay ? (bag.lastDay && bag.lastDay !== bag.firstDay ? `${bag.firstDay} to ${bag.lastDay}` : bag.firstDay) : '',
  ].filter(Boolean);
  return [
    { kind: 'heading', id: 'bag', text: bag.name, sub: said.join(' · ') },
    ...(bag.note ? [{ kind: 'text', id: 'note', text: bag.note } as BlockFact] : []),
    ...groups.map((group): BlockFact => ({
      kind: 'table',
      id: group,
      caption: group,
      columns,
      rows: rows.filter((r) => r.group === group).map((r) => r.row),
    })),
  ];
}

const placeOf = (group: string): number => {
  const at = kindOrder.indexOf(group);
  return at < 0 ? kindOrder.length : at;
};
