import { act } from 'react';
import { MemoryRouter } from 'react-router';
import { beforeEach, expect, test, vi } from 'vitest';

const list = vi.hoisted(() => vi.fn<() => Promise<unknown>>());
const into = vi.hoisted(() => ({
  intoNew: vi.fn<() => Promise<string>>(),
  intoOther: vi.fn<() => Promise<string>>(),
  pickUpOf: vi.fn(() => ({ shot: { id: 's9', name: 'The launch, pick-up' }, place: { id: 'l' } })),
  withPickUp: vi.fn(() => ({ locations: [{ id: 'l' }], shots: [{ id: 's9' }] })),
}));
const changeProduction = vi.hoisted(() => vi.fn());
const goneOf = vi.hoisted(() => vi.fn<() => string[]>(() => []));
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/api/client', async (original) => ({ ...(await original<object>()), productions: { list } }));
vi.mock('../src/features/brief/log/sameAgain', () => into);
vi.mock('../src/features/brief/log/takeRigs', () => ({ goneOf }));
vi.mock('../src/features/brief/commands', () => ({ changeProduction }));

const { SameAgain } = await import('../src/features/brief/log/SameAgain');
const { draw, settled } = await import('./drawn');

const take = { productionId: 'p', shotId: 's', shotName: 'The launch', rig: { body: 'b', lens: 'l' } } as never;
const show = async () => {
  draw(
    <MemoryRouter>
      <SameAgain take={take} name="Low water" document={{ schemaVersion: 4 }} feet={false} />
    </MemoryRouter>,
  );
  await settled();
};
const options = () => {
  act(() => void document.querySelector('[role=combobox]')!.dispatchEvent(new MouseEvent('mousedown', { bubbles: true })));
  return [...document.querySelectorAll<HTMLElement>('[role=option]')];
};
const choose = async (name: string) => {
  const option = options().find((o) => o.textContent === name)!;
  act(() => option.click());
  await settled();
};
const said = () => document.querySelector('[role=alert]')?.textContent ?? '';
const link = () => document.querySelector<HTMLAnchorElement>('[role=alert] a')?.getAttribute('href') ?? null;

beforeEach(() => {
  vi.clearAllMocks();
  goneOf.mockReturnValue([]);
  into.intoOther.mockResolvedValue('');
  into.intoNew.mockResolvedValue('p9');
  list.mockResolvedValue([
    { id: 'p', name: 'Low water' },
    { id: 'q', name: 'High water' },
    { id: 'r', name: '' },
  ]);
});

test('it goes into this production, a new one, or another; not twice into the one that is open', async () => {
  await show();
  expect(options().map((o) => o.textContent)).toEqual([
    'choose where',
    'In this production',
    'In a new one',
    'In High water',
    'In one without a name',
  ]);
});

test('in this production it is the last shot, with a way to it', async () => {
  await show();
  await choose('In this production');
  expect(changeProduction).toHaveBeenCalledWith({ locations: [{ id: 'l' }], shots: [{ id: 's9' }] });
  expect([said().startsWith('It is the last shot, “The launch, pick-up”.'), link()]).toEqual([true, '/brief/p?shot=s9']);
});

test('in another and in a new production it is found by a press too', async () => {
  await show();
  await choose('In High water');
  expect(into.intoOther).toHaveBeenCalledWith('q', expect.objectContaining({ shot: { id: 's9', name: 'The launch, pick-up' } }));
  expect([said().startsWith('High water has it as its last shot.'), link()]).toEqual([true, '/brief/q?shot=s9']);
  await choose('In a new one');
  expect([said().startsWith('A production of its own has it.'), link()]).toEqual([true, '/brief/p9?shot=s9']);
});

test('what is not on the shelf any more is named, and what could not be written says why, with nowhere to go', async () => {
  goneOf.mockReturnValue(['its lens']);
  await show();
  await choose('In this production');
  expect(said()).toContain('Not on the shelf any more: its lens; what fits in its place is asked there.');
  into.intoOther.mockResolvedValueOnce('The server cannot be reached.');
  await choose('In High water');
  expect([said(), link()]).toEqual(['The server cannot be reached.', null]);
});

test('without the server there are the ways that need none', async () => {
  list.mockResolvedValue({ kind: 'away', say: 'The server cannot be reached.' });
  await show();
  expect(options().map((o) => o.textContent)).toEqual(['choose where', 'In this production', 'In a new one']);
});
