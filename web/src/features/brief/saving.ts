import { productions, type ProductionDocument } from '../../api/client';
import { coreReady } from '../../core/core';
import { draftsOf } from '../../works/drafts';
import type { Difference } from '../../works/ConflictDialog';
import { keep, type Content } from '../../works/saving';
import { placesOf, shotsOf, useProduction } from './productionStore';
import { upgradedProduction } from './upgraded';

export const drafts = draftsOf<ProductionDocument>('juxtopsis.production.', upgradedProduction);

/** JSON with members in one order: the server may write them in another, and leaves out what is as usual. */
const settled = (value: unknown): unknown =>
  Array.isArray(value)
    ? value.map(settled)
    : value !== null && typeof value === 'object'
      ? Object.fromEntries(
          Object.entries(value)
            .filter(([, v]) => v !== null && v !== undefined && v !== '' && v !== false && v !== 0)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([key, v]) => [key, settled(v)]),
        )
      : value;

const text = (value: unknown) => JSON.stringify(settled(value));

/** In which shots, places and settings two versions of a production differ. */
export function differences(mine: Content<ProductionDocument>, theirs: Content<ProductionDocument>): Difference[] {
  const found: Difference[] = [];
  const say = (what: string, a: string, b: string) => a !== b && found.push({ what, mine: a, theirs: b });
  say('Name', mine.name, theirs.name);
  say('Note', mine.document.note ?? '', theirs.document.note ?? '');
  const lists = [
    ['Shot', shotsOf(mine.document), shotsOf(theirs.document)],
    ['Place', placesOf(mine.document), placesOf(theirs.document)],
  ] as const;
  for (const [kind, ours, others] of lists) {
    for (const id of new Set([...ours, ...others].map((thing) => thing.id))) {
      const [a, b] = [ours.find((thing) => thing.id === id), others.find((thing) => thing.id === id)];
      if (text(a ?? null) !== text(b ?? null)) {
        found.push({
          what: `${kind} “${(a ?? b)!.name}”`,
          mine: a ? (b ? 'as here' : 'there') : '—',
          theirs: b ? (a ? 'otherwise' : 'there') : '—',
        });
      }
    }
    say(`Order of ${kind.toLowerCase()}s`, ours.map((s) => s.name).join(', '), others.map((s) => s.name).join(', '));
  }
  const rest = ({ document: { delivery, units, bag } }: Content<ProductionDocument>) => text({ delivery, units, bag });
  if (rest(mine) !== rest(theirs)) {
    found.push({ what: 'Delivery, units or bag', mine: 'as here', theirs: 'otherwise' });
  }
  return found;
}

/** Keeps the production that is on the page. */
export const productionKeeper = keep<ProductionDocument>({
  store: useProduction,
  works: productions,
  drafts,
  ready: coreReady,
  differs: (mine, theirs) => differences(mine, theirs).length > 0,
});
