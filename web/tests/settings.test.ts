import { beforeEach, expect, test, vi } from 'vitest';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));

/** The settings as a page finds them that is opened anew. */
async function opened() {
  vi.resetModules();
  const [{ chosenTopic, useSettings }, client] = await Promise.all([import('../src/app/settings'), import('../src/api/client')]);
  return { chosenTopic, useSettings, client, now: () => useSettings.getState() };
}

beforeEach(() => localStorage.clear());

test('what a person prefers is there again in the next page', async () => {
  const first = await opened();
  first.now().toggleFeet();
  first.now().chooseFront('things', 'price');
  first.now().choosePlot({ plotUp: 'weight' });
  first.now().openedProduction('p');
  const { now } = await opened();
  expect(now()).toMatchObject({
    feet: true,
    frontOne: 'things',
    frontOther: 'price',
    plotAcross: 'distance',
    plotUp: 'weight',
    lastProduction: 'p',
  });
});

test('rows that one chooses are shown, in the order of choosing', async () => {
  const { now, chosenTopic } = await opened();
  now().chooseRow('cropFactor', true);
  now().chooseRow('magnification', true);
  now().chooseRow('cropFactor', false);
  now().chooseRow('cropFactor', true);
  expect([now().chosenRows, now().topic]).toEqual([['magnification', 'cropFactor'], chosenTopic]);
});

test('what an older page kept is read, rows by the names of now', async () => {
  const state = { feet: true, chosenRows: ['largestMagnification', 'cropFactor'] };
  localStorage.setItem('juxtopsis.settings', JSON.stringify({ state, version: 0 }));
  const { now } = await opened();
  expect(now()).toMatchObject({ feet: true, chosenRows: ['maximumMagnification', 'cropFactor'], topic: 'Essentials' });
});

test('what nobody can read is no setting', async () => {
  localStorage.setItem('juxtopsis.settings', '{"state":');
  vi.spyOn(console, 'warn').mockImplementation(() => undefined);
  expect((await opened()).now().feet).toBe(false);
});

test('the tour is shown to a browser that has not seen it, goes from step to step, and is over for good when it is ended', async () => {
  const tour = async () => {
    vi.resetModules();
    return import('../src/app/tourStore');
  };
  const first = await tour();
  expect(first.useTour.getState().step).toBe(0);
  first.tourTo(2);
  expect(first.useTour.getState().step).toBe(2);
  expect((await tour()).useTour.getState().step).toBe(0);
  first.endTour();
  expect([first.useTour.getState().step, (await tour()).useTour.getState().step]).toEqual([null, null]);
});
