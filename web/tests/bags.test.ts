import { expect, test } from 'vitest';
import { bothDays, differencesFirst, freeName, withCount, withOnly, withThings, type Bag } from '../src/gear/bags';
import { bookingsFor, daysBetween, later, ordersOf, type Span } from '../src/features/brief/bags/bookingModel';
import { money, sumText } from '../src/features/brief/bags/bagWords';
import type { Booking, GearUnit } from '../src/gear/units';
import type { GearItem } from '../src/core/core';

const bag = (id: string, ...lines: NonNullable<Bag['lines']>): Bag => ({ id, name: id, lines });
const unit = (id: string, gearId: string, part: Partial<GearUnit> = {}): GearUnit => ({
  id,
  gearId,
  label: id,
  owner: '',
  place: '',
  condition: 'good',
  conditionNote: '',
  revision: 1,
  ...part,
});
const booking = (id: string, unitId: string, part: Partial<Booking> = {}): Booking => ({
  id,
  unitId,
  gearId: unitId.slice(0, 1),
  productionId: 'p',
  bagId: null,
  crewUnit: 'River unit',
  from: '2027-05-01T08:00',
  to: '2027-05-02T18:00',
  pickUp: '2027-05-01T06:00',
  return: '2027-05-02T19:00',
  pickUpAt: '',
  returnAt: '',
  beforeMinutes: 120,
  afterMinutes: 60,
  daysCharged: 2,
  daysGiven: false,
  note: '',
  by: '',
  ...part,
});
const span: Span = { crewUnit: 'Shed unit', from: '2027-05-01T09:00', to: '2027-05-01T18:00', beforeMinutes: 0, afterMinutes: 30 };

test('a count keeps what is known of a line, and never more units or ticks than there are things', () => {
  const before = bag('a', { id: 'x', count: 4, units: ['1', '2', '3'], out: 3, back: 2, note: 'why' });
  expect(withCount(before, 'x', 2).lines).toEqual([{ id: 'x', count: 2, units: ['1', '2'], out: 2, back: 2, note: 'why' }]);
  expect(withCount(before, 'x', 0).lines).toEqual([]);
  expect(withCount(before, 'y', 1).lines?.at(-1)).toEqual({ id: 'y', count: 1 });
});

test('things are added once, and a bag of just some keeps what it knows of them', () => {
  const before = bag('a', { id: 'x', count: 3 }, { id: 'y', count: 2 });
  expect(withThings(before, ['x', 'z', 'z']).lines).toEqual([
    { id: 'x', count: 3 },
    { id: 'y', count: 2 },
    { id: 'z', count: 1 },
  ]);
  expect(withOnly(before, ['y', 'z']).lines).toEqual([
    { id: 'y', count: 2 },
    { id: 'z', count: 1 },
  ]);
});

test('what bags differ in comes first, also where only the count differs', () => {
  const bags = [
    bag('a', { id: 'same' }, { id: 'more', count: 2 }, { id: 'only' }),
    bag('b', { id: 'same', count: 1 }, { id: 'more', count: 3 }),
  ];
  expect(differencesFirst(bags, (id) => ['same', 'only', 'more'].indexOf(id))).toEqual([
    { id: 'only', differs: true },
    { id: 'more', differs: true },
    { id: 'same', differs: false },
  ]);
});

test('a name is free', () => {
  expect(freeName([bag('Bag'), bag('Bag 2')], 'Bag')).toBe('Bag 3');
  expect(freeName([], 'Bag')).toBe('Bag');
});

test('a bag has both days or none, in order', () => {
  expect(bothDays('2027-05-02', '', true)).toEqual({ firstDay: '2027-05-02', lastDay: '2027-05-02' });
  expect(bothDays('2027-05-09', '2027-05-03', true)).toEqual({ firstDay: '2027-05-09', lastDay: '2027-05-09' });
  expect(bothDays('2027-05-09', '2027-05-03', false)).toEqual({ firstDay: '2027-05-03', lastDay: '2027-05-03' });
  expect(bothDays('', '2027-05-03', true)).toEqual({ firstDay: '', lastDay: '' });
});

test('what is not known is said, and is not nothing', () => {
  const text = money('kr');
  expect(sumText({ known: 12345, unknown: 0 }, text)).toBe('kr 12 345');
  expect(sumText({ known: 12, unknown: 3 }, text)).toBe('kr 12 and 3 not known');
  expect(sumText({ known: 0, unknown: 3 }, text)).toBe('not known of 3');
  expect(sumText({ known: 0, unknown: 0 }, text)).toBe('kr 0');
});

test('a bag books the units that are named, then those that are free, and never a damaged one', () => {
  const units = [unit('x1', 'x'), unit('x2', 'x'), unit('x3', 'x'), unit('x4', 'x', { condition: 'damaged' })];
  const held = [booking('h', 'x1')];
  const asked = (line: NonNullable<Bag['lines']>[number]) => bookingsFor(bag('a', line), 'p', span, units, held);
  expect(asked({ id: 'x' }).book.map((b) => b.unitId)).toEqual(['x2']);
  expect(asked({ id: 'x', count: 2, units: ['x3'] }).book.map((b) => b.unitId)).toEqual(['x3', 'x2']);
  // One that somebody has is asked for where nothing else is there: the server says who has it.
  expect(asked({ id: 'x', count: 3 }).book.map((b) => b.unitId)).toEqual(['x2', 'x3', 'x1']);
  expect(asked({ id: 'x', count: 4 }).short).toEqual(['x']);
  expect(asked({ id: 'x' }).book[0]).toMatchObject({ productionId: 'p', bagId: 'a', ...span });
});

test('booking anew moves what is booked, keeps the days that were agreed, and lets go of what is no longer packed', () => {
  const units = [unit('x1', 'x'), unit('y1', 'y')];
  const mine = [booking('bx', 'x1', { bagId: 'a', daysGiven: true, daysCharged: 1, note: 'by van' }), booking('by', 'y1', { bagId: 'a' })];
  const { book, cancel } = bookingsFor(bag('a', { id: 'x' }), 'p', span, units, mine);
  expect(book).toMatchObject([{ id: 'bx', unitId: 'x1', daysCharged: 1, note: 'by van' }]);
  expect(cancel).toEqual(['by']);
});

test('orders are by house, with what is not known counted apart', () => {
  const items = new Map(
    [
      { kind: 'lens', id: 'x', name: 'x', ownership: 'hire', from: 'quay', hirePerDay: 50 },
      { kind: 'lens', id: 'y', name: 'y', ownership: 'hire', from: 'quay' },
      { kind: 'lens', id: 'z', name: 'z', ownership: 'own' },
    ].map((item): [string, GearItem] => [item.id, item]),
  );
  const orders = ordersOf([booking('1', 'x1'), booking('2', 'y1'), booking('3', 'z1')], items);
  expect(orders).toMatchObject([{ house: 'quay', known: 100, unknown: 1, lines: [{ cost: 100 }, { cost: null }] }]);
});

test('days and times go over the end of a month', () => {
  expect(daysBetween('2027-02-27', '2027-03-01')).toEqual(['2027-02-27', '2027-02-28', '2027-03-01']);
  expect(later('2027-03-01T00:30', -60)).toBe('2027-02-28T23:30');
  expect(later('', 60)).toBe('');
});
