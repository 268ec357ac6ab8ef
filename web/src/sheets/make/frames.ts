import { columnsOf, inOrder, itemOf, type BlockFact, type Sheet } from '../facts';
import type { Language } from './language';
import { frameColumns, optionOf, valuesOf, type SheetRig } from './sheetRig';

/** What a frames sheet shows of one shot or rig, and the alternatives to choose between. */
export interface Framed {
  of: SheetRig;
  alternatives: SheetRig[];
  /** Values of columns that only a production has. */
  also?: Record<string, string> | undefined;
}

/** Frames with titles, settings and room to sign. */
export function framesOf(sheet: Sheet, framed: Framed[], say: Language, choices = frameColumns): BlockFact[] {
  const shown = inOrder(
    framed.map((f) => ({ ...f, id: f.of.id })),
    sheet.items ?? [],
  ).filter((f) => !itemOf(sheet, f.id)?.leftOut);
  if (shown.length === 0) {
    return [
      {
        kind: 'text',
        id: 'none',
        text: framed.length === 0 ? 'There is nothing to show yet.' : 'Everything is left out.',
        isWarning: true,
      },
    ];
  }
  return [
    {
      kind: 'frames',
      id: 'frames',
      columns: columnsOf(choices, sheet.columns ?? []),
      frames: shown.map(({ of, alternatives, also }) => ({
        id: of.id,
        mark: of.mark,
        title: of.title,
        values: { ...valuesOf(of, say), ...also },
        options: [optionOf(of.id, of, say), ...alternatives.map((other, i) => optionOf(`${of.id}.${i + 1}`, other, say))],
        href: of.href,
        warnings: of.warnings.map(say.of),
      })),
    },
  ];
}
