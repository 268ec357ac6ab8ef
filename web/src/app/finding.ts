import { api, comparisons, productions, type ProductionDocument } from '../api/client';
import { factsOf, fullName } from '../gear/gear';
import type { GearItem } from '../core/core';
import { kinds } from '../sheets/kinds';
import { hasWords } from '../ui/words';

/** Something that was found: where it is, or what is done. */
export interface Found {
  group: string;
  name: string;
  /** What tells it from others of the name. */
  more?: string;
  to?: string;
  act?: () => void;
}

const most = 8;
const mostProductions = 20;

const commands: Found[] = [
  { group: 'Do', name: 'New comparison', to: '/new' },
  { group: 'Do', name: 'New production, and all saved work', to: '/work' },
  { group: 'Do', name: 'Add a body to the shelf', to: '/shelf?kind=body&add=body' },
  { group: 'Do', name: 'Add a lens to the shelf', to: '/shelf?kind=lens&add=lens' },
  { group: 'Do', name: 'Bring gear in from files', to: '/shelf?bring=yes' },
  { group: 'Do', name: 'What was deleted', to: '/work?deleted=true' },
];

const bagViews = [
  { name: 'Bags of', view: 'bags' },
  { name: 'The best bag for', view: 'best' },
  { name: 'Bookings: who has what of', view: 'bookings' },
  { name: 'Packing list, out and back, of', view: 'pack' },
];

/** Finds everything that has the words, what is called so first: saved work, then what is in it, then gear, then what can be done. */
export async function findAll(words: string, signal: AbortSignal): Promise<Found[]> {
  const meets = (text: string) => hasWords(text, words);
  const [all, made, gear] = await Promise.all([
    comparisons.list(false, 0),
    productions.list(false, 0),
    words === '' ? null : api.GET('/api/shelf', { params: { query: { Q: words, Take: most } }, signal }).catch(() => null),
  ]);
  if ('kind' in all) {
    throw new Error(all.say);
  }
  const works = 'kind' in made ? [] : made;
  const documents = words === '' ? [] : await Promise.all(works.slice(0, mostProductions).map((work) => contentOf(work.id, work.revision)));
  const held = (name: string, i: number) => `${name}, ${works[i]!.name}`;
  const found: Found[] = [
    ...works
      .filter((work) => meets(`${work.name} ${work.note}`))
      .map((work) => ({ group: 'Production', name: work.name, to: `/brief/${work.id}` })),
    ...all
      .filter((work) => meets(`${work.name} ${work.note}`))
      .map((work) => ({ group: 'Comparison', name: work.name, to: `/bench/${work.id}` })),
    ...documents.flatMap((document, i) =>
      (document?.shots ?? [])
        .filter((shot) => meets(held(shot.name, i)))
        .map((shot) => ({
          group: 'Shot',
          name: shot.name || 'Nameless shot',
          more: works[i]!.name,
          to: `/brief/${works[i]!.id}?shot=${shot.id}`,
        })),
    ),
    ...documents.flatMap((document, i) =>
      (document?.locations ?? [])
        .filter((location) => meets(held(location.name, i)))
        .flatMap((location) => {
          const shot = document!.shots?.find((s) => s.locationId === location.id);
          const to = `/brief/${works[i]!.id}${shot ? `?shot=${shot.id}` : ''}`;
          return [{ group: 'Place', name: location.name || 'Nameless place', more: works[i]!.name, to }];
        }),
    ),
    ...documents.flatMap((document, i) =>
      (document?.bags ?? [])
        .filter((bag) => meets(held(bag.name, i)))
        .map((bag) => ({
          group: 'Bag',
          name: bag.name || 'Nameless bag',
          more: works[i]!.name,
          to: `/brief/${works[i]!.id}/bags?bag=${bag.id}`,
        })),
    ),
    ...documents.flatMap((document, i) =>
      (document?.sheets ?? [])
        .map((sheet) => ({ id: sheet.id, name: sheet.title || kinds[sheet.kind].name }))
        .filter(({ name }) => meets(held(name, i)))
        .map(({ id, name }) => ({ group: 'Sheet', name, more: works[i]!.name, to: `/brief/${works[i]!.id}/sheets?sheet=${id}` })),
    ),
    ...(words === '' ? [] : works)
      .filter((work) => meets(`Sheets of ${work.name}`))
      .map((work) => ({ group: 'Go to', name: `Sheets of ${work.name}`, to: `/brief/${work.id}/sheets` })),
    ...(words === '' ? [] : works).flatMap((work) =>
      bagViews
        .filter(({ name }) => meets(`${name} ${work.name}`))
        .map(({ name, view }) => ({ group: 'Go to', name: `${name} ${work.name}`, to: `/brief/${work.id}/bags?view=${view}` })),
    ),
    ...(words === '' ? [] : all).flatMap((work) =>
      work.lines.filter(meets).map((line) => ({ group: 'Rig', name: line, more: work.name, to: `/bench/${work.id}` })),
    ),
    ...(gear?.data?.items ?? []).map(({ item }) => {
      const thing = item as GearItem;
      return { group: 'Gear', name: fullName(thing), more: factsOf(thing), to: `/shelf?open=${thing.id}` };
    }),
  ];
  // What is called so goes before what only tells of it.
  const called = found.filter((one) => meets(one.name));
  return [...capped([...called, ...found.filter((one) => !called.includes(one))]), ...commands.filter((command) => meets(command.name))];
}

/** Of each kind the first few. */
function capped(found: Found[]): Found[] {
  const counts = new Map<string, number>();
  return found.filter(({ group }) => {
    const count = (counts.get(group) ?? 0) + 1;
    counts.set(group, count);
    return count <= most;
  });
}

const known = new Map<string, ProductionDocument>();

async function contentOf(id: string, revision: number): Promise<ProductionDocument | null> {
  const key = `${id} ${revision}`;
  if (!known.has(key)) {
    // What could not be read now is asked for again by the next search.
    const work = await productions.read(id);
    if (work && !('kind' in work)) {
      known.set(key, work.document);
    }
  }
  return known.get(key) ?? null;
}
