import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import type { FrontResponse } from '../src/core/core';
import { draw, press, wide } from './drawn';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/core/searches', async () => {
  const { create } = await import('zustand');
  return { searches: () => asked, useProgress: create(() => ({})) };
});
const asked = vi.hoisted(() => ({ front: vi.fn(), stop: vi.fn(), listen: vi.fn() }));
const post = vi.hoisted(() => vi.fn());
vi.mock('../src/api/client', async (original) => ({
  ...(await original<object>()),
  api: { POST: post, GET: vi.fn(() => Promise.resolve({})) },
}));

const { useGear } = await import('../src/gear/fitting');
const { useProduction } = await import('../src/features/brief/productionStore');
const { useSettings } = await import('../src/app/settings');
const { useAskingFront, useBagAnswers, useFront, useFrontChoice } = await import('../src/features/brief/bags/bagAnswers');
const { FrontView } = await import('../src/features/brief/bags/FrontView');
const { ReachDrawing } = await import('../src/features/brief/bags/ReachDrawing');

type Point = FrontResponse['points'][number];
const thing = (item: string, shots: string[]) => ({ item, name: item, weightG: 500, shots, alone: [] });
const point = (part: Partial<Point>): Point => ({
  bodies: [thing('Skiff', ['s'])],
  lenses: [thing('40 mm', ['s'])],
  adapters: [],
  supports: [],
  filters: [thing('ND 6 stops', ['s'])],
  batteries: [{ item: 'cell', name: 'Cell', count: 3 }],
  drawsUnknown: 0,
  shots: [],
  undone: [],
  changes: 0,
  weightG: { known: 2500, unknown: 0 },
  price: { known: 0, unknown: 0 },
  hirePerDay: { known: 0, unknown: 1 },
  value: 2,
  otherValue: 2500,
  otherAtLeast: 2500,
  isProven: true,
  ...part,
});
const answer: FrontResponse = {
  one: 'lenses',
  other: 'weight',
  points: [point({}), point({ value: 1, otherValue: 3100, otherAtLeast: 2900, isProven: false, drawsUnknown: 1, undone: ['t'] })],
  impossible: ['u'],
  unfiltered: ['t'],
  isCut: false,
};
const shot = (id: string, name: string, unit = '') => ({ id, name, unit, locationId: 'p', subject: { kind: 'standing', heightMm: 1650 } });
const plan = { usedMinutes: 4 };
/** Thin spaces are read as plain ones. */
const plain = (text: string) => text.replaceAll('\u2009', ' ').replaceAll('\u202f', ' ');
const page = () => plain(document.body.textContent);
const button = (name: RegExp) => [...document.querySelectorAll('button')].find((b) => name.test(plain(b.textContent)))!;

beforeEach(() => {
  wide(900);
  asked.front.mockReset().mockResolvedValue(null);
  asked.stop.mockReset();
  post.mockReset().mockResolvedValue({});
  useSettings.setState({ frontOne: 'lenses', frontOther: 'weight' });
  useFrontChoice.setState({ unit: '', given: '', oneBody: false });
  useGear.setState({ state: 'ready', items: new Map(), version: 1 });
  useFront.setState({ answer, problems: [], asking: false, stopped: false, ms: 12 });
  useProduction.setState({
    id: 'p',
    document: {
      schemaVersion: 4,
      units: ['Shed unit'],
      locations: [{ id: 'p', name: 'Loft' }],
      shots: [shot('s', 'Hands'), shot('t', 'Door', 'Shed unit'), shot('u', 'Far shore')],
      bags: [{ id: 'bag', name: 'Light', plan, lines: [{ id: 'Skiff', count: 1 }] }],
    } as never,
  });
});

test('each bag of the front says what it has, what one fewer costs, and how far from proven it is', () => {
  draw(<FrontView onPacked={() => undefined} />);
  expect(page()).toContain('2 lenses, 2.50 kg');
  expect(page()).toContain('1 less costs 0.60 kg more');
  expect(page()).toContain('not proven: none has less than 2.90 kg');
  expect(page()).toContain('1 camera, 1 lens, 1 filter or ring');
  expect(page()).toContain('3 × Cell for the day');
  expect(page()).toContain('Batteries are for a day as in Light');
  expect(page()).toContain('no filter on the shelf does: Door');
  expect(page()).toContain('Nothing on the shelf does Far shore');
  expect(page()).not.toContain('Leaves undone');
  act(() => button(/^1 lens, 3.10 kg/).click());
  expect(page()).toContain('Leaves undone: Door');
  expect(page()).toContain('is not known: as much as the hungriest is taken');
});

test('what is not known of a bag is told apart from what is', () => {
  useFront.setState({ answer: { ...answer, points: [point({ otherValue: 3e9 + 2500, otherAtLeast: 3e9 + 2500 })] } });
  draw(<FrontView onPacked={() => undefined} />);
  expect(page()).toContain('2 lenses, 2.50 kg and 3 not known weight');
});

test('a bag that is packed has its filters, and its batteries by number', () => {
  const onPacked = vi.fn();
  draw(<FrontView onPacked={onPacked} />);
  act(() => button(/^Pack this bag/).click());
  const made = useProduction.getState().document.bags!.at(-1)!;
  expect(onPacked).toHaveBeenCalledWith(made.id);
  expect(plain(made.name)).toBe('2 lenses, 2.50 kg weight');
  expect(made.lines!.map((line) => [line.id, line.count])).toEqual([
    ['Skiff', 1],
    ['40 mm', 1],
    ['ND 6 stops', 1],
    ['cell', 3],
  ]);
});

