import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import type { GearItem } from '../src/core/core';

const read = vi.hoisted(() => vi.fn<(id: string) => Promise<unknown>>());
const copyOf = vi.hoisted(() => vi.fn<(kind: string, id: string) => Promise<unknown>>());
const takeOut = vi.hoisted(() => vi.fn<(takes: object[], aspects: number[], name: string, kind: string) => Promise<string>>());
vi.mock('../src/core/core', () => ({
  core: () => ({
    // An equivalent of half as much again, of a squarer picture more.
    evaluate: ({ scene, rigs }: { scene: { deliveryAspect: number }; rigs: { focalLengthMm: number }[] }) => [
      { figures: { equivalentFocalLengthMm: (rigs[0]!.focalLengthMm * 1.5 * 16) / 9 / scene.deliveryAspect } },
    ],
    // What takes it in from the end of a place of some length.
    frames: ({ shots = [], locations = [] }: { shots?: { locationId: string }[]; locations?: { id: string; lengthMm?: number }[] }) =>
      shots.map((shot) => ({
        heightMm: shot.locationId === 'bench' ? 30 : 900,
        roomEquivalentMm: locations.find((place) => place.id === shot.locationId)?.lengthMm ?? null,
      })),
    upgraded: (_: string, document: object) => ({ ...document, schemaVersion: 4 }),
  }),
  coreReady: Promise.resolve(),
}));
vi.mock('../src/gear/setRigs', () => ({
  rigOfSetting: ({ focalLengthMm }: { focalLengthMm: number }) => ({ focalLengthMm, chain: {} }),
  partsOf: () => [],
}));
vi.mock('../src/api/client', async (original) => ({ ...(await original<object>()), productions: { read } }));
const askFit = vi.hoisted(() => vi.fn<(...asked: [string, boolean, object, (outcome: object) => void]) => Promise<void>>());
vi.mock('../src/gear/fitting', async (original) => ({ ...(await original<object>()), askFit }));
vi.mock('../src/documents/drafts', async (original) => ({ ...(await original<object>()), copyOf }));
const learntOut = vi.hoisted(() => vi.fn<(rows: string[][], name: string) => void>());
vi.mock('../src/features/brief/log/takeFiles', () => ({ takeOut, learntOut }));

const { Learn } = await import('../src/features/brief/log/Learn');
const { apart } = await import('../src/features/brief/log/learn');
const { useGear } = await import('../src/gear/fitting');
const { draw, settled, wide } = await import('./drawn');

const gear = (id: string, kind: string, part: object = {}) => [id, { id, kind, name: id, ...part } as GearItem] as const;
const items = new Map([
  gear('Tern', 'body', { weightG: 700 }),
  gear('35 mm', 'lens', { weightG: 500 }),
  gear('Long', 'lens', { weightG: 2000 }),
]);
const places = [{ id: 'l', name: 'Loft' }];
const shot = (id: string, name: string, part: object = {}) => ({
  id,
  name,
  locationId: 'l',
  subject: { kind: 'standing' },
  size: 'medium',
  ...part,
});
const chosen = { body: 'Tern', mode: 'Full', lens: '35 mm' };
const bag = (name: string, ...things: string[]) => ({
  id: name,
  name,
  firstDay: '2027-04-19',
  lastDay: '2027-04-20',
  lines: things.map((id) => ({ id, count: 1 })),
});
const document = {
  schemaVersion: 4,
  locations: places,
  shots: [shot('s', 'Hands'), shot('t', 'Door', { chosen })],
  bags: [bag('River', 'Tern', '35 mm', 'Long')],
} as never;
let number = 0;
const take = (part: object = {}) => ({
  id: `take ${++number}`,
  revision: 1,
  isUnsaved: false,
  isRemoved: false,
  refused: '',
  value: {
    productionId: 'p',
    shotId: 's',
    shotName: 'Hands',
    takenAt: '2027-04-19T09:30:00Z',
    number,
    camera: 'A',
    mark: 'good',
    rig: { body: 'Tern', mode: 'Full', lens: '35 mm', links: [], front: [], punchIn: 1, name: 'Tern + 35 mm' },
    focalLengthMm: 35,
    fNumber: 4,
    distanceMm: 3000,
    ...part,
  },
});
const work = (id: string, name: string, whole: object) => ({
  id,
  name,
  revision: 1,
  document: { schemaVersion: 4, ...whole },
  updatedAt: '',
  deletedAt: null,
});
const said = vi.fn();
const learn = async (rows: object[], part: object = {}) => {
  const whole = { ...(document as object), ...part } as never;
  draw(<Learn rows={rows as never} productionId="p" name="Low water" document={whole} feet={false} onSaid={said} />);
  await settled();
};
const region = (name: string) => window.document.querySelector(`[aria-label="${name}"]`)!;
const text = (name: string) => region(name).textContent.replace(/[\u2009\u202f\u00a0]/g, ' ');
const page = () => window.document.body.textContent;
const choose = async (option: string) => {
  act(() => void window.document.querySelector('[role=combobox]')!.dispatchEvent(new MouseEvent('mousedown', { bubbles: true })));
  act(() => [...window.document.querySelectorAll<HTMLElement>('[role=option]')].find((o) => o.textContent === option)!.click());
  await settled();
};
const press = (name: string) => act(() => [...window.document.querySelectorAll('button')].find((b) => b.textContent === name)!.click());

