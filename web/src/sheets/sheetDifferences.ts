import { itemOf, type Sheet } from './facts';
import { kinds } from './kinds';

/** In what two versions of a piece of work differ in their sheets: what, and how either says it. */
export function sheetDifferences(mine: Sheet[], theirs: Sheet[]): { what: string; mine: string; theirs: string }[] {
  const ids = [...new Set([...mine, ...theirs].map((sheet) => sheet.id))];
  return ids.flatMap((id) => {
    const [a, b] = [mine.find((s) => s.id === id), theirs.find((s) => s.id === id)];
    const what = `Sheet “${nameOf((a ?? b)!)}”`;
    if (!a || !b) {
      return [{ what, mine: a ? 'there' : '—', theirs: b ? 'there' : '—' }];
    }
    return tellers
      .map(([word, tell]) => ({ what: `${what}: ${word}`, mine: tell(a, b) || '—', theirs: tell(b, a) || '—' }))
      .filter((difference) => difference.mine !== difference.theirs);
  });
}

const nameOf = (sheet: Sheet): string => sheet.title || kinds[sheet.kind].name;

const list = (values: (number | string)[] | undefined) => (values ?? []).join(' ');

/** What is told of a sheet, beside another version of it. */
const tellers: [string, (sheet: Sheet, other: Sheet) => string][] = [
  ['title', (s) => s.title ?? ''],
  ['note', (s) => s.note ?? ''],
  ['paper', (s) => `${s.paper ?? 'a4'}, ${s.isLandscape ? 'across' : 'upright'}`],
  ['numbers', (s) => `${s.feet == null ? 'as each reads them' : s.feet ? 'feet' : 'metres'}, ${s.decimalSign ?? 'point'}`],
  ['columns', (s) => list(s.columns)],
  ['shots', (s) => [s.order ?? 'shooting', s.unit ?? ''].filter(Boolean).join(', ')],
  ['bag', (s) => s.bagId ?? ''],
  ['focal lengths', (s) => list(s.focalLengthsMm)],
  ['distances', (s) => list(s.distancesMm)],
  ['apertures', (s) => list(s.fNumbers)],
  ['length of the strip', (s) => String(s.stripLengthMm ?? 170)],
  ['conventions', (s) => (s.conventions == null ? 'usual' : JSON.stringify(s.conventions))],
  ['things on it', thingsOn],
];

/** What is said of single things, where the other version says otherwise; their order, where only that differs. */
function thingsOn(sheet: Sheet, other: Sheet): string {
  const items = sheet.items ?? [];
  const said = (one: Sheet, id: string) => {
    const { title = '', remark = '', leftOut = false, alternatives = [] } = itemOf(one, id) ?? {};
    return [title, remark, leftOut ? 'left out' : '', ...alternatives.map((rig) => `or ${rig.name ?? ''}`)].filter(Boolean).join(', ');
  };
  const ids = [...new Set([...items, ...(other.items ?? [])].map((item) => item.id))];
  const differing = ids.filter((id) => said(sheet, id) !== said(other, id));
  if (differing.length > 0) {
    return differing.map((id) => said(sheet, id) || 'nothing').join('; ');
  }
  return items.map((item) => item.id).join() === (other.items ?? []).map((item) => item.id).join()
    ? ''
    : `order ${items.map((item) => item.id.slice(-4)).join(' ')}`;
}
