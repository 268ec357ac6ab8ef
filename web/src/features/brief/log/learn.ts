import type { ProductionDocument } from '../../../api/client';
import { type GearItem } from '../../../core/core';
import { bagsOf, linesOf } from '../../../gear/bags';
import { useGear } from '../../../gear/fitting';
import { fullName } from '../../../gear/gear';
import { shotsOf } from '../productionStore';
import { reasons, type Take } from './takes';

/** How often something was used, and how often well. */
export interface Use {
  key: string;
  name: string;
  count: number;
  good: number;
}

/** How often each key was used, the most used first. */
export function uses(takes: Take[], of: (take: Take) => { key: string; name: string } | null): Use[] {
  const found = new Map<string, Use>();
  for (const take of takes) {
    const what = of(take);
    if (!what) continue;
    const use = found.get(what.key) ?? { ...what, count: 0, good: 0 };
    found.set(what.key, { ...use, count: use.count + 1, good: use.good + (take.mark === 'good' ? 1 : 0) });
  }
  return [...found.values()].sort((a, b) => b.count - a.count || a.name.localeCompare(b.name));
}

/** What a lens is called: as on the shelf, or as the take says where it is gone. */
export function lensOf(take: Take): { key: string; name: string } | null {
  if (!take.rig) return null;
  const item = useGear.getState().items.get(take.rig.lens);
  return { key: take.rig.lens, name: item ? fullName(item) : take.rig.name || 'a lens that is gone' };
}

/** A bar of a distribution: from one value to the next. */
export interface Bin {
  from: number;
  to: number;
  count: number;
  good: number;
}

/** How values lie between edges; each value in the bin that it is in, those beyond in the outermost. */
export function distribution(values: { value: number; isGood: boolean }[], edges: number[]): Bin[] {
  const bins = edges.slice(0, -1).map((from, i) => ({ from, to: edges[i + 1]!, count: 0, good: 0 }));
  for (const { value, isGood } of values) {
    const at = bins.findIndex((bin) => value < bin.to);
    const bin = bins[at < 0 ? bins.length - 1 : at]!;
    bin.count += 1;
    if (isGood) bin.good += 1;
  }
  return bins;
}

/** Those of some marks, in their order, whose words do not run into each other; each is told by where its middle is and how wide it is. */
export function apart(marks: number[], of: (mark: number) => [middlePx: number, widthPx: number]): number[] {
  let end = -Infinity;
  return marks.filter((mark) => {
    const [middle, width] = of(mark);
    if (middle - width / 2 < end + 4) return false;
    end = middle + width / 2;
    return true;
  });
}

/** Something that was carried and not used. */
export interface DeadWeight {
  id: string;
  name: string;
  /** The bags that it was in. */
  bags: string[];
  /** Its weight times the days that it was carried; null where it was never weighed. */
  kilogramDays: number | null;
}

const daysOf = (first: string, last: string): number => {
  const days = (Date.parse(last || first) - Date.parse(first)) / 86_400_000 + 1;
  return Number.isFinite(days) && days >= 1 ? Math.round(days) : 1;
};

/** Cameras and glass of the bags of a production that none of its takes used. */
export function deadWeight(document: ProductionDocument, takes: Take[], items: Map<string, GearItem>): DeadWeight[] {
  const used = new Set(takes.flatMap(({ rig }) => (rig ? [rig.body, rig.lens, ...(rig.links ?? []), ...(rig.front ?? [])] : [])));
  const kinds = ['body', 'lens', 'fixedLensCamera', 'adapter', 'attachment'];
  return bagsOf(document).flatMap((bag) =>
    linesOf(bag).flatMap((line) => {
      const item = items.get(line.id);
      if (!item || used.has(line.id) || !kinds.includes(item.kind)) return [];
      const each = item['testedWeightG'] ?? item['weightG'];
      const days = daysOf(bag.firstDay ?? '', bag.lastDay ?? '');
      return [
        {
          id: line.id,
          name: fullName(item),
          bags: [bag.name],
          kilogramDays: typeof each === 'number' ? (each / 1000) * (line.count ?? 1) * days : null,
        },
      ];
    }),
  );
}

/** Each thing once, the heaviest for the longest first; what is not weighed last. */
export function together(dead: DeadWeight[]): DeadWeight[] {
  const things = new Map<string, DeadWeight>();
  for (const thing of dead) {
    const before = things.get(thing.id);
    const sum = [before?.kilogramDays, thing.kilogramDays].filter((one) => one != null);
    things.set(thing.id, {
      ...thing,
      bags: [...(before?.bags ?? []), ...thing.bags],
      kilogramDays: sum.length > 0 ? sum.reduce((a, b) => a + b) : null,
    });
  }
  return [...things.values()].sort((a, b) => (b.kilogramDays ?? -1) - (a.kilogramDays ?? -1));
}

