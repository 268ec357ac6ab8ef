import type { GearItem } from '../../../core/core';
import { newId } from '../../../documents/unique';
import { linesOf, type Bag } from '../../../gear/bags';
import { isUsable, type Booking, type BookingInput, type GearUnit } from '../../../gear/units';

/** When somebody wants what is in a bag. Times are of the crew's clock, such as 2027-05-01T07:30. */
export interface Span {
  crewUnit: string;
  from: string;
  to: string;
  beforeMinutes: number;
  afterMinutes: number;
}

/** A clock time so many minutes on, as a clock without changes tells it: near enough to see what is free; the server knows the rest. */
export function later(time: string, minutes: number): string {
  const at = new Date(`${time}:00Z`);
  return time === '' || Number.isNaN(at.getTime()) ? time : new Date(at.getTime() + minutes * 60_000).toISOString().slice(0, 16);
}

const overlaps = (booking: Booking, from: string, to: string) => booking.pickUp < to && from < booking.return;

/**
 * The bookings of what is in a bag: for each line the units that are named, then those that are free, then any. What the bag has booked already
 * is moved rather than booked again.
 */
export function bookingsFor(
  bag: Bag,
  productionId: string,
  span: Span,
  units: GearUnit[],
  bookings: Booking[],
): { book: BookingInput[]; cancel: string[]; short: string[] } {
  const [from, to] = [later(span.from, -span.beforeMinutes), later(span.to, span.afterMinutes)];
  const mine = bookings.filter((b) => b.bagId === bag.id);
  const others = bookings.filter((b) => b.bagId !== bag.id);
  const isFree = (unit: GearUnit) => !others.some((b) => b.unitId === unit.id && overlaps(b, from, to));
  const kept = new Set<string>();
  const short: string[] = [];
  const book = linesOf(bag).flatMap((line) => {
    const all = units.filter((u) => u.gearId === line.id && isUsable(u));
    const had = mine.filter((b) => b.gearId === line.id).map((b) => b.unitId);
    const rank = (unit: GearUnit) =>
      (line.units ?? []).includes(unit.id) ? 0 : had.includes(unit.id) && isFree(unit) ? 1 : isFree(unit) ? 2 : 3;
    const chosen = [...all].sort((a, b) => rank(a) - rank(b)).slice(0, line.count ?? 1);
    if (chosen.length < (line.count ?? 1)) {
      short.push(line.id);
    }
    return chosen.map((unit): BookingInput => {
      const before = mine.find((b) => b.unitId === unit.id && !kept.has(b.id));
      const id = before?.id ?? newId();
      kept.add(id);
      return {
        id,
        unitId: unit.id,
        productionId,
        bagId: bag.id,
        ...span,
        daysCharged: before?.daysGiven ? before.daysCharged : null,
        note: before?.note ?? '',
      };
    });
  });
  return { book, cancel: mine.filter((b) => !kept.has(b.id)).map((b) => b.id), short };
}

export interface Order {
  house: string;
  lines: { booking: Booking; item: GearItem; hirePerDay: number | null; cost: number | null }[];
  known: number;
  unknown: number;
}

/** What is hired, house by house: when it is picked up and returned, for how many days it is charged, and what that costs. */
export function ordersOf(bookings: Booking[], items: ReadonlyMap<string, GearItem>): Order[] {
  const houses = new Map<string, Order>();
  for (const booking of bookings) {
    const item = items.get(booking.gearId);
    if (item?.['ownership'] !== 'hire') {
      continue;
    }
    const house = (item['from'] as string | undefined) ?? '';
    const order = houses.get(house) ?? { house, lines: [], known: 0, unknown: 0 };
    const hirePerDay = typeof item['hirePerDay'] === 'number' ? item['hirePerDay'] : null;
    const cost = hirePerDay === null ? null : hirePerDay * booking.daysCharged;
    order.lines.push({ booking, item, hirePerDay, cost });
    order.known += cost ?? 0;
    order.unknown += cost === null ? 1 : 0;
    houses.set(house, order);
  }
  return [...houses.values()].sort((a, b) => a.house.localeCompare(b.house, 'en'));
}

/** The days from one to another, both of them, such as 2027-05-01. */
export function daysBetween(first: string, last: string): string[] {
  const days: string[] = [];
  for (let at = Date.parse(`${first}T00:00Z`); at <= Date.parse(`${last}T00:00Z`) && days.length < 400; at += 86_400_000) {
    days.push(new Date(at).toISOString().slice(0, 10));
  }
  return days;
}

/** A time of the clock as a person reads it. */
export const spoken = (time: string): string => time.replace('T', ' ');
