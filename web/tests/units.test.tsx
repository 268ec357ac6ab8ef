import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Booking } from '../src/gear/units';
import { draw, leave, type } from './drawn';

const answers = vi.hoisted(() => ({ GET: vi.fn(), PUT: vi.fn(), POST: vi.fn(), DELETE: vi.fn() }));
vi.mock('../src/api/client', () => ({
  api: answers,
  unreachable: { kind: 'away', say: 'The server cannot be reached.' },
  failure: (status: number, error: { detail?: string } | undefined) => ({ kind: 'refused', say: error?.detail ?? `${status}` }),
}));

const { book, changeTerms, giveAway, isUsable, named, readUnits, saveUnit, useUnits } = await import('../src/gear/units');
const { Text, UnitsOf } = await import('../src/gear/UnitsOf');

const unit = { id: 'u', gearId: 'g', label: '0417', owner: '', place: '', condition: 'good', conditionNote: '', revision: 3 } as const;
const terms = { currency: '€', taxPercent: 0, marginPercent: 0, timeZone: 'Etc/UTC' };
const ok = (data: unknown, status = 200) => ({ data, response: { status } });
const no = (status: number, error: object) => ({ data: undefined, error, response: { status } });

beforeEach(() => {
  Object.values(answers).forEach((answer) => answer.mockReset());
  answers.GET.mockImplementation((path: string) =>
    Promise.resolve(ok(path === '/api/units' ? [unit] : path === '/api/bookings' ? [] : { ...terms, taxPercent: 19 })),
  );
  useUnits.setState({ state: 'ready', say: '', units: [unit], bookings: [], terms });
});

test('what was known last stays while the server is away', async () => {
  answers.GET.mockRejectedValue(new TypeError('no network'));
  await readUnits();
  expect(useUnits.getState()).toMatchObject({ state: 'away', say: 'The server cannot be reached.', units: [unit] });
});

test('what the crew reckons with is shown at once, kept, and taken back where it cannot be saved', async () => {
  answers.PUT.mockResolvedValueOnce(ok({ ...terms, taxPercent: 19 }));
  const saving = changeTerms({ taxPercent: 19 });
  expect(useUnits.getState().terms.taxPercent).toBe(19);
  expect(await saving).toBeNull();
  expect(answers.PUT).toHaveBeenCalledWith('/api/crew/terms', { body: { ...terms, taxPercent: 19 } });
  expect(localStorage.getItem('juxtopsis.terms')).toContain('"taxPercent":19');

  answers.PUT.mockResolvedValueOnce(no(422, { detail: 'no such clock' }));
  expect(await changeTerms({ timeZone: 'Nowhere' })).toEqual({ kind: 'refused', say: 'no such clock' });
  expect(useUnits.getState().terms).toMatchObject({ timeZone: 'Etc/UTC', taxPercent: 19 });
  answers.PUT.mockRejectedValueOnce(new TypeError('no network'));
  expect((await changeTerms({ currency: 'kr' }))?.kind).toBe('away');
  expect(useUnits.getState().terms.currency).toBe('€');
});

test('a unit is changed on its revision, and read anew where somebody was first', async () => {
  const { id, revision, ...known } = unit;
  answers.PUT.mockResolvedValueOnce(ok({ ...unit, place: 'Van', revision: 4 }));
  expect(await saveUnit(id, { ...known, place: 'Van' }, revision)).toBeNull();
  expect(answers.PUT.mock.lastCall).toMatchObject(['/api/units/{id}', { headers: { 'If-Match': '"3"' } }]);
  expect(useUnits.getState().units).toMatchObject([{ place: 'Van', revision: 4 }]);

  answers.PUT.mockResolvedValueOnce(no(412, { detail: 'changed meanwhile' }));
  expect((await saveUnit(id, known, revision))?.say).toBe('changed meanwhile');
  expect(useUnits.getState().units).toEqual([unit]);

  answers.PUT.mockResolvedValueOnce(ok({ ...unit, id: 'new' }, 201));
  await saveUnit('new', known, null);
  expect(answers.PUT.mock.lastCall).toMatchObject(['/api/units/{id}', { headers: { 'If-None-Match': '*' } }]);
  answers.DELETE.mockResolvedValueOnce({ response: { status: 409 }, error: { detail: 'River unit has booked it.' } });
  expect((await giveAway('new'))?.say).toContain('River unit');
  answers.DELETE.mockResolvedValueOnce({ response: { status: 204 } });
  expect(await giveAway('new')).toBeNull();
  expect(useUnits.getState().units.map((u) => u.id)).toEqual(['u']);
});

