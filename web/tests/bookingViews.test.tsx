import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Booking, BookingInput } from '../src/gear/units';
import { draw, leave, press, settled, type, wide } from './drawn';

const answers = vi.hoisted(() => ({ GET: vi.fn(), PUT: vi.fn(), POST: vi.fn() }));
vi.mock('../src/api/client', async (original) => ({ ...(await original<object>()), api: answers }));
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/core/searches', async () => {
  const { create } = await import('zustand');
  return { searches: () => asked, useProgress: create(() => ({})) };
});
const asked = vi.hoisted(() => ({ fit: vi.fn(), listen: vi.fn() }));

const { useGear } = await import('../src/gear/fitting');
const { useUnits } = await import('../src/gear/units');
const { useProduction } = await import('../src/features/brief/productionStore');
const { useBagAnswers } = await import('../src/features/brief/bags/bagAnswers');
const { BookingsView } = await import('../src/features/brief/bags/BookingsView');
const { PackView } = await import('../src/features/brief/bags/PackView');

// Browsers have it; the Node that runs these tests may not.
(Map as { groupBy?: unknown }).groupBy ??= <T, K>(all: Iterable<T>, keyOf: (one: T) => K) => {
  const groups = new Map<K, T[]>();
  for (const one of all) groups.set(keyOf(one), [...(groups.get(keyOf(one)) ?? []), one]);
  return groups;
};

const unit = (id: string, gearId: string, part = {}) => ({
  id,
  gearId,
  label: id,
  owner: '',
  place: '',
  condition: 'good' as const,
  conditionNote: '',
  revision: 1,
  ...part,
});
const booking = {
  id: 'b',
  unitId: 'skiff 1',
  gearId: 'skiff',
  productionId: 'p',
  bagId: 'bag',
  crewUnit: 'Shed unit',
  from: '2027-04-01T07:00',
  to: '2027-04-02T19:00',
  pickUp: '2027-04-01T06:00',
  return: '2027-04-02T20:00',
  beforeMinutes: 60,
  afterMinutes: 60,
  daysCharged: 2,
  daysGiven: false,
  note: '',
  by: 'Mo',
} as Booking;
const bag = {
  id: 'bag',
  name: 'Light',
  unit: 'Shed unit',
  firstDay: '2027-04-01',
  lastDay: '2027-04-02',
  lines: [
    { id: 'skiff', count: 1 },
    { id: 'cell', count: 3, out: 2 },
  ],
};
const page = () => document.body.textContent.replaceAll('\u2009', ' ');
const button = (name: RegExp) => [...document.querySelectorAll('button')].find((b) => name.test(b.textContent))!;
let stored: Booking[] = [];

beforeEach(() => {
  wide(900);
  stored = [booking];
  Object.values(answers).forEach((answer) => answer.mockReset());
  answers.GET.mockImplementation((path: string) =>
    Promise.resolve({
      data:
        path === '/api/bookings'
          ? stored
          : path === '/api/units'
            ? useUnits.getState().units
            : path === '/api/crew/terms/zones'
              ? ['Etc/UTC']
              : { currency: '€', taxPercent: 0, marginPercent: 0, timeZone: 'Etc/UTC' },
      response: { status: 200 },
    }),
  );
  useUnits.setState({
    state: 'ready',
    say: '',
    units: [unit('skiff 1', 'skiff'), unit('skiff 2', 'skiff'), unit('cell 1', 'cell')],
    bookings: stored,
    cancelled: [],
  });
  useGear.setState({
    state: 'ready',
    version: 1,
    items: new Map([
      ['skiff', { id: 'skiff', kind: 'body', name: 'Skiff' }],
      ['cell', { id: 'cell', kind: 'bagItem', name: 'Cell' }],
      ['punt', { id: 'punt', kind: 'body', name: 'Punt' }],
    ]),
  });
  useProduction.setState({
    id: 'p',
    document: {
      schemaVersion: 4,
      units: ['Shed unit'],
      locations: [{ id: 'l', name: 'Loft' }],
      shots: [{ id: 's', name: 'Hands', locationId: 'l', subject: { kind: 'standing', heightMm: 1650 } }],
      bags: [bag],
    } as never,
  });
  useBagAnswers.setState({ days: {} });
});

