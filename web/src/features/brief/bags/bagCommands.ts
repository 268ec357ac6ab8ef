import type { ProductionDocument } from '../../../api/client';
import { bagsOf, linesOf, newBag, withCount, withThings, type Bag, type BagLine } from '../../../gear/bags';
import { useProduction } from '../productionStore';

const change = (what: string, recipe: (document: ProductionDocument) => ProductionDocument): void =>
  useProduction.getState().change(what, (c) => ({ ...c, document: recipe(c.document) }));

const once = (what: string) => `${what}${performance.now()}`;

/** Changes a bag; changes of one thing that follow each other are one step back. */
export const changeBag = (id: string, what: string, recipe: (bag: Bag) => Bag): void =>
  change(`bag:${id}:${what}`, (d) => ({ ...d, bags: bagsOf(d).map((bag) => (bag.id === id ? recipe(bag) : bag)) }));

export const setBag = (id: string, part: Partial<Bag>): void => changeBag(id, Object.keys(part).join(), (bag) => ({ ...bag, ...part }));

export const setCount = (id: string, thing: string, count: number): void =>
  changeBag(id, `count:${thing}`, (bag) => withCount(bag, thing, Math.min(999, Math.max(0, Math.round(count)))));

export const addThings = (id: string, things: string[]): void => changeBag(id, once('add'), (bag) => withThings(bag, things));

export const setLine = (id: string, thing: string, part: Partial<BagLine>): void =>
  changeBag(id, `line:${thing}:${Object.keys(part).join()}`, (bag) => ({
    ...bag,
    lines: linesOf(bag).map((line) => (line.id === thing ? { ...line, ...part } : line)),
  }));

/** Makes a bag, and says which it is. */
export function addBag(name: string, part: Partial<Bag> = {}): string {
  const bag = newBag(bagsOf(useProduction.getState().document), name, part);
  change(once('bag'), (d) => ({ ...d, bags: [...bagsOf(d), bag] }));
  return bag.id;
}

/** Makes a bag of some things, and of so many of others; proposals may choose from it at once. */
export function packAs(name: string, things: string[], isChosen = false, more: { item: string; count: number }[] = []): string {
  const bag = more.reduce(
    (packed, { item, count }) => withCount(packed, item, count),
    withThings(newBag(bagsOf(useProduction.getState().document), name.slice(0, 70)), things),
  );
  change(once('bag'), (d) => ({ ...d, bags: [...bagsOf(d), bag], ...(isChosen && { chooseFrom: bag.id }) }));
  return bag.id;
}

/** Adds bags that came in a file. */
export const addBags = (bags: Bag[]): void => change(once('bags'), (d) => ({ ...d, bags: [...bagsOf(d), ...bags] }));

/** Makes another bag like one, not packed yet. */
export function duplicateBag(bag: Bag): string {
  return addBag(`${bag.name}, another`.slice(0, 70), {
    ...bag,
    lines: linesOf(bag).map((line) => ({ ...line, units: [], out: 0, back: 0 })),
  });
}

export const removeBag = (id: string): void =>
  change(once('remove'), (d) => ({
    ...d,
    bags: bagsOf(d).filter((bag) => bag.id !== id),
    ...(d.chooseFrom === id && { chooseFrom: null }),
  }));

export const chooseFrom = (id: string | null): void => change('chooseFrom', (d) => ({ ...d, chooseFrom: id }));

/** Changes the bag that proposals choose from. */
export const changeChosen = (recipe: (bag: Bag) => Bag): void => {
  const { chooseFrom: id } = useProduction.getState().document;
  if (id) {
    changeBag(id, once('chosen'), recipe);
  }
};
