import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import type { DayRequest, DayResponse, Fit } from '../src/core/core';
import type { Outcome } from '../src/core/searching';

const askDay = vi.fn<(request: DayRequest, told: (outcome: Outcome<DayResponse>) => void) => Promise<void>>(() => Promise.resolve());
const stop = vi.fn();
const packAs = vi.fn();
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/core/searches', async () => ({ useProgress: (await import('zustand')).create(() => ({})), searches: () => ({}) }));
vi.mock('../src/features/brief/bags/bagCommands', () => ({ packAs }));
vi.mock('../src/gear/fitting', async () => {
  const { create } = await import('zustand');
  const useGear = create(() => ({ state: 'ready', version: 1, items: new Map() }));
  return { askDay, askFilters: vi.fn(), stop, openShelf: vi.fn(), useGear };
});

const { DayPanel } = await import('../src/features/brief/DayPanel');
const { useAnswers } = await import('../src/features/brief/answers');
const { useGear } = await import('../src/gear/fitting');
const { useProduction, shotsOf } = await import('../src/features/brief/productionStore');
const { draw } = await import('./drawn');

const shot = (id: string, name: string) => ({ id, name, locationId: 'l', subject: { kind: 'standing' }, size: 'medium' });
const thing = (item: string, shots: string[], alone: string[] = [], weightG: number | null = 500) => ({
  item,
  name: item,
  shots,
  alone,
  weightG,
});
const rig = (lensName: string) => ({
  body: 'b',
  bodyName: 'Skiff',
  lens: lensName,
  lensName,
  mode: 'Full',
  links: [],
  front: [],
  linkNames: [],
  frontNames: [],
  punchIn: 1,
});
const close = {
  kind: 'keepOff',
  mm: 400,
  plusMinusMm: 2400,
  say: '40 cm to what must be kept off, ± 2.4 m',
  fix: 'Test the 35 mm.',
  parts: [],
};
const kit = (part: object = {}) => ({
  bodies: [thing('Skiff', ['s', 't'])],
  lenses: [thing('35 mm', ['s', 't'], ['t'], null)],
  adapters: [],
  shots: [
    { shot: 's', rig: rig('35 mm'), fills: true, close: null },
    { shot: 't', rig: rig('35 mm'), fills: true, close: null },
  ],
  undone: [],
  changes: 1,
  weightG: 1500,
  weightsUnknown: 1,
  ...part,
});
const answer = (part: object = {}) => ({ kits: [kit()], impossible: [], isProven: true, ofRig: [], ...part }) as unknown as DayResponse;
const told = (part: object = {}) => act(() => askDay.mock.calls.at(-1)![1]({ kind: 'answered', ms: 3, answer: answer(part) }));
/** Thin spaces are read as plain ones. */
const page = () => document.body.textContent.replace(/[\u2009\u202f\u00a0]/g, ' ');
const press = (name: string) => act(() => [...document.querySelectorAll('button')].find((b) => b.textContent.includes(name))!.click());
const open = (shots = [shot('s', 'Hands'), shot('t', 'Door')], more: object = {}) => {
  useProduction
    .getState()
    .open(
      'p',
      null,
      { name: 'Low water', document: { schemaVersion: 4, locations: [{ id: 'l' }], shots, ...more } as never },
      { kind: 'saved', at: '' },
    );
  return draw(<DayPanel onClose={() => undefined} />);
};

beforeEach(() => {
  vi.clearAllMocks();
  useGear.setState({ state: 'ready' });
  useAnswers.setState({ picked: null });
});

test('a day without shots, or with more than are looked at together, says so and asks nothing', () => {
  const again = open([]);
  expect(page()).toContain('There is no shot yet.');
  again(<></>);
  open(Array.from({ length: 65 }, (_, i) => shot(`s${i}`, `Shot ${i}`)));
  expect(page()).toContain('65 shots are more than 64');
  expect(askDay).not.toHaveBeenCalled();
});