test('a booking is picked in the calendar, cancelled, and booked again as it was', async () => {
  draw(<BookingsView marked={() => 0} />);
  press(document.querySelector('[aria-label^="Skiff (skiff 1): Shed unit"]')!, 'Enter');
  expect(page()).toContain('booked by Mo');
  answers.POST.mockImplementation((_: string, { body }: { body: { book: BookingInput[]; cancel: string[] } }) => {
    stored = body.cancel.length > 0 ? [] : [booking];
    return Promise.resolve({ data: stored, response: { status: 200 } });
  });
  act(() => button(/^Cancel this booking/).click());
  await settled();
  expect(page()).toContain('Nothing is booked.');
  expect(page()).toContain('1 booking was cancelled.');
  act(() => button(/^Book again/).click());
  await settled();
  expect(answers.POST.mock.lastCall![1]).toMatchObject({
    body: { book: [{ id: 'b', unitId: 'skiff 1', beforeMinutes: 60, daysCharged: null }], cancel: [] },
  });
  expect(page()).not.toContain('cancelled');
  expect(document.querySelector('[aria-label^="Skiff (skiff 1): Shed unit"]')).not.toBeNull();
});

test('a clash says who has it, which unit of the same is free, and what else does the same shots', async () => {
  stored = [];
  useUnits.setState({ bookings: [] });
  useBagAnswers.setState({ days: { bag: { shots: [{ shot: 's', rig: { body: 'skiff', lens: 'x' } }] } as never } });
  asked.fit.mockResolvedValue({ kind: 'answered', answer: { fits: [{ rig: { body: 'punt' } }] }, ms: 1 });
  answers.POST.mockResolvedValue({
    data: undefined,
    error: {
      detail: 'Somebody has it.',
      clashes: [
        { wanted: 'w', say: 'River unit has it.', free: ['skiff 2'], held: { ...booking, crewUnit: 'River unit' }, production: '' },
      ],
    },
    response: { status: 409 },
  });
  draw(<BookingsView marked={() => 0} />);
  act(() => button(/^Book it/).click());
  await settled();
  expect(answers.POST.mock.lastCall![1]).toMatchObject({ body: { book: [{ crewUnit: 'Shed unit', from: '2027-04-01T07:00' }, {}] } });
  expect(page()).toContain('Free then: skiff 2.');
  await settled();
  expect(asked.fit.mock.lastCall![2]).toMatchObject({ leftOut: ['skiff'], shot: { id: 's', chosen: null } });
  expect(page()).toContain('Does the same 1 shot: Punt.');
});

test('days that were agreed are typed over; what is no number of days stays, with a word', async () => {
  useGear.setState({
    items: new Map([['skiff', { id: 'skiff', kind: 'body', name: 'Skiff', ownership: 'hire', hirePerDay: 50, supplier: 'Quay' }]]),
  });
  answers.POST.mockResolvedValue({ data: [], response: { status: 200 } });
  draw(<BookingsView marked={() => 0} />);
  const days = document.querySelector<HTMLInputElement>('input[aria-label="Days charged"]')!;
  type(days, 'a few');
  leave(days);
  expect(page()).toContain('Whole days, 0 to 1000');
  expect(days.value).toBe('a few');
  expect(answers.POST).not.toHaveBeenCalled();
  press(days, 'Escape');
  expect(days.value).toBe('2');
  expect(page()).not.toContain('Whole days');
  type(days, '1');
  press(days, 'Enter');
  await settled();
  expect(answers.POST.mock.lastCall![1]).toMatchObject({ body: { book: [{ id: 'b', daysCharged: 1, note: '' }], cancel: [] } });
});

test('a packing list is ticked off out and back, by number where there are several', () => {
  const shown = () => useProduction.getState().document.bags![0]!;
  const again = draw(<PackView bag={shown()} mark="A" />);
  expect(page()).toContain('Light: out, 2 of 4 things');
  act(() => document.querySelector<HTMLInputElement>('input[aria-label="Skiff: packed"]')!.click());
  again(<PackView bag={shown()} mark="A" />);
  act(() => document.querySelector<HTMLButtonElement>('[aria-label="One more: Cell"]')!.click());
  again(<PackView bag={shown()} mark="A" />);
  expect(page()).toContain('Light: out, 4 of 4 things');
  expect(shown().lines!.map((line) => line.out)).toEqual([1, 3]);

  act(() => button(/^Back/).click());
  expect(page()).toContain('Light: back, 0 of 4 things');
  act(() => document.querySelector<HTMLInputElement>('input[aria-label="Cell: back"]')!.click());
  again(<PackView bag={shown()} mark="A" />);
  expect(page()).toContain('Light: back, 3 of 4 things');
  act(() => document.querySelector<HTMLButtonElement>('[aria-label="One less: Cell"]')!.click());
  expect(shown().lines!.map((line) => line.back ?? 0)).toEqual([0, 2]);
});
