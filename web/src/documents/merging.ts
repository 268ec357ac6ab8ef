import type { Content } from './history';

/** Where in a document something stands: names of members, and identities within lists. */
export type Path = string[];

/** Two people changed the same thing. */
export interface Overlap {
  path: Path;
  mine: unknown;
  theirs: unknown;
}

/** What comes of two changes of one thing. Where they overlap it holds mine. */
export interface Merge<T> {
  merged: T;
  overlaps: Overlap[];
}

type Thing = Record<string, unknown>;
const isThing = (value: unknown): value is Thing => typeof value === 'object' && value !== null && !Array.isArray(value);
const hasId = (value: unknown): value is Thing & { id: string } => isThing(value) && typeof value.id === 'string';
const isKeyed = (value: unknown): value is (Thing & { id: string })[] => Array.isArray(value) && value.every(hasId);
const isEmpty = (value: unknown) => value === null || value === undefined || value === '' || value === false || value === 0;

/** JSON in one order, without what is empty: the server leaves that out, and writes members in an order of its own. */
function settled(value: unknown): unknown {
  if (Array.isArray(value)) {
    return value.map(settled);
  }
  return isThing(value)
    ? Object.fromEntries(
        Object.entries(value)
          .filter(([, v]) => !isEmpty(v))
          .sort(([a], [b]) => (a < b ? -1 : 1))
          .map(([key, v]) => [key, settled(v)]),
      )
    : isEmpty(value)
      ? null
      : value;
}

/** True when two values say the same, however they are written down. */
export const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(settled(a)) === JSON.stringify(settled(b));

/** True when two versions of a piece of work say the same. */
export const says = <D>(a: Content<D>, b: Content<D>): boolean => a.name === b.name && same(a.document, b.document);

/**
 * Puts two changes of one thing together (a three-way merge): what only one of the two changed is as that one has it. Members
 * are told apart by name, entries of lists by their identity; a thing named in `whole` is changed as a whole, for its members
 * make sense only together.
 */
export function merge<D>(base: Content<D> | null, mine: Content<D>, theirs: Content<D>, whole: ReadonlySet<string>): Merge<Content<D>> {
  const overlaps: Overlap[] = [];
  const pick = ({ name, document }: Content<D>) => ({ name, document });
  const merged = mergeThing(base ? pick(base) : {}, pick(mine), pick(theirs), []) as unknown as Content<D>;
  return { merged, overlaps };

  function mergeValue(was: unknown, ours: unknown, others: unknown, path: Path): unknown {
    if (same(ours, others) || same(others, was)) {
      return ours;
    }
    if (same(ours, was)) {
      return others;
    }
    if (!whole.has(path.at(-1) ?? '')) {
      if (isThing(ours) && isThing(others)) {
        return mergeThing(isThing(was) ? was : {}, ours, others, path);
      }
      if (isKeyed(ours) && isKeyed(others)) {
        return mergeList(isKeyed(was) ? was : [], ours, others, path);
      }
    }
    overlaps.push({ path, mine: ours, theirs: others });
    return ours;
  }

  function mergeThing(was: object, ours: object, others: object, path: Path): Thing {
    const [w, o, t] = [was as Thing, ours as Thing, others as Thing];
    const keys = new Set([...Object.keys(o), ...Object.keys(t)]);
    return Object.fromEntries(
      [...keys]
        .map((key): [string, unknown] => [key, mergeValue(w[key], o[key], t[key], [...path, key])])
        .filter(([, v]) => v !== undefined),
    );
  }

  function mergeList(was: { id: string }[], ours: { id: string }[], others: { id: string }[], path: Path): unknown[] {
    const byId = (list: { id: string }[]): Map<string, unknown> => new Map(list.map((entry) => [entry.id, entry]));
    const [w, o, t] = [byId(was), byId(ours), byId(others)];
    const order = orderOf([...w.keys()], [...o.keys()], [...t.keys()], path);
    return order
      .map((id) => mergeValue(w.get(id), o.get(id), t.get(id), [...path, id]))
      .filter((entry) => entry !== undefined && entry !== null);
  }

  /** The order of both: of the one that changed it, with what the other added after what it stood behind. */
  function orderOf(was: string[], ours: string[], others: string[], path: Path): string[] {
    const shared = (list: string[]) => list.filter((id) => ours.includes(id) && others.includes(id) && was.includes(id)).join();
    const [w, o, t] = [shared(was), shared(ours), shared(others)];
    if (o !== t && o !== w && t !== w) {
      overlaps.push({ path: [...path, orderKey], mine: ours, theirs: others });
    }
    const [lead, other] = o === w && t !== w ? [others, ours] : [ours, others];
    return withAdded(lead, other);
  }
}

/** Ends the path of an overlap in the order of a list. */
export const orderKey = '(order)';

/** A list with what only another has, each behind the one that it stands behind there. */
function withAdded(lead: string[], other: string[]): string[] {
  const order = [...lead];
  other.forEach((id, i) => {
    if (!order.includes(id)) {
      const behind = other.slice(0, i).findLast((before) => order.includes(before));
      order.splice(behind === undefined ? 0 : order.indexOf(behind) + 1, 0, id);
    }
  });
  return order;
}

/** The same content with one overlap as somebody else has it. */
export function withTheirs<D>(content: Content<D>, { path, theirs }: Overlap): Content<D> {
  return put(content, path) as Content<D>;

  function put(value: unknown, at: Path): unknown {
    const [key, ...rest] = at;
    if (key === undefined) {
      return theirs;
    }
    if (Array.isArray(value)) {
      const list = value as { id: string }[];
      if (key === orderKey) {
        const order = withAdded(
          theirs as string[],
          list.map((entry) => entry.id),
        );
        return order.flatMap((id) => list.filter((entry) => entry.id === id));
      }
      const changed = list.flatMap((entry) => (entry.id === key ? (put(entry, rest) ?? []) : [entry])) as unknown[];
      return list.some((entry) => entry.id === key) || theirs === undefined ? changed : [...changed, put(undefined, rest)];
    }
    const thing = isThing(value) ? value : {};
    const changed = Object.entries({ ...thing, [key]: put(thing[key], rest) });
    return Object.fromEntries(changed.filter(([, v]) => v !== undefined));
  }
}
