import { act } from 'react';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { BagDayResponse, BagsResponse, FrontRequest, FrontResponse } from '../src/core/core';
import type { Outcome } from '../src/core/searching';

type Told<T> = (outcome: Outcome<T>, isWhole: boolean) => void;
interface Totals {
  bags: { id: string; name: string; lines: object[] }[];
  usable: { id: string; count: number }[];
}
const askBags = vi.fn<(request: Totals, told: Told<BagsResponse>) => Promise<void>>(() => Promise.resolve());
const askBagDay = vi.fn<(key: string, request: { bag: { id: string } }, told: Told<BagDayResponse>) => Promise<void>>(() =>
  Promise.resolve(),
);
const askFront = vi.fn<(request: FrontRequest, told: Told<FrontResponse>) => Promise<void>>(() => Promise.resolve());
const askServerFront = vi.fn<(request: FrontRequest, signal: AbortSignal) => Promise<FrontResponse | null>>(
  () => new Promise(() => undefined),
);
const stop = vi.fn();
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/core/searches', async () => ({ useProgress: (await import('zustand')).create(() => ({})), searches: () => ({}) }));
vi.mock('../src/gear/fitting', async () => {
  const { create } = await import('zustand');
  const useGear = create(() => ({ state: 'ready', version: 1, items: new Map() }));
  return { askBags, askBagDay, askFront, askServerFront, stop, openShelf: vi.fn(), useGear };
});

const { dayBagOf, dayKey, findFront, frontShots, stopFront, useAskingBags, useBagAnswers, useFront } =
  await import('../src/features/brief/bags/bagAnswers');
const { useGear } = await import('../src/gear/fitting');
const { useUnits } = await import('../src/gear/units');
const { useProduction } = await import('../src/features/brief/productionStore');
const { draw } = await import('./drawn');

const line = (id: string, more: object = {}) => ({ id, count: 1, onRig: false, units: [], out: 0, back: 0, note: '', ...more });
const bag = (id: string, more: object = {}) => ({ id, name: `Bag ${id}`, lines: [line('lens')], ...more });
const shot = (id: string, unit = '') => ({ id, name: id, unit, locationId: 'l', subject: { kind: 'standing' }, size: 'medium' });
const whole = (document: object) => ({ schemaVersion: 4, locations: [{ id: 'l', name: 'Loft' }], ...document }) as never;
let opened = 0;
const open = (document: object) =>
  act(() =>
    useProduction.getState().open(`p${opened++}`, null, { name: 'Low water', document: whole(document) }, { kind: 'saved', at: '' }),
  );
const change = (document: object) => act(() => useProduction.setState({ document: whole(document) }));
const pass = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

function Bags() {
  useAskingBags();
  return null;
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.clearAllMocks();
  useGear.setState({ state: 'ready', version: 1 });
  useBagAnswers.setState({ bags: {}, problems: [], days: {} });
  useFront.setState({ answer: null, problems: [], asking: false, stopped: false, ms: 0 });
  useUnits.setState({ units: [] });
});
afterEach(() => {
  stopFront();
  vi.useRealTimers();
});

test('what bags weigh is asked at once, what they do when the hand has come to rest; ticking things off asks nothing', async () => {
  open({ bags: [bag('a'), bag('b', { name: '' })], shots: [shot('s1')] });
  draw(<Bags />);
  expect(askBags).toHaveBeenCalledOnce();
  // A bag without a name would be refused, and weighs what it weighs.
  expect(askBags.mock.calls[0]![0].bags.map((one) => one.name)).toEqual(['Bag a', 'bag']);
  await pass(299);
  expect(askBagDay).not.toHaveBeenCalled();
  await pass(1);
  expect(askBagDay.mock.calls.map(([key]) => key)).toEqual([dayKey('a'), dayKey('b')]);
  act(() => askBagDay.mock.calls[1]![2]({ kind: 'answered', ms: 1, answer: { shots: [] } as never }, true));
  expect(Object.keys(useBagAnswers.getState().days)).toEqual(['b']);

  change({
    bags: [bag('a', { lines: [line('lens', { out: 1, note: 'by hand', units: ['u'] })] }), bag('b', { name: '' })],
    shots: [shot('s1')],
  });
  await pass(1000);
  expect([askBags.mock.calls.length, askBagDay.mock.calls.length]).toEqual([1, 2]);
  change({ bags: [bag('a', { lines: [line('lens', { count: 2 })] }), bag('b', { name: '' })], shots: [shot('s1')] });
  await pass(1000);
  expect([askBags.mock.calls.length, askBagDay.mock.calls.length]).toEqual([2, 4]);
});

