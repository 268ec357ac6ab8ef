import type { ProductionDocument } from '../../api/client';
import { distance, plain } from '../../ui/format';
import type { Difference } from '../../documents/ConflictDialog';
import type { Content } from '../../documents/history';
import { same } from '../../documents/merging';
import { sheetDifferences } from '../../sheets/sheetDifferences';
import { placesOf, shotsOf } from './productionStore';

type Thing = Record<string, unknown>;

/** In which shots, places and settings two versions of a production differ. */
export function differences(mine: Content<ProductionDocument>, theirs: Content<ProductionDocument>): Difference[] {
  const found: Difference[] = [];
  const say = (what: string, a: string, b: string) => {
    if (a !== b) {
      found.push({ what, mine: a, theirs: b });
    }
  };
  say('Name', mine.name, theirs.name);
  found.push(...members('', mine.document, theirs.document));
  const lists = [
    ['Shot', shotsOf(mine.document), shotsOf(theirs.document)],
    ['Place', placesOf(mine.document), placesOf(theirs.document)],
  ] as const;
  for (const [kind, here, there] of lists) {
    for (const id of new Set([...here, ...there].map((thing) => thing.id))) {
      const [a, b] = [here.find((thing) => thing.id === id), there.find((thing) => thing.id === id)];
      const what = `${kind} “${(a ?? b)!.name}”`;
      if (a && b) {
        found.push(...members(`${what}: `, a, b));
      } else {
        say(what, a ? 'there' : '—', b ? 'there' : '—');
      }
    }
    const [inHere, inThere] = [here, there].map((list, k) => list.filter((x) => [there, here][k]!.some((y) => y.id === x.id)));
    say(`Order of ${kind.toLowerCase()}s`, inHere!.map((s) => s.name).join(', '), inThere!.map((s) => s.name).join(', '));
  }
  return [...found, ...sheetDifferences(mine.document.sheets ?? [], theirs.document.sheets ?? [])];
}

/** What is told in ways of its own, or not at all. */
const unsaid = new Set(['id', 'schemaVersion', 'shots', 'locations', 'sheets']);

/** In which of their members two things differ, by the names of the members taken apart into words. */
const members = (of: string, a: object, b: object): Difference[] =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])]
    .filter((key) => !unsaid.has(key) && !same((a as Thing)[key], (b as Thing)[key]))
    .map((key) => ({ what: `${of}${inWords(key)}`, mine: told(key, (a as Thing)[key]), theirs: told(key, (b as Thing)[key]) }));

const inWords = (key: string) =>
  key.replace(/(Mm|Id)$/, '').replace(/([a-z])([A-Z])/g, (_, a: string, b: string) => `${a} ${b.toLowerCase()}`);

function told(key: string, value: unknown): string {
  if (value === null || value === undefined || value === '') {
    return '—';
  }
  if (typeof value === 'number') {
    return key.endsWith('Mm') ? distance(value, false) : plain(value, 4);
  }
  if (Array.isArray(value)) {
    return value.map((entry) => told('', entry)).join(', ');
  }
  if (typeof value === 'object') {
    const { name } = value as { name?: unknown };
    return typeof name === 'string'
      ? name
      : Object.entries(value)
          .map(([k, v]) => `${inWords(k)} ${told(k, v)}`)
          .join(', ');
  }
  return typeof value === 'string' ? inWords(value) : value === true ? 'yes' : 'no';
}