beforeEach(() => {
  wide(900);
  vi.clearAllMocks();
  read.mockResolvedValue({ kind: 'missing', say: '' });
  copyOf.mockResolvedValue(null);
  takeOut.mockResolvedValue('');
  // The sail loft is where most is wanted closer.
  askFit.mockImplementation((_, __, asked, onOutcome) => {
    const { location } = asked as { location: { name: string } };
    onOutcome({ kind: 'answered', answer: { fits: [{ equivalentMm: location.name === 'Loft' ? 52 : 75 }] } });
    return Promise.resolve();
  });
  useGear.setState({ state: 'ready', items, version: 1 });
});

test('a production without takes says what will be told here', async () => {
  await learn([]);
  expect(page()).toContain('No take yet');
});

test('it says on how many takes each picture rests, and a take that does not say a thing is not counted for it', async () => {
  await learn([take(), take({ mark: 'again' }), take({ fNumber: null, distanceMm: null, rig: null })]);
  expect(page()).toContain('It rests on 3 takes, 2 of them good.');
  const rests = (name: string) => region(name).querySelector('[role=img]')!.getAttribute('aria-label');
  expect([rests('By equivalent'), rests('By aperture'), rests('By distance')]).toEqual([
    'Rests on 2 takes',
    'Rests on 2 takes',
    'Rests on 2 takes',
  ]);
  expect(text('By lens')).toContain('35 mm2 takes');
  // Of two takes one was good: the dark part of the bar is half as high.
  const [all, good] = [...region('By aperture').querySelectorAll('rect')].map((r) => Number(r.getAttribute('height')));
  expect(good! / all!).toBeCloseTo(0.5, 6);
});

test('bars stand where the equivalents are, on an axis of ratios, and what was wanted and not had is a ring at its own', async () => {
  await learn([take()]);
  const of = (name: string) => region('By equivalent').querySelector(name)!;
  const bar = of('rect');
  const [left, right] = [Number(bar.getAttribute('x')), Number(bar.getAttribute('x')) + Number(bar.getAttribute('width'))];
  const ring = Number(of('circle').getAttribute('cx'));
  // 52.5 mm is used and 52 mm was wanted: the ring stands over the bar.
  expect(ring).toBeGreaterThan(left);
  expect(ring).toBeLessThan(right);
  expect(of('title').textContent).toBe('Door: wanted at 52 and not had');
  expect(text('Wanted and not had')).toContain('Door52 mm equivalent, no take');
});

test('what was carried for nothing, why a shot is missing, and what the bags did', async () => {
  await learn([
    take(),
    take({ shotId: 't', mark: 'again', reasons: ['room', 'light'] }),
    take({ shotId: 't', mark: 'again', reasons: ['room'] }),
  ]);
  expect(text('Carried and not used')).toContain('Long (River)4 kg-days');
  expect(text('Carried and not used')).toContain('River3 takes, 1 good');
  expect(text('Wanted and not had')).toContain('2 takes, none good: ');
  await learn([take(), take({ shotId: 't' })]);
  expect(page()).toContain('Every shot has a good take.');
});

