import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { draw } from './drawn';

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
    return { procedures: [{ kind: 'weight', name: 'Weight', finds: '', steps: [], setup: [], reading: ['weightG'], of: ['lens'] }] };
  },
}));
const { TestsPage } = await import('../src/features/shelf/tests/TestsPage');
const { useUnits } = await import('../src/gear/units');

const json = (body: unknown) => new Response(JSON.stringify(body), { status: 200, headers: { 'Content-Type': 'application/json' } });

beforeEach(() => {
  const unit = { id: 'u', gearId: 'g', label: '', owner: '', place: '', condition: 'good', conditionNote: '', revision: 1 } as const;
  useUnits.setState({ state: 'ready', units: [unit] });
  vi.stubGlobal('fetch', (request: Request) => {
    const { pathname } = new URL(request.url);
    return Promise.resolve(
      json(
        pathname === '/api/shelf/g'
          ? { item: { id: 'g', kind: 'lens', name: 'Old 35' }, revision: 1 }
          : pathname === '/api/units'
            ? [unit]
            : [],
      ),
    );
  });
});
afterEach(() => vi.unstubAllGlobals());

const soon = () => act(() => new Promise((done) => setTimeout(done, 20)));

test('a thing that is here before the core waits for it', async () => {
  draw(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter initialEntries={['/shelf/g/tests']}>
        <Routes>
          <Route path="shelf/:gear/tests" element={<TestsPage />} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  );
  await soon();
  await soon();
  expect(document.body.textContent).toContain('Opening…');
  core.start();
  await soon();
  expect(document.body.textContent).toContain('Tests of Old 35');
  expect(document.body.textContent).toContain('Not tested yet');
});
