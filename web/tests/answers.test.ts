import { beforeEach, expect, test, vi } from 'vitest';
import type { Fit, FitRequest, FitResponse } from '../src/core/core';
import type { Outcome } from '../src/core/searching';

type Asked = [string, boolean, FitRequest, (outcome: Outcome<FitResponse>) => void];
const askFit = vi.fn<(...asked: Asked) => Promise<void>>(() => Promise.resolve());
const askServer = vi.fn<(request: FitRequest, onOutcome: Asked[3]) => Promise<void>>(() => Promise.resolve());
const stop = vi.fn();
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/core/searches', async () => ({ useProgress: (await import('zustand')).create(() => ({})), searches: () => ({}) }));
vi.mock('../src/gear/fitting', async () => {
  const { create } = await import('zustand');
  return { askFit, askServer, stop, openShelf: vi.fn(), useGear: create(() => ({ state: 'ready', version: 1, items: new Map() })) };
});

const { ask, lookAt, pick, shownKey, stopAsking, useAnswers } = await import('../src/features/brief/answers');
const { useGear } = await import('../src/gear/fitting');
const { addShot, changeShot } = await import('../src/features/brief/commands');
const { shotsOf, useProduction } = await import('../src/features/brief/productionStore');
const { leftOutFor, useDemoSet } = await import('../src/gear/demo');
const { productionVersion } = await import('../src/documents/kinds');

const fit = (body: string, lens: string, distanceMm = 3000) => ({ distanceMm, rig: { body, lens } }) as Fit;
const answered = (fits: Fit[], chosen: Fit | null = null): Outcome<FitResponse> => ({
  kind: 'answered',
  ms: 5,
  answer: { fits, chosen, misses: [], fitCount: fits.length } as unknown as FitResponse,
});
const last = () => askFit.mock.calls.at(-1)!;
const reply = (outcome: Outcome<FitResponse>) => last()[3](outcome);
let opened = 0;

beforeEach(() => {
  vi.clearAllMocks();
  useGear.setState({ state: 'ready' });
  useDemoSet.setState({ demo: null, asked: true });
  useAnswers.setState({ shown: null, asking: false, stopped: false, failing: false, picked: null });
  useProduction
    .getState()
    .open(`p${opened++}`, null, { name: 'Low water', document: { schemaVersion: productionVersion } }, { kind: 'saved', at: '' });
});

test('without a shot nothing is asked', () => {
  ask();
  expect(askFit).not.toHaveBeenCalled();
});

test('a shot is asked with its place and the rig of the shot before it, urgently, and shown with its best proposal', () => {
  addShot();
  changeShot(shotsOf(useProduction.getState().document)[0]!.id, { chosen: { body: 'b', mode: 'm', lens: 'l', name: 'B' } });
  addShot();
  ask();
  expect(last().slice(0, 2)).toEqual([shownKey, true]);
  expect(last()[2]).toMatchObject({ before: { body: 'b' }, most: 24, mostMisses: 0, shot: { name: 'Shot 2' } });
  expect(useAnswers.getState().asking).toBe(true);
  const best = fit('b1', 'l1');
  reply(answered([best, fit('b2', 'l2')]));
  expect(useAnswers.getState()).toMatchObject({ asking: false, picked: best, shown: { ms: 5, shot: { name: 'Shot 2' } } });
});

test('a proposal that was picked stays picked, wherever it now stands; else the shot’s own choice goes before the best', () => {
  addShot();
  ask();
  reply(answered([fit('b1', 'l1'), fit('b2', 'l2')]));
  pick(fit('b2', 'l2'));
  ask();
  reply(answered([fit('b1', 'l1'), fit('b2', 'l2', 2500)]));
  expect(useAnswers.getState().picked!.distanceMm).toBe(2500);
  ask();
  const chosen = fit('b9', 'l9');
  reply(answered([fit('b1', 'l1')], chosen));
  expect(useAnswers.getState().picked).toBe(chosen);
  ask();
  reply(answered([]));
  expect(useAnswers.getState().picked).toBeNull();
});