test('over all productions what was carried and missed is told of each of them, an older document as it is now', async () => {
  read.mockImplementation((id) =>
    Promise.resolve(
      id === 'q'
        ? work('q', 'High water', { schemaVersion: 3, shots: [shot('u', 'Mast')], bags: [bag('Sea', 'Long', '35 mm')] })
        : work('r', 'Ebb', { shots: [], bags: [] }),
    ),
  );
  await learn([take(), take({ productionId: 'q', shotId: 'u', mark: 'again' }), take({ productionId: 'r', shotId: null })]);
  expect(text('By lens')).toContain('35 mm1 take');
  await choose('all productions');
  expect(page()).toContain('It rests on 3 takes, 2 of them good.');
  expect(text('By lens')).toContain('35 mm3 takes');
  expect(read.mock.calls.map(([id]) => id)).toEqual(['q', 'r']);
  // Two days in each of two bags: 2 kg × 4 days.
  expect(text('Carried and not used')).toContain('Long (2 bags)8 kg-days');
  expect(text('Carried and not used')).toContain('Sea (High water)0 takes');
  expect(text('Wanted and not had')).toContain('Door (Low water)');
  expect(text('Wanted and not had')).toContain('Mast (High water)1 take, none good');
  await choose('this production');
  expect(text('Carried and not used')).toContain('Long (River)4 kg-days');
});

test('without the server the copies in this browser tell it, and how many are told of nowhere is said', async () => {
  read.mockResolvedValue({ kind: 'away', say: 'The server cannot be reached.' });
  copyOf.mockImplementation((_, id) => Promise.resolve(id === 'q' ? work('q', 'High water', { bags: [bag('Sea', 'Long')] }) : null));
  await learn([take(), take({ productionId: 'q' }), take({ productionId: 'r' })]);
  await choose('all productions');
  expect(page()).toContain('1 production cannot be read: what');
  expect(text('Carried and not used')).toContain('Long (2 bags)');
});

test('takes that were deleted are not counted, and what goes out is what is shown', async () => {
  await learn([take(), { ...take(), isRemoved: true }, take({ productionId: 'q' })]);
  expect(page()).toContain('It rests on 1 take,');
  takeOut.mockResolvedValueOnce('The server cannot be reached.');
  press('Takes as CSV');
  await settled();
  expect(takeOut.mock.calls[0]!.slice(1)).toEqual([[16 / 9], 'Low water', 'csv']);
  expect(said).toHaveBeenCalledWith('The server cannot be reached.');
  await choose('all productions');
  press('Takes as JSON');
  expect([takeOut.mock.calls[1]![0].length, ...takeOut.mock.calls[1]!.slice(2)]).toEqual([2, 'All', 'json']);
});

test('all of it goes out as one table: what is shown, with units, and empty where it is not known', async () => {
  await learn([take(), take({ mark: 'again' }), take({ shotId: 't', mark: 'again', reasons: ['room', 'light'], fNumber: null })]);
  press('This as CSV');
  const [[head, ...rows], name] = learntOut.mock.calls[0] as [[string[], ...string[][]], string];
  expect(name).toBe('Low water');
  expect(rows.every((row) => row.length === head.length)).toBe(true);
  expect(rows.filter(([what]) => what === 'Lens')).toEqual([['Lens', '35 mm', '', '', '3', '1', '', '', '']]);
  const bar = rows.find(([what]) => what === 'Equivalent (mm)')!;
  expect([Number(bar[2]) <= 52.5 && Number(bar[3]) > 52.5, ...bar.slice(4, 6)]).toEqual([true, '3', '1']);
  expect(rows.find(([what]) => what === 'Aperture (ƒ)')!.slice(4, 6)).toEqual(['2', '1']);
  expect(rows.find(([what]) => what === 'Carried and not used')).toEqual([
    'Carried and not used',
    'Long',
    '',
    '',
    '',
    '',
    '4',
    '',
    'River',
  ]);
  expect(rows.find(([what]) => what === 'Wanted and not had')).toEqual([
    'Wanted and not had',
    'Door',
    '52',
    '52',
    '1',
    '0',
    '',
    '',
    'The room; The light',
  ]);
  expect(rows.find(([what]) => what === 'Bag')).toEqual(['Bag', 'River', '', '', '3', '1', '', '0', '']);
});

test('a copy of a production has the same shots and bags: each is told for itself, by where it is planned', async () => {
  const said = vi.spyOn(console, 'error').mockImplementation(() => undefined);
  read.mockResolvedValue(work('q', 'Low water, again', { ...(document as object), locations: [{ ...places[0], name: 'Quay' }] }));
  await learn([take(), take({ productionId: 'q' })]);
  await choose('all productions');
  expect(text('Wanted and not had')).toContain('Door (Low water)52 mm equivalent, no take');
  expect(text('Wanted and not had')).toContain('Door (Low water, again)75 mm equivalent, no take');
  const rings = [...region('By equivalent').querySelectorAll('circle')].map((ring) => Number(ring.getAttribute('cx')));
  expect(rings).toHaveLength(2);
  expect(rings[0]).toBeLessThan(rings[1]!);
  expect(text('Carried and not used')).toContain('River (Low water, again)1 take');
  expect(said.mock.calls.filter(([message]) => String(message).includes('same key'))).toEqual([]);
  said.mockRestore();
});