test('a bag that is packed while its day is being asked stops that question', async () => {
  open({ bags: [bag('a')], shots: [shot('s1')] });
  draw(<Bags />);
  await pass(300);
  change({ bags: [bag('a', { lines: [] })], shots: [shot('s1')] });
  expect(stop).toHaveBeenCalledWith(dayKey('a'));
});

test('units that cannot be used are not counted, and a model of which none can is told with none', () => {
  open({ bags: [bag('a')] });
  const unit = (id: string, gearId: string, condition: string) => ({ id, gearId, condition });
  useUnits.setState({ units: [unit('1', 'lens', 'good'), unit('2', 'lens', 'broken'), unit('3', 'head', 'broken')] as never });
  draw(<Bags />);
  const usable = Object.fromEntries(askBags.mock.calls[0]![0].usable.map(({ id, count }) => [id, count]));
  expect(usable).toEqual({ lens: 1, head: 0 });
});

test('what is at fault in a bag is told, and what was known of the others stays', () => {
  open({ bags: [bag('a')] });
  draw(<Bags />);
  const told = askBags.mock.calls[0]![1];
  act(() => told({ kind: 'answered', ms: 1, answer: { bags: [{ id: 'a', weightG: 900 }] } as never }, true));
  act(() => told({ kind: 'refused', problems: [{ message: 'too heavy' }] as never }, true));
  expect(useBagAnswers.getState()).toMatchObject({ bags: { a: { weightG: 900 } }, problems: [{ message: 'too heavy' }] });
  act(() => told({ kind: 'answered', ms: 1, answer: { bags: [] } }, true));
  expect(useBagAnswers.getState()).toMatchObject({ bags: {}, problems: [] });
});

test('nothing is asked before the shelf is there, nor for a day without shots or with too many', async () => {
  useGear.setState({ state: 'preparing' });
  open({ bags: [bag('a')], shots: [shot('s1')] });
  draw(<Bags />);
  await pass(1000);
  expect([askBags.mock.calls.length, askBagDay.mock.calls.length]).toEqual([0, 0]);
  act(() => useGear.setState({ state: 'ready', version: 2 }));
  change({ bags: [bag('a')], shots: Array.from({ length: 65 }, (_, i) => shot(`s${i}`)) });
  await pass(1000);
  expect(askBags).toHaveBeenCalled();
  change({ bags: [bag('a')], shots: [] });
  await pass(1000);
  expect(askBagDay).not.toHaveBeenCalled();
});

const request = {} as FrontRequest;

test('a server that has no answer leaves the page to find its own; what was stopped says so, and what never ran does not', async () => {
  askServerFront.mockImplementation(() => Promise.resolve(null));
  findFront(request, true);
  await pass(0);
  expect(useFront.getState().asking).toBe(true);
  stopFront();
  expect(useFront.getState()).toMatchObject({ asking: false, stopped: true });
  findFront(request, false);
  expect(useFront.getState().stopped).toBe(false);
  askFront.mock.calls[1]![1]({ kind: 'refused', problems: [{ message: 'no shots' }] as never }, true);
  expect(useFront.getState()).toMatchObject({ problems: [{ message: 'no shots' }], asking: false });
  stopFront();
  expect(useFront.getState().stopped).toBe(false);
});

test('the best bag is for the shots of a unit, and its batteries for the day of the bag that is given, else that of the unit', () => {
  const document = whole({ shots: [shot('s1'), shot('s2', 'River unit')], bags: [bag('a'), bag('b', { unit: 'River unit' })] });
  expect(frontShots(document, '').map((s) => s.id)).toEqual(['s1', 's2']);
  expect(frontShots(document, 'River unit').map((s) => s.id)).toEqual(['s2']);
  expect([
    dayBagOf(document, 'River unit', '')?.id,
    dayBagOf(document, 'River unit', 'a')?.id,
    dayBagOf(document, 'Else', 'gone')?.id,
  ]).toEqual(['b', 'a', 'a']);
  expect(dayBagOf(whole({}), '', '')).toBeUndefined();
});
