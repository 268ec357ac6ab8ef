import type { GearItem } from '../core/core';
import { money, weight } from '../ui/figureText';
import { counted, plain, withUnit } from '../ui/format';

/** Reading what is known of a thing; undefined for what is not. */
export const number = (item: GearItem, field: string): number | undefined => (typeof item[field] === 'number' ? item[field] : undefined);
export const text = (item: GearItem, field: string): string => (typeof item[field] === 'string' ? item[field] : '');
export const list = <T>(item: GearItem, field: string): T[] => (Array.isArray(item[field]) ? (item[field] as T[]) : []);

export const fullName = (item: GearItem): string => (text(item, 'maker') ? `${text(item, 'maker')} ${item.name}` : item.name);

/** A recording mode, as a camera holds it. */
export interface Mode {
  name: string;
  areaWidthMm: number;
  areaHeightMm: number;
  widthPx?: number;
  heightPx?: number;
  fps?: number[];
  [field: string]: unknown;
}
export const modesOf = (item: GearItem): Mode[] => list<Mode>(item, 'modes');

/** What is not known is said, never left to be taken for nothing. */
const unknown = 'not known';
export const weightOf = (item: GearItem): string => {
  const grams = number(item, 'weightG');
  return grams === undefined ? unknown : weight(grams);
};

/** What a thing costs: to buy, or a day where it is hired. */
export const priceOf = (item: GearItem): string => {
  const hired = item.ownership === 'hire';
  const value = number(item, hired ? 'hirePerDay' : 'purchasePrice');
  return value === undefined ? unknown : hired ? `${money(value)}/day` : money(value);
};

/** A sum with what is not in it. */
export const sum = (known: number, missing: number, said: (value: number) => string): string =>
  missing === 0 ? said(known) : known === 0 ? `${unknown} (${missing})` : `at least ${said(known)}, ${missing} not known`;

const mm = (value: number) => withUnit(plain(value), 'mm');
const both = (from: number | undefined, to: number | undefined) =>
  from === undefined ? '' : to === undefined || to === from ? plain(from) : `${plain(from)}–${plain(to)}`;

/** The f-number or T-number at the widest, as marked. */
export function widest(item: GearItem): string {
  const along = list<[number, number]>(item, 'widestAlong');
  const from = number(item, 'widestF') ?? along[0]?.[1];
  const to = number(item, 'widestLongF') ?? along.at(-1)?.[1];
  return from === undefined ? '' : `ƒ${both(from, to)}`;
}

const ownerships: Record<string, string> = { own: 'ours', borrow: 'to borrow', hire: 'to hire' };

/** Where a thing comes from: “ours · shed unit”. */
export function held(item: GearItem): string {
  const from = text(item, 'from');
  return `${ownerships[text(item, 'ownership') || 'own']}${from ? ` · ${from}` : ''}`;
}

type Facts = (item: GearItem) => (string | false | undefined)[];

/** What tells a thing of each kind from others, in a few words. */
const facts: Record<string, Facts> = {
  mount: (i) => [
    number(i, 'flangeMm') !== undefined && `flange ${mm(number(i, 'flangeMm')!)}`,
    list<string>(i, 'takes').length > 0 && `also takes ${list<string>(i, 'takes').join(', ')}`,
  ],
  body: (i) => [list<string>(i, 'mounts').join(' or '), sensor(i), counted(modesOf(i).length, 'mode'), stops(i, 'bodyStabilisationStops')],
  fixedLensCamera: (i) => [
    sensor(i),
    `${both(number(i, 'focalShortMm'), number(i, 'focalLongMm'))} mm ${widest(i)}`,
    counted(modesOf(i).length, 'mode'),
  ],
  lens: (i) => [
    text(i, 'mount'),
    text(i, 'madeFor'),
    i.frontBulges === true ? 'no filters' : thread(i, 'filterThreadMm'),
    stops(i, 'lensStabilisationStops'),
  ],
  adapter: (i) => [`${text(i, 'lensMount')} onto ${text(i, 'bodyMount')}`, role(i)],
  attachment: (i) => [
    `${plain(number(i, 'squeezeRatio') ?? 1)}× squeeze`,
    thread(i, 'threadMm'),
    i.needsSupport === true && 'needs support',
  ],
  closeUpLens: (i) => [`+${plain(number(i, 'dioptres') ?? 0)} dpt`, thread(i, 'threadMm')],
  filter: (i) => [number(i, 'stops') !== undefined && `${both(number(i, 'stops'), number(i, 'stopsMost'))} stops`, thread(i, 'threadMm')],
  stepRing: (i) => [`${plain(number(i, 'threadMm') ?? 0)} to ${plain(number(i, 'frontThreadMm') ?? 0)} mm`],
  support: (i) => [text(i, 'type'), number(i, 'payloadG') !== undefined && `carries ${weight(number(i, 'payloadG')!)}`],
  bagItem: (i) => [
    number(i, 'energyWh') !== undefined && withUnit(plain(number(i, 'energyWh')!), 'Wh'),
    number(i, 'storageGb') !== undefined && withUnit(plain(number(i, 'storageGb')!), 'GB'),
  ],
};

/** What tells a thing from others of its kind, in one line. */
export const factsOf = (item: GearItem): string => (facts[item.kind]?.(item) ?? []).filter(Boolean).join(' · ');

const thread = (item: GearItem, field: string) => number(item, field) !== undefined && `${mm(number(item, field)!)} thread`;
const stops = (item: GearItem, field: string) => (number(item, field) ?? 0) > 0 && `steady ${plain(number(item, field)!)} stops`;
const sensor = (item: GearItem) => {
  const [w, h] = [number(item, 'sensorWidthMm'), number(item, 'sensorHeightMm')];
  return w !== undefined && h !== undefined && `${plain(w)} × ${plain(h)} mm`;
};

function role(item: GearItem): string {
  const k = number(item, 'magnification') ?? 1;
  const tube = number(item, 'extensionMm') ?? 0;
  return k < 1 ? `reducer ${plain(k)}×` : k > 1 ? `extender ${plain(k)}×` : tube > 0 ? `tube ${mm(tube)}` : 'plain';
}
