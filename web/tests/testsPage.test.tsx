import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { draw, settled } from './drawn';

const core = vi.hoisted(() => ({ start: (): void => undefined, isHere: false }));
vi.mock('../src/core/core', () => ({
  coreReady: new Promise<void>((done) => {
    core.start = () => {
      core.isHere = true;
      done();
    };
  }),
  core: () => {
    if (!core.isHere) throw new Error('The core has not started yet.');
    return {
      procedures: [{ kind: 'weight', name: 'Weight', finds: '', steps: [], setup: [], reading: ['weightG'], of: ['lens'] }],
      measure: () => [],
    };
  },
}));
const { TestsPage } = await import('../src/features/shelf/tests/TestsPage');
const { useUnits } = await import('../src/gear/units');

const { unitTests } = await import('../src/gear/unitTests');

const json = (body: unknown, status = 200) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });
const unitOf = (id: string, label = '', gearId = 'g') =>
  ({ id, gearId, label, owner: '', place: '', condition: 'good', conditionNote: '', revision: 1 }) as const;
const weighed = (id: string, unitId: string, weightG: number) => ({
  id,
  unitId,
  gearId: 'g',
  measured: { kind: 'weight', setup: {}, readings: [{ weightG }], wall: null },
  note: '',
  results: [{ quantity: 'weight', value: weightG, plusMinus: 2, count: 1, atMm: null, marked: null }],
  by: '',
  updatedAt: `2027-04-0${id}T10:00:00Z`,
  acceptedAt: `2027-04-0${id}T10:00:00Z`,
  revision: 2,
});

const sent: { path: string; body: unknown }[] = [];
let units: ReturnType<typeof unitOf>[] = [];
let tests: ReturnType<typeof weighed>[] = [];
let models: { gearId: string; name: string }[] = [];
let refusal: Response | null = null;

beforeEach(() => {
  sent.length = 0;
  [units, tests, models, refusal] = [[unitOf('g')], [], [], null];
  unitTests.useRows.setState({ rows: [] });
  vi.stubGlobal('fetch', async (request: Request) => {
    const { pathname } = new URL(request.url);
    if (request.method === 'PUT') {
      const body = (await request.json()) as { gearId: string };
      sent.push({ path: pathname, body });
      if (refusal) return refusal;
      units = units.map((u) => (pathname.includes(`/${u.id}/`) ? unitOf(u.id, u.label, body.gearId) : u));
      return json(units.find((u) => pathname.includes(`/${u.id}/`)));
    }
    const thing = /^\/api\/shelf\/(\w+)$/.exec(pathname)?.[1];
    return json(
      thing
        ? { item: { id: thing, kind: 'lens', name: thing === 'g' ? 'Old 35' : 'Old 35 No. 2' }, revision: 1 }
        : pathname === '/api/units'
          ? units
          : pathname === '/api/tests'
            ? tests
            : pathname === '/api/units/u/models'
              ? models
              : [],
    );
  });
});
afterEach(() => vi.unstubAllGlobals());

const page = () => document.body.textContent;
const button = (name: string) =>
  [...document.querySelectorAll('button')].find((b) => (b.getAttribute('aria-label') ?? b.textContent) === name)!;