test('what is at fault is told at its field, and the answer of before stays until it is mended', () => {
  addShot();
  ask();
  reply(answered([fit('b1', 'l1')]));
  const shown = useAnswers.getState().shown;
  ask();
  reply({ kind: 'refused', problems: [{ about: 'shot.headroom', value: '', limit: '', message: 'Too much.', fix: '' }] as never });
  expect(useProduction.getState().problems).toHaveLength(1);
  expect(useAnswers.getState()).toMatchObject({ shown, asking: false });
  ask();
  reply(answered([fit('b1', 'l1')]));
  expect(useProduction.getState().problems).toHaveLength(0);
});

test('until the page’s own search is ready the server is asked', () => {
  useGear.setState({ state: 'preparing' });
  addShot();
  ask();
  expect(askFit).not.toHaveBeenCalled();
  askServer.mock.calls[0]![1](answered([fit('b1', 'l1')]));
  expect(useAnswers.getState().picked).toMatchObject({ rig: { body: 'b1' } });
});

test('rigs that do not give a shot are tried only when they are looked at, and looking can be stopped', () => {
  addShot();
  lookAt(true);
  expect(last()[2].mostMisses).toBe(12);
  stopAsking();
  expect(stop).toHaveBeenCalledWith(shownKey);
  expect(useAnswers.getState()).toMatchObject({ asking: false, stopped: true });
  lookAt(false);
  reply(answered([]));
  expect(useAnswers.getState().stopped).toBe(false);
});

test('the demo’s gear is left out of answers about one’s own work, unless it is ticked or there is nothing else', () => {
  const demo = { isHere: true, hasOwn: true, gear: ['tern', 'keel'], works: ['low-water'], held: [] };
  expect(leftOutFor(demo, 'own', null)).toEqual(['tern', 'keel']);
  expect(leftOutFor(demo, 'own', ['tern'])).toEqual([]);
  expect(leftOutFor(demo, 'low-water', null)).toEqual([]);
  expect(leftOutFor({ ...demo, hasOwn: false }, 'own', null)).toEqual([]);
  expect(leftOutFor({ ...demo, isHere: false }, 'own', null)).toEqual([]);
  expect(leftOutFor(null, 'own', null)).toEqual([]);
  useDemoSet.setState({ demo });
  addShot();
  ask();
  expect(last()[2]).toMatchObject({ bag: null, leftOut: ['tern', 'keel'] });
});

test('nothing is answered before it is known what belongs to the demo', () => {
  useDemoSet.setState({ demo: null, asked: false });
  addShot();
  ask();
  expect(askFit).not.toHaveBeenCalled();
});

test('all that fits is plotted a moment after the hand has come to rest, and only where more fits than is told', () => {
  vi.useFakeTimers();
  addShot();
  const some = [fit('b1', 'l1')];
  const told = answered(some);
  const more = { ...told, answer: { ...(told.kind === 'answered' ? told.answer : {}), fitCount: 40 } } as Outcome<FitResponse>;
  const asked = () => askFit.mock.calls.map(([key]) => key);
  ask();
  reply(more);
  vi.advanceTimersByTime(399);
  expect(asked()).toEqual([shownKey]);
  // The hand moves on: what was to be plotted of the answer before is not asked for any more.
  ask();
  reply(more);
  vi.advanceTimersByTime(399);
  expect(asked()).toEqual([shownKey, shownKey]);
  vi.advanceTimersByTime(1);
  expect(last().slice(0, 2)).toEqual(['all', false]);
  expect(last()[2]).toMatchObject({ most: 200, mostMisses: 0 });
  expect(useAnswers.getState().all).toEqual(some);
  const every = [...some, fit('b2', 'l2')];
  reply(answered(every));
  expect(useAnswers.getState().all).toEqual(every);
  // What is at fault leaves the plot as it was.
  reply({ kind: 'refused', problems: [] });
  expect(useAnswers.getState().all).toEqual(every);
  ask();
  reply(answered(some));
  vi.advanceTimersByTime(1000);
  expect(asked().at(-1)).toBe(shownKey);
  vi.useRealTimers();
});