test('while the other productions are being read, half a table cannot be taken', async () => {
  let tell: (found: unknown) => void = () => undefined;
  read.mockImplementation(() => new Promise((done) => (tell = done)));
  await learn([take(), take({ productionId: 'q' })]);
  await choose('all productions');
  const table = () => [...window.document.querySelectorAll('button')].find((b) => b.textContent === 'This as CSV')!;
  expect([table().disabled, page().includes('The other productions are being read')]).toEqual([true, true]);
  await act(async () => {
    tell(work('q', 'High water', {}));
    await Promise.resolve();
  });
  await settled();
  expect(table().disabled).toBe(false);
});

test('each take is told by what it is delivered as: its shot, else its own production', async () => {
  read.mockResolvedValue(work('q', 'High water', { delivery: { aspect: 1 }, shots: [shot('u', 'Mast', { deliveryAspect: 4 / 3 })] }));
  await learn([take(), take({ productionId: 'q', shotId: 'gone' }), take({ productionId: 'q', shotId: 'u' })], { delivery: { aspect: 2 } });
  await choose('all productions');
  press('Takes as CSV');
  expect(takeOut.mock.calls[0]![1]).toEqual([2, 1, 4 / 3]);
  press('This as CSV');
  const rows = learntOut.mock.calls[0]![0].filter(([what]) => what === 'Equivalent (mm)');
  const told = (mm: number) => rows.some((row) => Number(row[2]) <= mm && mm < Number(row[3]) && row[4] === '1');
  expect([46.7, 93.3, 70].map(told)).toEqual([true, true, true]);
});

test('while it is not known where shots are planned, half a table cannot be taken', async () => {
  let answer: () => void = () => undefined;
  askFit.mockImplementation(async (_, __, ___, onOutcome) => {
    await new Promise<void>((done) => (answer = done));
    onOutcome({ kind: 'refused', problems: [] });
  });
  await learn([take()]);
  const table = () => [...window.document.querySelectorAll('button')].find((b) => b.textContent === 'This as CSV')!;
  expect(table().disabled).toBe(true);
  answer();
  await settled();
  expect(table().disabled).toBe(false);
  expect(text('Wanted and not had')).toContain('Doorno take');
});

test('where no rig is chosen, or it does not give the shot, there is no room for anything longer than from the end of the place', async () => {
  askFit.mockImplementation((_, __, ___, onOutcome) => {
    onOutcome({ kind: 'answered', answer: { fits: [] } });
    return Promise.resolve();
  });
  const shots = [
    shot('s', 'Hands'),
    shot('t', 'Door', { chosen }),
    shot('u', 'Mast'),
    shot('v', 'Sky', { locationId: 'open' }),
    shot('w', 'A rivet', { locationId: 'bench' }),
  ];
  await learn([take()], {
    shots,
    locations: [
      { ...places[0], lengthMm: 24 },
      { id: 'open', name: 'Open' },
      { id: 'bench', name: 'Bench', lengthMm: 1700 },
    ],
  });
  for (const name of ['Door', 'Mast']) expect(text('Wanted and not had')).toContain(`${name}at most 24 mm equivalent, no take`);
  expect(text('Wanted and not had')).toContain('Skyno take');
  // Close by, a ratio is wanted and no angle.
  expect(text('Wanted and not had')).toContain('A rivetno take');
  const titles = [...region('By equivalent').querySelectorAll('title')].map((title) => title.textContent);
  expect(titles).toEqual(['Door: wanted at no more than 24 and not had', 'Mast: wanted at no more than 24 and not had']);
  press('This as CSV');
  const rows = learntOut.mock.calls[0]![0];
  expect(rows.find((row) => row[1] === 'Mast')!.slice(0, 5)).toEqual(['Wanted and not had', 'Mast', '', '24', '0']);
});

test('marks whose words would run into each other are left out, the next one that has room is not', () => {
  const at = (mark: number): [number, number] => [mark, 20];
  expect(apart([0, 10, 20, 30, 48, 71, 72], at)).toEqual([0, 30, 71]);
  expect(apart([], at)).toEqual([]);
});