async function open(gear = 'g') {
  useUnits.setState({ state: 'ready', units });
  draw(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter initialEntries={[`/shelf/${gear}/tests`]}>
        <Routes>
          <Route path="shelf/:gear/tests" element={<TestsPage />} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await settled();
}
async function press(name: string) {
  act(() => button(name).click());
  await settled();
}

test('a thing that is here before the core waits for it', async () => {
  await open();
  expect(page()).toContain('Opening…');
  core.start();
  await settled();
  expect(page()).toContain('Tests of Old 35');
  expect(page()).toContain('Not tested yet');
});

test('of one unit nothing is said; of two that the last result counts for both where both were tested', async () => {
  core.start();
  await open();
  expect(document.querySelector('[aria-label=Units]')).toBeNull();
  units = [unitOf('g'), unitOf('u', 'No. 2')];
  tests = [weighed('1', 'g', 400)];
  await open();
  expect(page()).toContain('What a test finds of one counts for all');
  tests = [weighed('1', 'g', 400), weighed('2', 'u', 430)];
  await act(() => unitTests.refresh());
  expect(page()).toContain('the last result counts for all');
  expect(document.querySelector('[aria-label=Units]')!.textContent).toMatch(/Unit 1400\D*gNo\. 2430\D*gSet apart/);
});

test('a unit is set apart with its tests, and undo puts it back', async () => {
  core.start();
  units = [unitOf('g'), unitOf('u', 'No. 2')];
  tests = [weighed('1', 'g', 400), weighed('2', 'u', 430)];
  await open();
  await press('Set No. 2 apart');
  expect(sent).toEqual([{ path: '/api/units/u/model', body: { gearId: 'u' } }]);
  expect(page()).toContain('No. 2 is a thing of its own on the shelf now, with its tests.');
  expect(document.querySelector('[aria-label=Units]')).toBeNull();
  expect(document.querySelector('[role=group][aria-label=Tests]')!.textContent.match(/in the record/g)).toHaveLength(1);
  await press('Undo');
  expect(sent.at(-1)).toEqual({ path: '/api/units/u/model', body: { gearId: 'g' } });
  expect(document.querySelector('[role=group][aria-label=Tests]')!.textContent.match(/in the record/g)).toHaveLength(2);
  expect(page()).toContain('No. 2 is one of Old 35 again.');
});

test('a unit that cannot be set apart stays, and why is said', async () => {
  core.start();
  units = [unitOf('g'), unitOf('u', 'No. 2')];
  refusal = json({ code: 'no-unit', title: 'No such unit', detail: 'There is no unit u.', status: 404 }, 404);
  await open();
  await press('Set No. 2 apart');
  expect(page()).toContain('There is no unit u.');
  expect(document.querySelector('h1')!.textContent).toBe('Tests of Old 35');
});

test('what was set apart long ago goes back to a thing with the same papers, the one that it came from first', async () => {
  core.start();
  units = [unitOf('g'), unitOf('u', 'No. 2', 'u')];
  models = ['An old 35', 'Old 35', 'Old 35 No. 2, cracked'].map((name, i) => ({ gearId: i === 1 ? 'g' : `m${i}`, name }));
  await open('u');
  const panel = document.querySelector('[aria-label=Units]')!;
  expect(panel.textContent).toContain('2 other things on the shelf have the same papers.');
  expect([...panel.querySelectorAll('button')].map((b) => b.textContent)).toEqual(['It is one of Old 35', 'It is one of An old 35']);
  refusal = json({ code: 'in-use', title: 'Work names it', detail: 'Low Water names Old 35 No. 2.', status: 409 }, 409);
  await press('It is one of Old 35');
  expect(page()).toContain('Low Water names Old 35 No. 2.');
  expect(document.querySelector('h1')!.textContent).toBe('Tests of Old 35 No. 2');
  refusal = null;
  await press('It is one of Old 35');
  await settled();
  expect(sent.at(-1)).toEqual({ path: '/api/units/u/model', body: { gearId: 'g' } });
  expect(document.querySelector('h1')!.textContent).toBe('Tests of Old 35');
  expect(document.querySelector('[aria-label=Units]')!.textContent).toContain('Set apart');
});

test('one thing with the same papers is told as one, and what was set apart from this is not among them', async () => {
  core.start();
  units = [unitOf('u', 'No. 2', 'u')];
  models = ['Old 35', 'Old 35 No. 2, cracked'].map((name, i) => ({ gearId: i === 0 ? 'g' : 'm', name }));
  await open('u');
  expect(document.querySelector('[aria-label=Units]')!.textContent).toContain('Another thing on the shelf has the same papers.');
  document.body.replaceChildren();
  models = models.slice(1);
  await open('u');
  expect(page()).toContain('Tests of Old 35 No. 2');
  expect(page()).not.toContain('has the same papers.');
});
