import { act } from 'react';
import { MemoryRouter, Route, Routes } from 'react-router';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Assembled, Fit, FitResponse, LocationInput, RigInput, ShotInput } from '../src/core/core';
import { draw, settled } from './drawn';

const assemble = vi.fn(({ rig }: { rig?: RigInput | null }) => ({ rig, findings: [] }) as unknown as Assembled);
const startWork = vi.fn(() => Promise.resolve('made'));
vi.mock('../src/core/core', () => ({ core: () => ({ assemble }), coreReady: Promise.resolve() }));
vi.mock('../src/core/searches', () => ({ searches: () => ({}) }));
vi.mock('../src/documents/outbox', () => ({ startWork, register: () => undefined }));

const { useGear } = await import('../src/gear/fitting');
const { useAnswers } = await import('../src/features/brief/answers');
const { BenchButton } = await import('../src/features/brief/ToBench');

const fit = {
  distanceMm: 3000,
  focalLengthMm: 40,
  fNumber: 2.8,
  frontMm: 1,
  rearMm: 1,
  rig: { body: 'body', lens: 'lens', links: [], front: [], mode: 'Wide', punchIn: 1 },
};
const known = {
  shot: { id: 's', name: 'Hands', locationId: 'p', subject: { kind: 'standing', heightMm: 1650 } } as ShotInput,
  place: { id: 'p', name: 'Loft', behindMm: 2000 } as LocationInput,
  delivery: {},
  answer: { frame: { lensHeightMm: 1400, roomMm: null } } as FitResponse,
  ms: 1,
};
beforeEach(() => {
  vi.clearAllMocks();
  useGear.setState({ state: 'opening', items: new Map() });
  useAnswers.setState({ shown: known });
  draw(
    <MemoryRouter>
      <Routes>
        <Route path="/" element={<BenchButton fits={[fit as unknown as Fit]} label="To the Bench" />} />
        <Route path="/bench/:id" element={<p>there</p>} />
      </Routes>
    </MemoryRouter>,
  );
});

test('a press on what the server answered before the gear was here is kept until it is', async () => {
  act(() => document.querySelector('button')!.click());
  await settled();
  expect(startWork).not.toHaveBeenCalled();
  act(() =>
    useGear.setState({
      state: 'preparing',
      items: new Map([
        ['body', { kind: 'body', id: 'body', name: 'Skiff' }],
        ['lens', { kind: 'lens', id: 'lens', name: '40 mm' }],
      ]),
    }),
  );
  await settled();
  expect(startWork).toHaveBeenCalledTimes(1);
  expect(document.body.textContent).toBe('there');
});