/** What a bag did. */
export interface Earned {
  id: string;
  name: string;
  takes: number;
  good: number;
  /** For its days; null where a price is not known. */
  hire: number | null;
}

/** What each bag did: how many takes rest on what is in it, and what it costs a take. */
export function earned(document: ProductionDocument, takes: Take[], items: Map<string, GearItem>): Earned[] {
  return bagsOf(document).map((bag) => {
    const inside = new Set(linesOf(bag).map((line) => line.id));
    const of = takes.filter(({ rig }) => rig && inside.has(rig.body) && inside.has(rig.lens));
    const days = daysOf(bag.firstDay ?? '', bag.lastDay ?? '');
    const hires = linesOf(bag).map((line) => {
      const item = items.get(line.id);
      return item?.['ownership'] === 'hire'
        ? typeof item['hirePerDay'] === 'number'
          ? item['hirePerDay'] * (line.count ?? 1) * days
          : null
        : 0;
    });
    return {
      id: bag.id,
      name: bag.name,
      takes: of.length,
      good: of.filter((take) => take.mark === 'good').length,
      hire: hires.includes(null) ? null : hires.reduce<number>((sum, price) => sum + (price ?? 0), 0),
    };
  });
}

/** At which equivalent focal length a shot is wanted, mm. */
export interface WantedAt {
  mm: number;
  /** Where no rig is chosen: there is no room for anything longer. */
  isMost: boolean;
}

/** A shot that was wanted and not had. */
export interface Missed {
  id: string;
  name: string;
  /** Null where that is not known. */
  wanted: WantedAt | null;
  takes: number;
  reasons: NonNullable<Take['reasons']>;
}

/** Shots that were wanted and not had: without a good take, and why where somebody said. */
export function holes(document: ProductionDocument, takes: Take[], wanted: (shotId: string) => WantedAt | undefined): Missed[] {
  return shotsOf(document).flatMap((shot) => {
    const of = takes.filter((take) => take.shotId === shot.id);
    return of.some((take) => take.mark === 'good')
      ? []
      : [
          {
            id: shot.id,
            name: shot.name,
            wanted: wanted(shot.id) ?? null,
            takes: of.length,
            reasons: [...new Set(of.flatMap((take) => take.reasons ?? []))],
          },
        ];
  });
}

/** All that takes tell, for a table. */
export interface Learnt {
  lenses: Use[];
  /** By equivalent (mm), ƒ-number and distance (mm). */
  equivalents: Bin[];
  apertures: Bin[];
  distances: Bin[];
  dead: DeadWeight[];
  missed: Missed[];
  bags: Earned[];
}

const rounded = (value: number): string => `${Number(value.toPrecision(6))}`;

/** What takes tell as one table: a row for each lens, each bar, each thing that was carried, each shot that was missed and each bag. */
export function learntTable({ lenses, equivalents, apertures, distances, dead, missed, bags }: Learnt): string[][] {
  const bars = (what: string, bins: Bin[]) =>
    bins
      .filter((bin) => bin.count > 0)
      .map(({ from, to, count, good }) => [what, '', rounded(from), rounded(to), `${count}`, `${good}`, '', '', '']);
  return [
    ['What', 'Name', 'From', 'To', 'Takes', 'Good', 'Kilogram-days', 'Hire', 'Note'],
    ...lenses.map(({ name, count, good }) => ['Lens', name, '', '', `${count}`, `${good}`, '', '', '']),
    ...bars('Equivalent (mm)', equivalents),
    ...bars('Aperture (ƒ)', apertures),
    ...bars('Distance (mm)', distances),
    ...dead.map(({ name, bags: of, kilogramDays }) => [
      'Carried and not used',
      name,
      '',
      '',
      '',
      '',
      kilogramDays === null ? '' : rounded(kilogramDays),
      '',
      of.join('; '),
    ]),
    ...missed.map(({ name, wanted, takes, reasons: why }) => {
      const mm = wanted === null ? '' : rounded(wanted.mm);
      return ['Wanted and not had', name, wanted?.isMost ? '' : mm, mm, `${takes}`, '0', '', '', why.map((one) => reasons[one]).join('; ')];
    }),
    ...bags.map(({ name, takes, good, hire }) => ['Bag', name, '', '', `${takes}`, `${good}`, '', hire === null ? '' : rounded(hire), '']),
  ];
}
