import type { components } from '../api/schema';
import type { ProductionDocument } from '../api/client';
import { newId } from '../documents/unique';

type Schemas = components['schemas'];
export type Bag = Schemas['BagInput'];
export type BagLine = Schemas['BagLineInput'];

export const bagsOf = (document: ProductionDocument): Bag[] => document.bags ?? [];

export const linesOf = (bag: Bag): BagLine[] => bag.lines ?? [];

export const countOf = (bag: Bag, id: string): number =>
  linesOf(bag).find((line) => line.id === id)?.count ?? (linesOf(bag).some((line) => line.id === id) ? 1 : 0);

/** The bag whose gear proposals choose from; undefined for the whole shelf. */
export const chosenBag = (document: ProductionDocument): Bag | undefined => bagsOf(document).find((bag) => bag.id === document.chooseFrom);

/** The gear that proposals choose from, by identity; null for the whole shelf. */
export function chosenGear(document: ProductionDocument): string[] | null {
  const bag = chosenBag(document);
  return bag ? linesOf(bag).map((line) => line.id) : null;
}

/** A bag with so many of a thing; none takes it out. */
export function withCount(bag: Bag, id: string, count: number): Bag {
  const lines = linesOf(bag);
  if (count <= 0) {
    return { ...bag, lines: lines.filter((line) => line.id !== id) };
  }
  const fitted = (line: BagLine): BagLine => ({
    ...line,
    count,
    units: (line.units ?? []).slice(0, count),
    out: Math.min(line.out ?? 0, count),
    back: Math.min(line.back ?? 0, count),
  });
  return {
    ...bag,
    lines: lines.some((line) => line.id === id) ? lines.map((line) => (line.id === id ? fitted(line) : line)) : [...lines, { id, count }],
  };
}

/** A bag with these things at least once each. */
export const withThings = (bag: Bag, ids: string[]): Bag =>
  [...new Set(ids)].reduce((all, id) => (countOf(all, id) > 0 ? all : withCount(all, id, 1)), bag);

/** A bag with just these things; what is known of those that stay is kept. */
export function withOnly(bag: Bag, ids: string[]): Bag {
  const kept = new Set(ids);
  return withThings({ ...bag, lines: linesOf(bag).filter((line) => kept.has(line.id)) }, ids);
}

/** A name that no other bag has. */
export function freeName(bags: Bag[], name: string): string {
  const taken = new Set(bags.map((bag) => bag.name));
  let free = name;
  for (let i = 2; taken.has(free); i++) {
    free = `${name} ${i}`;
  }
  return free;
}

export const newBag = (bags: Bag[], name: string, part: Partial<Bag> = {}): Bag => ({ ...part, id: newId(), name: freeName(bags, name) });

/** Things of several bags: those that not all have as often first, else in the order that is given. */
export function differencesFirst(bags: Bag[], order: (id: string) => number): { id: string; differs: boolean }[] {
  const ids = [...new Set(bags.flatMap((bag) => linesOf(bag).map((line) => line.id)))];
  return ids
    .map((id) => ({ id, differs: bags.some((bag) => countOf(bag, id) !== countOf(bags[0]!, id)) }))
    .sort((a, b) => Number(b.differs) - Number(a.differs) || order(a.id) - order(b.id));
}

/** Both days, or none: the other follows where it must. */
export function bothDays(first: string, last: string, firstChanged: boolean): Pick<Bag, 'firstDay' | 'lastDay'> {
  if (firstChanged ? first === '' : last === '') {
    return { firstDay: '', lastDay: '' };
  }
  const begins = first === '' ? last : first;
  const ends = last === '' ? first : last;
  return begins <= ends
    ? { firstDay: begins, lastDay: ends }
    : firstChanged
      ? { firstDay: begins, lastDay: begins }
      : { firstDay: ends, lastDay: ends };
}
