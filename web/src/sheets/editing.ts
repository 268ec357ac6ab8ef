import { itemOf, moved, withItem, type ColumnChoice, type Sheet } from './facts';
import type { EditKey, HandleArea } from './marks';

/** What can be done with a thing of a sheet besides moving it. */
export interface ThingAction {
  label: string;
  /** Left out where it is only told, such as that something is being looked for. */
  run?: (() => void) | undefined;
}

/** Further actions of a thing of a sheet. */
export interface ThingActions {
  /** Those that are known; what they make of the sheet is put. */
  of: (sheet: Sheet, id: string, put: (sheet: Sheet) => void) => ThingAction[];
  /** Looks for more while somebody asks, and tells when these may be others; what it answers ends that. */
  watch: (sheet: Sheet, id: string, onChange: () => void) => () => void;
}

/** What a change is a step of: typing in one field is one, whatever moves, goes or comes is one of its own. */
export function stepOf(before: Sheet | undefined, next: Sheet): string {
  const typed = ['title', 'note', 'focalLengthsMm', 'distancesMm', 'fNumbers', 'stripLengthMm'] as const;
  const field = before && typed.find((key) => before[key] !== next[key]);
  const item =
    before &&
    (next.items ?? []).find((one) =>
      ['title', 'remark'].some((key) => (itemOf(before, one.id)?.[key as 'title'] ?? '') !== (one[key as 'title'] ?? '')),
    );
  return `sheet ${next.id} ${field ?? (item ? `item ${item.id}` : performance.now())}`;
}

/** A sheet with a text changed where it stands. */
export function edited(sheet: Sheet, key: EditKey, value: string, all: string[]): Sheet {
  switch (key.of) {
    case 'title':
      return { ...sheet, title: value };
    case 'note':
      return { ...sheet, note: value };
    case 'itemTitle':
      return withItem(sheet, key.item, { title: value }, all);
    case 'itemRemark':
      return withItem(sheet, key.item, { remark: value }, all);
  }
}

/** What can be done with a thing or a column that a hand or a key takes hold of. */
export function actionsOf(
  handle: HandleArea,
  sheet: Sheet,
  choices: ColumnChoice[],
  all: string[],
  put: (sheet: Sheet) => void,
  thingActions: ThingActions | undefined,
): ThingAction[] {
  if (handle.of === 'column') {
    const shown = (sheet.columns ?? []).length > 0 ? sheet.columns! : choices.filter((c) => c.usual).map((c) => c.key);
    const at = shown.indexOf(handle.id);
    const swapped = (by: number) => {
      const next = [...shown];
      [next[at], next[at + by]] = [next[at + by]!, next[at]!];
      return next;
    };
    return [
      ...(at > 0 ? [{ label: 'Move left', run: () => put({ ...sheet, columns: swapped(-1) }) }] : []),
      ...(at >= 0 && at < shown.length - 1 ? [{ label: 'Move right', run: () => put({ ...sheet, columns: swapped(1) }) }] : []),
      ...(shown.length > 1
        ? [{ label: 'Leave this column out', run: () => put({ ...sheet, columns: shown.filter((key) => key !== handle.id) }) }]
        : []),
    ];
  }
  return [
    { label: 'Move earlier', run: () => put(moved(sheet, handle.id, -1, all)) },
    { label: 'Move later', run: () => put(moved(sheet, handle.id, 1, all)) },
    ...(thingActions?.of(sheet, handle.id, put) ?? []),
    { label: 'Leave it out', run: () => put(withItem(sheet, handle.id, { leftOut: true }, all)) },
  ];
}