test('it waits for the shelf, then asks for all shots, with the rig that is looked at; closing stops the question', () => {
  useGear.setState({ state: 'preparing' });
  useAnswers.setState({ picked: { rig: rig('35 mm'), focalLengthMm: 35, fNumber: 4, distanceMm: 3000 } as unknown as Fit });
  const again = open();
  expect(askDay).not.toHaveBeenCalled();
  act(() => useGear.setState({ state: 'ready' }));
  expect(askDay.mock.calls[0]![0]).toMatchObject({ shots: [{ id: 's' }, { id: 't' }], counts: [], rig: { body: 'b', lens: '35 mm' } });
  told({
    ofRig: [
      { shot: 's', gives: true, say: 'from 3.00 m', distanceMm: 3000 },
      { shot: 't', gives: false, say: '20 cm of room missing', distanceMm: null },
    ],
  });
  expect(page()).toContain('Skiff, 35 mm alone: 1 of 2');
  expect(page()).toContain('2. Door20 cm of room missing');
  stop.mockClear();
  again(<></>);
  expect(stop).toHaveBeenCalledWith('day');
});

test('a bag says what it has, what it weighs as far as is known, what nothing else does, and what it cannot do', () => {
  open();
  told({
    kits: [kit(), kit({ undone: ['t'], shots: [kit().shots[0]], lenses: [thing('35 mm', ['s'])] })],
    impossible: [],
    isProven: false,
  });
  expect(page()).toContain('1 body, 1 lens: the best by what counts');
  expect(page()).toContain('1.50 kg and 1 of unknown weight, 1 change');
  expect(page()).toContain('weight not known');
  expect(page()).toContain('one shot fewer, and what that saves');
  expect(page()).toContain('Cannot do 2. Door.');
  expect(page()).toContain('before it was proven');
  expect(
    [...document.querySelectorAll('td')].map((cell) => cell.getAttribute('aria-label')).filter((label) => label?.includes('nothing else')),
  ).toEqual(['used, and nothing else does it']);
  press('Choose only from this bag');
  expect(packAs).toHaveBeenCalledWith('1 body, 1 lens: the best by what counts', ['Skiff', '35 mm'], true);
});

test('a shot that it only just does is named, and shot by shot it is said what it may run out of and what makes it surer', () => {
  open();
  told();
  expect(page()).not.toContain('Only just');
  told({ kits: [kit({ shots: [kit().shots[0], { ...kit().shots[1], close, fills: false }] })] });
  expect(page()).toContain('Only just, and perhaps not: 2. Door.');
  expect(page()).toContain('Too few pixels for delivery in 2. Door.');
  expect(page()).not.toContain('Test the 35 mm');
  press('Shot by shot');
  expect(page()).toContain('40 cm to what must be kept off, ± 2.4 m. Test the 35 mm.');
  press('Things');
  expect(page()).not.toContain('Test the 35 mm');
});

test('what counts most is put first by a press, and the others follow as they were', () => {
  open(undefined, { counts: ['weight'] });
  told();
  const counted = () => [...document.querySelectorAll('[aria-label="What counts"] button')].map((b) => b.textContent);
  expect(counted()[0]).toContain('1');
  const [first, , third] = counted();
  press(third!.slice(2));
  expect(useProduction.getState().document.counts).toHaveLength(6);
  expect(counted()[0]!.slice(2)).toBe(third!.slice(2));
  expect(counted()[1]!.slice(2)).toBe(first!.slice(2));
  expect(askDay.mock.calls.at(-1)![0].counts![1]).toBe('weight');
});

test('what is at fault is said with how to mend it', () => {
  open();
  act(() =>
    askDay.mock.calls[0]![1]({ kind: 'refused', problems: [{ message: 'The loft is no place.', fix: 'Give it a length.' }] as never }),
  );
  expect(document.querySelector('[role=alert]')!.textContent).toBe('The loft is no place. Give it a length.');
  expect(shotsOf(useProduction.getState().document)).toHaveLength(2);
});