function Asking({ isLookedAt }: { isLookedAt: boolean }) {
  useAskingFront(isLookedAt);
  return null;
}

test('the front is asked ahead when all has come to rest, at once where it is looked at, and not for what does not change it', async () => {
  vi.useFakeTimers();
  const again = draw(<Asking isLookedAt={false} />);
  await vi.advanceTimersByTimeAsync(500);
  expect(asked.front).not.toHaveBeenCalled();
  await vi.advanceTimersByTimeAsync(1000);
  expect(asked.front).toHaveBeenCalledTimes(1);
  expect(asked.front.mock.lastCall![0]).toMatchObject({ one: 'lenses', other: 'weight', plan, given: [] });

  // A bag is renamed, and a rig is chosen: neither changes what the best is.
  const { document } = useProduction.getState();
  act(() =>
    useProduction.setState({
      document: {
        ...document,
        bags: [{ ...document.bags![0]!, name: 'Lighter' }],
        shots: document.shots!.map((s) => ({ ...s, chosen: { body: 'Skiff', lens: '40 mm' } as never })),
      },
    }),
  );
  await vi.advanceTimersByTimeAsync(2000);
  expect(asked.front).toHaveBeenCalledTimes(1);

  again(<Asking isLookedAt />);
  act(() => useFrontChoice.setState({ unit: 'Shed unit', given: 'bag', oneBody: true }));
  await vi.advanceTimersByTimeAsync(1);
  expect(asked.front).toHaveBeenCalledTimes(2);
  expect(asked.front.mock.lastCall![0]).toMatchObject({ given: ['Skiff'], mostBodies: 1, shots: [{ id: 't' }] });
  expect(asked.stop).toHaveBeenCalledWith('front');
  vi.useRealTimers();
});

test('where the front is waited for the server is asked too, and whichever is first is shown', async () => {
  vi.useFakeTimers();
  useFront.setState({ answer: null });
  const again = draw(<Asking isLookedAt={false} />);
  await vi.advanceTimersByTimeAsync(1300);
  expect(asked.front).toHaveBeenCalledTimes(1);
  expect(post).not.toHaveBeenCalled();

  let answers: (answer: object) => void = () => undefined;
  asked.front.mockReturnValue(new Promise(() => undefined));
  post.mockReturnValue(new Promise((done) => (answers = done)));
  again(<Asking isLookedAt />);
  await vi.advanceTimersByTimeAsync(1);
  expect(post).toHaveBeenCalledTimes(1);
  expect(useFront.getState()).toMatchObject({ asking: true, answer: null });
  answers({ data: answer });
  await vi.advanceTimersByTimeAsync(1);
  expect(useFront.getState()).toMatchObject({ asking: false, answer });
  expect(asked.stop).toHaveBeenCalledWith('front');

  // What is answered for what was asked before is not shown.
  act(() => useFrontChoice.setState({ oneBody: true }));
  await vi.advanceTimersByTimeAsync(1);
  const { signal } = post.mock.lastCall![1] as { signal: AbortSignal };
  act(() => useFrontChoice.setState({ oneBody: false, unit: 'Shed unit' }));
  await vi.advanceTimersByTimeAsync(1);
  expect(signal.aborted).toBe(true);
  answers({ data: { ...answer, isCut: true } });
  await vi.advanceTimersByTimeAsync(1);
  vi.useRealTimers();
});

test('reach draws what no other lens gives, and a press on a hole says what fills it and packs it', () => {
  const span = {
    lens: '40 mm',
    name: '40 mm',
    through: '',
    fromMm: 24,
    toMm: 70,
    fastestAtFrom: 2.8,
    fastestAtTo: 4,
    smallestFieldMm: 120,
    covers: true,
    only: [{ fromMm: 24, toMm: 50 }],
  };
  const fill = { rig: { lens: 'long', lensName: '135 mm', linkNames: [], ownership: 'hire' }, fromMm: 135, toMm: 135, added: ['long'] };
  const row = {
    body: 'Skiff',
    bodyName: 'Skiff',
    mode: 'Wide',
    spans: [span],
    holes: [{ fromMm: 70, toMm: 300, fills: [fill] }],
    doubles: [],
  };
  useBagAnswers.setState({ bags: { bag: { reach: [row] } as never } });
  const bag = useProduction.getState().document.bags![0]!;
  draw(<ReachDrawing bags={[bag]} marked={() => 0} />);
  const titles = [...document.querySelectorAll('title')].map((title) => plain(title.textContent));
  expect(titles).toContain('Only 40 mm gives 24 mm to 50 mm');
  expect(titles).toContain('40 mm: 24 mm to 70 mm, ƒ2.8 to ƒ4.0; part of it nothing else gives');
  expect(page()).toContain('≥ 12 cm');

  press(document.querySelector('[aria-label^="Hole in bag"]')!, 'Enter');
  expect(page()).toContain('Between 70 mm and 300 mm on Skiff, Wide: from the shelf');
  expect(page()).toContain('135 mm, hire');
  act(() => button(/^Pack it/).click());
  expect(useProduction.getState().document.bags![0]!.lines!.map((line) => line.id)).toEqual(['Skiff', 'long']);
  expect(page()).not.toContain('from the shelf');
});