test('a clash is told with who has it; other refusals are not taken for one', async () => {
  const clash = { wanted: 'b', say: 'River unit has it.', free: [] };
  answers.POST.mockResolvedValueOnce(no(409, { detail: 'Booked already', clashes: [clash] }));
  expect(await book([])).toMatchObject({ clashes: [clash], failure: { say: 'Booked already' } });
  answers.POST.mockResolvedValueOnce(no(422, { detail: 'It ends before it begins.' }));
  expect(await book([])).toMatchObject({ clashes: [], failure: { say: 'It ends before it begins.' } });
  answers.POST.mockRejectedValueOnce(new TypeError('no network'));
  expect((await book([])).failure?.kind).toBe('away');
  answers.POST.mockResolvedValueOnce(ok([]));
  expect(await book([], ['x'])).toEqual({ clashes: [], failure: null });
  expect(answers.POST.mock.lastCall).toEqual(['/api/bookings', { body: { book: [], cancel: ['x'] } }]);
});

test('what was cancelled can be booked again as it was; what could not be cancelled is not among it', async () => {
  const held = {
    id: 'b',
    unitId: 'u',
    gearId: 'g',
    productionId: 'p',
    bagId: 'bag',
    crewUnit: 'Shed unit',
    from: '2027-04-01T07:00',
    to: '2027-04-01T19:00',
    beforeMinutes: 30,
    afterMinutes: 60,
    daysCharged: 2,
    daysGiven: false,
    note: 'with care',
  } as Booking;
  useUnits.setState({ bookings: [held, { ...held, id: 'c', daysGiven: true }], cancelled: [] });
  answers.POST.mockResolvedValueOnce(no(422, { detail: 'no' }));
  await book([], ['b']);
  expect(useUnits.getState().cancelled).toEqual([]);

  useUnits.setState({ bookings: [held, { ...held, id: 'c', daysGiven: true }] });
  answers.POST.mockResolvedValueOnce(ok([]));
  await book([], ['b', 'c']);
  const { cancelled } = useUnits.getState();
  expect(cancelled).toMatchObject([
    { id: 'b', unitId: 'u', crewUnit: 'Shed unit', beforeMinutes: 30, daysCharged: null, note: 'with care' },
    { id: 'c', daysCharged: 2 },
  ]);
  answers.POST.mockResolvedValueOnce(ok([]));
  await book(cancelled);
  expect(answers.POST.mock.lastCall).toEqual(['/api/bookings', { body: { book: cancelled, cancel: [] } }]);
  expect(useUnits.getState().cancelled).toEqual([]);
});

test('only what works is packed', () =>
  expect((['good', 'worn', 'damaged', 'missing'] as const).map((condition) => isUsable({ ...unit, condition }))).toEqual([
    true,
    true,
    false,
    false,
  ]));

test('a text is saved when one leaves it, once, and only where it says something else', () => {
  const onSave = vi.fn();
  draw(<Text label="Currency" value="€" max={8} onSave={onSave} />);
  const input = document.querySelector('input')!;
  type(input, '');
  type(input, 'kr ');
  expect(onSave).not.toHaveBeenCalled();
  leave(input);
  expect(onSave.mock.calls).toEqual([['kr']]);
  type(input, ' € ');
  leave(input);
  expect(onSave).toHaveBeenCalledTimes(1);
});

test('a unit that is damaged asks what is wrong, and the last one cannot be given away', async () => {
  answers.GET.mockImplementation((path: string) =>
    Promise.resolve(
      ok(path === '/api/units' ? [{ ...unit, condition: 'damaged', conditionNote: 'torn' }] : path === '/api/bookings' ? [] : terms),
    ),
  );
  draw(<UnitsOf gearId="g" />);
  await act(() => Promise.resolve());
  await vi.waitFor(() => expect(document.body.textContent).toContain('What is wrong'));
  expect([...document.querySelectorAll('input')].map((i) => i.value)).toContain('torn');
  expect(document.body.textContent).toContain('There is one');
  expect(document.body.textContent).not.toContain('Give away');
});

test('units of one model are called by their labels, else by their numbers, the first one first', () => {
  const of = (id: string, label: string) => ({ ...unit, id, gearId: 'g', label });
  const told = named([of('c', 'No. 10'), of('b', ''), of('a', 'No. 9'), of('g', '')] as never).map(({ unit: { id }, name }) => [id, name]);
  expect(told).toEqual([
    ['g', 'Unit 1'],
    ['b', 'Unit 2'],
    ['a', 'No. 9'],
    ['c', 'No. 10'],
  ]);
});
