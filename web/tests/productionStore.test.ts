import { beforeEach, expect, test, vi } from 'vitest';
import {
  addLevel,
  addPlace,
  addShot,
  changeBrightness,
  changeLevel,
  changePlace,
  changeShot,
  duplicateShot,
  lightUp,
  moveShot,
  removeLevel,
  removePlace,
  removeShot,
  rename,
} from '../src/features/brief/commands';
import { brightnessFor, placesOf, shotsOf, shownShot, useProduction } from '../src/features/brief/productionStore';
import { productionVersion } from '../src/documents/kinds';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));

const now = () => useProduction.getState();
const names = () => shotsOf(now().document).map((s) => s.name);
const first = () => shotsOf(now().document)[0]!;

beforeEach(() => {
  vi.useFakeTimers();
  now().open('p', null, { name: 'Low water', document: { schemaVersion: productionVersion } }, { kind: 'saved', at: '' });
});

test('a first shot brings a place with it, and both go with one undo', () => {
  addShot();
  expect(names()).toEqual(['Shot 1']);
  expect(placesOf(now().document).map((p) => p.id)).toEqual([first().locationId]);
  now().undo();
  expect([names(), placesOf(now().document)]).toEqual([[], []]);
  now().redo();
  expect(names()).toEqual(['Shot 1']);
});

test('a hand that drags makes one step, until it pauses or takes hold again', () => {
  addShot();
  const steps = now().past.length;
  for (const behindMm of [100, 200, 300]) {
    changeShot(first().id, { behindMm });
    vi.advanceTimersByTime(100);
  }
  expect(now().past).toHaveLength(steps + 1);
  now().beginStep();
  changeShot(first().id, { behindMm: 400 });
  expect(now().past).toHaveLength(steps + 2);
  vi.advanceTimersByTime(1000);
  changeShot(first().id, { behindMm: 500 });
  expect(now().past).toHaveLength(steps + 3);
  now().undo();
  now().undo();
  expect(first().behindMm).toBe(300);
  now().undo();
  expect(first().behindMm).toBeUndefined();
});

test('a hand that rests while it holds something goes on with the same step', () => {
  addShot();
  const steps = now().past.length;
  window.dispatchEvent(new Event('pointerdown'));
  changeShot(first().id, { behindMm: 100 });
  vi.advanceTimersByTime(5000);
  changeShot(first().id, { behindMm: 200 });
  expect(now().past).toHaveLength(steps + 1);
  window.dispatchEvent(new Event('pointerup'));
  vi.advanceTimersByTime(1000);
  changeShot(first().id, { behindMm: 300 });
  expect(now().past).toHaveLength(steps + 2);
});

test('changes of different things are steps of their own, and a new one ends what could be redone', () => {
  addShot();
  changeShot(first().id, { movesMm: 400 });
  changeShot(first().id, { behindMm: 900 });
  now().undo();
  expect(first()).toMatchObject({ movesMm: 400 });
  expect(now().future).toHaveLength(1);
  rename('High water');
  expect(now().future).toHaveLength(0);
  now().redo();
  expect([now().name, first().behindMm]).toEqual(['High water', undefined]);
});

test('a name is one line, and typing it is one step', () => {
  for (const name of ['L', 'Lo', 'Low\ntide ']) {
    rename(name);
  }
  expect(now().name).not.toContain('\n');
  now().undo();
  expect(now().name).toBe('Low water');
});

test('shots are copied beside themselves, moved within bounds, and the next one is shown when one goes', () => {
  addShot();
  addShot();
  addShot();
  expect(names()).toEqual(['Shot 1', 'Shot 2', 'Shot 3']);
  duplicateShot(first());
  expect(names()).toEqual(['Shot 1', 'Shot 1 again', 'Shot 2', 'Shot 3']);
  moveShot(shotsOf(now().document)[3]!, -2);
  expect(names()).toEqual(['Shot 1', 'Shot 3', 'Shot 1 again', 'Shot 2']);
  const steps = now().past.length;
  moveShot(first(), -1);
  expect(now().past).toHaveLength(steps);
  removeShot(shotsOf(now().document)[1]!);
  expect(shownShot(now())?.name).toBe('Shot 1 again');
  expect(names()).toEqual(['Shot 1', 'Shot 1 again', 'Shot 2']);
});

test('a place that a shot is at stays', () => {
  addShot();
  const [old] = placesOf(now().document);
  addPlace();
  const [, place] = placesOf(now().document);
  expect(first().locationId).toBe(place!.id);
  changePlace(place!.id, { name: 'Loft' });
  removePlace(place!.id);
  expect(placesOf(now().document).map((p) => p.name)).toEqual([old!.name, 'Loft']);
  removePlace(old!.id);
  expect(placesOf(now().document).map((p) => p.name)).toEqual(['Loft']);
});

test('a place has levels of light, of which each shot says one; a shot that is lit up alone has one of its own', () => {
  addShot();
  addShot();
  const [one, two] = shotsOf(now().document).map((s) => s.id) as [string, string];
  const shot = (id: string) => shotsOf(now().document).find((s) => s.id === id)!;
  const place = () => placesOf(now().document)[0]!;
  changeBrightness(place(), shot(one), 8);
  expect([place().brightnessEv, brightnessFor(place(), shot(one))]).toEqual([8, 8]);
  addLevel(place(), shot(one), { name: 'Morning', brightnessEv: 11 });
  changeBrightness(place(), shot(one), 12);
  expect([brightnessFor(place(), shot(one)), brightnessFor(place(), shot(two)), place().brightnessEv]).toEqual([12, 8, 8]);
  const morning = place().levels![0]!.id;
  changeLevel(place(), morning, { name: 'Early' });
  // What is known of a level stays known: only another number changes it.
  changeBrightness(place(), shot(one), null);
  expect(place().levels).toEqual([{ id: morning, name: 'Early', brightnessEv: 12 }]);

  // Two shots are at it: lit up, one has a level of its own, and lit up once more that one changes.
  changeShot(two, { levelId: morning });
  lightUp(place(), shot(two), 13);
  lightUp(place(), shot(two), 14);
  expect(place().levels!.map((level) => [level.name, level.brightnessEv])).toEqual([
    ['Early', 12],
    ['Lamps added', 14],
  ]);
  expect(brightnessFor(place(), shot(one))).toBe(12);
  removeLevel(place(), shot(two).levelId!);
  expect([shot(two).levelId, brightnessFor(place(), shot(two))]).toEqual([null, 8]);
});

test('of many steps the last two hundred can be taken back', () => {
  addShot();
  for (let i = 0; i < 250; i++) {
    now().beginStep();
    changeShot(first().id, { movesMm: i });
  }
  expect(now().past).toHaveLength(200);
});
