import { act } from 'react';
import { MemoryRouter } from 'react-router';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Entry } from '../src/core/core';

const readStill = vi.hoisted(() => vi.fn<() => Promise<unknown>>());
const readClip = vi.hoisted(() => vi.fn<() => Promise<unknown>>());
const bringPhoto = vi.hoisted(() => vi.fn<() => Promise<unknown>>());
const changePlace = vi.hoisted(() => vi.fn());
const read = (_kind: string, text: string): Entry =>
  /^[\d.]+$/.test(text)
    ? { values: [Number(text)], infinite: false, problem: null }
    : { values: [], infinite: false, problem: `“${text}” is no number.` };
vi.mock('../src/core/core', () => ({
  core: () => ({ read, step: (_: string, value: number, up: boolean) => value + (up ? 1 : -1) }),
  coreReady: Promise.resolve(),
}));
vi.mock('../src/features/brief/log/still', () => ({ readStillHeader: readStill }));
vi.mock('../src/features/brief/log/clip', () => ({ isClip: (file: File) => file.name.endsWith('.mov'), readClipHeader: readClip }));
vi.mock('../src/picture/photo', () => ({ bringPhoto, photoAddress: ({ id }: { id: string }) => `/api/photos/${id}` }));
vi.mock('../src/features/brief/log/Wipe', () => ({ Wipe: () => <div>wiped</div> }));
vi.mock('../src/features/brief/commands', async (original) => ({ ...(await original<object>()), changePlace }));

const { TakeCard } = await import('../src/features/brief/log/TakeCard');
const { takes } = await import('../src/features/brief/log/takes');
const { useGear } = await import('../src/gear/fitting');
const { draw, settled, type } = await import('./drawn');

type Take = Parameters<typeof takes.put>[1];
const rig = (lens: string) => ({ body: 'b', mode: 'Full', lens, links: [], front: [], punchIn: 1, name: `Tern + ${lens}` });
const take = (part: Partial<Take> = {}): Take => ({
  productionId: 'p',
  shotId: 's1',
  shotName: 'The launch',
  takenAt: '2027-04-19T09:30:00Z',
  number: 2,
  camera: 'A',
  mark: 'none',
  rig: rig('35 mm'),
  focalLengthMm: 35,
  fNumber: 4,
  distanceMm: 3000,
  fps: 25,
  ...part,
});
const planned = { rig: rig('35 mm'), focalLengthMm: 35, fNumber: 4, distanceMm: 3000, fps: 25, iso: null, lensHeightMm: null };
const place = { id: 'l', name: 'Loft', lengthMm: 4000 };
const shots = [
  { id: 's1', name: 'The launch' },
  { id: 's2', name: 'A heron' },
];
const did = { onOpen: vi.fn(), onBench: vi.fn(), onShot: vi.fn(), onDelete: vi.fn() };

/** The card as its page shows it: always the row as it is now. */
function Shown({ part }: { part: object }) {
  const rows = takes.useRows((s) => s.rows);
  const row = rows.find((r) => r.id === 't');
  return (
    <MemoryRouter>
      {row && !row.isRemoved ? (
        <TakeCard
          row={row}
          rows={rows}
          planned={planned}
          place={place}
          rigs={[rig('35 mm'), rig('Long')]}
          shots={shots as never}
          picture={null}
          name="Low water"
          document={{ schemaVersion: 4 }}
          feet={false}
          {...did}
          {...part}
        />
      ) : (
        'gone'
      )}
    </MemoryRouter>
  );
}
const open = (value: Partial<Take> = {}, part: object = {}) => {
  takes.put('t', take(value));
  return draw(<Shown part={part} />);
};
const now = () => takes.useRows.getState().rows.find((r) => r.id === 't')!.value;
const page = () => document.body.textContent.replace(/[\u2009\u202f\u00a0]/g, ' ');
const button = (name: string) =>
  [...document.querySelectorAll<HTMLElement>('button, [role=button]')].find(
    (b) => (b.getAttribute('aria-label') ?? b.textContent) === name,
  )!;
const press = (name: string) => act(() => button(name).click());
const field = (label: string) => {
  const of = [...document.querySelectorAll('label')].find((l) => l.textContent.startsWith(label))!;
  return document.getElementById(of.htmlFor) as HTMLInputElement;
};
const bring = (name: string) =>
  act(() => {
    const input = document.querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [new File(['x'], name)], configurable: true });
    input.dispatchEvent(new Event('change', { bubbles: true }));
  });
const header = (set: object, told: string[], silent: string[] = [], takenAt: string | null = null) => ({ set, told, silent, takenAt });

beforeEach(() => {
  vi.clearAllMocks();
  localStorage.clear();
  vi.stubGlobal('fetch', () => Promise.reject(new Error('No network.')));
  takes.useRows.setState({ rows: [], state: 'ready', say: '' });
  useGear.setState({
    state: 'ready',
    items: new Map(['b', '35 mm', 'Long'].map((id) => [id, { id, name: id, kind: 'lens' }])),
  });
  bringPhoto.mockResolvedValue({ kind: 'away', say: 'The server cannot be reached.' });
  readStill.mockResolvedValue(header({}, []));
});

test('good and again are one press, and the same press takes it back', () => {
  open();
  press('Good');
  expect([now().mark, button('Good').getAttribute('aria-pressed')]).toEqual(['good', 'true']);
  press('Again');
  expect(now().mark).toBe('again');
  press('Again');
  expect(now().mark).toBe('none');
});

test('a number is a step up or down, or typed; what cannot be read changes nothing', () => {
  open();
  press('Focal length up');
  press('Focal length up');
  expect(now().focalLengthMm).toBe(37);
  type(field('Aperture'), '5.6');
  expect(now().fNumber).toBe(5.6);
  type(field('Aperture'), 'wide');
  expect([now().fNumber, page().includes('“wide” is no number.')]).toEqual([5.6, true]);
});

test('what is otherwise than planned is told with its reasons, of which more than one may count', () => {
  open();
  expect(document.querySelector('[aria-label=Why]')).toBeNull();
  press('Focal length up');
  expect(page()).toContain('Otherwise than planned');
  press('The room');
  press('Focus');
  expect(now().reasons).toEqual(['room', 'focus']);
  press('The room');
  expect(now().reasons).toEqual(['focus']);
});

test('the place is corrected by one press, from what was taped there, and only where it is another', () => {
  open({ roomMm: 4000 });
  expect(button('Correct Loft')).toBeUndefined();
  act(() => takes.put('t', take({ roomMm: 3800 })));
  press('Correct Loft');
  expect(changePlace).toHaveBeenCalledWith('l', { lengthMm: 3800, taped: true });
  expect(page()).toMatch(/Loft is 3\.80? m long now/);
});

test('a still fills in what its header says and tells what it does not', async () => {
  readStill.mockResolvedValue(
    header({ focalLengthMm: 36, iso: 400 }, ['focal length', 'sensitivity'], ['distance'], '2027-04-19T09:31:00Z'),
  );
  open();
  bring('still.jpg');
  await settled();
  expect(now()).toMatchObject({ focalLengthMm: 36, iso: 400, distanceMm: 3000, takenAt: '2027-04-19T09:31:00Z', file: 'still.jpg' });
  expect(page()).toContain(
    'Filled in from the still: focal length, sensitivity. Not told: distance. The picture itself is not stored: The server cannot be reached.',
  );
});

test('what is noted while a still is being read, and while it is being stored, stays', async () => {
  let tell: (found: unknown) => void = () => undefined;
  let store: (photo: unknown) => void = () => undefined;
  readStill.mockImplementation(() => new Promise((done) => (tell = done)));
  bringPhoto.mockImplementation(() => new Promise((done) => (store = done)));
  open();
  bring('still.jpg');
  press('Good');
  type(document.querySelector<HTMLInputElement>('input[aria-label="A word"]')!, 'gulls');
  tell(header({ focalLengthMm: 36 }, ['focal length']));
  await settled();
  expect(now()).toMatchObject({ mark: 'good', note: 'gulls', focalLengthMm: 36 });
  press('Again');
  type(field('Aperture'), '8');
  store({ photo: { id: 'photo' } });
  await settled();
  expect(now()).toMatchObject({ mark: 'again', fNumber: 8, focalLengthMm: 36, photoId: 'photo' });
});

test('a take that is deleted while its still is being read stays deleted', async () => {
  let tell: (found: unknown) => void = () => undefined;
  readStill.mockImplementation(() => new Promise((done) => (tell = done)));
  open();
  bring('still.jpg');
  act(() => takes.remove('t'));
  tell(header({ focalLengthMm: 36 }, ['focal length']));
  await settled();
  expect(takes.useRows.getState().rows.filter((r) => !r.isRemoved)).toEqual([]);
});

test('a clip that says nothing, and one that cannot be read without the server, say so; no picture is asked of a clip', async () => {
  open();
  readClip.mockResolvedValueOnce(header({}, []));
  bring('A001.mov');
  await settled();
  expect(page()).toContain('The clip says nothing of how it was taken.');
  readClip.mockResolvedValueOnce(null);
  bring('A002.mov');
  await settled();
  expect(page()).toContain('The clip cannot be read without the server. Its name is noted');
  expect(now().file).toBe('A002.mov');
  expect(bringPhoto).not.toHaveBeenCalled();
});

test('what of its rig is not on the shelf any more is named, and goes to no Bench', () => {
  open({ rig: rig('Sold') });
  expect(page()).toContain('Not on the shelf any more');
  expect((button('To the Bench') as HTMLButtonElement).disabled).toBe(true);
  act(() => takes.put('t', take()));
  expect(page()).not.toContain('Not on the shelf any more');
  press('To the Bench');
  expect(did.onBench).toHaveBeenCalledOnce();
});

test('another camera begins as this one is set, unmarked, and is opened', () => {
  open({ mark: 'good', note: 'gulls' });
  press('Another camera too');
  const [id] = did.onOpen.mock.calls[0] as [string];
  expect(takes.useRows.getState().rows.find((r) => r.id === id)!.value).toMatchObject({
    number: 2,
    camera: 'B',
    mark: 'none',
    note: '',
    focalLengthMm: 35,
  });
});

test('its set-up goes to another shot, and why the server took it not is said before all else', () => {
  open();
  press('More');
  const select = [...document.querySelectorAll('[role=combobox]')].find((box) => box.textContent.includes('choose'))!;
  act(() => void select.dispatchEvent(new MouseEvent('mousedown', { bubbles: true })));
  act(() => [...document.querySelectorAll<HTMLElement>('[role=option]')].find((o) => o.textContent === 'A heron')!.click());
  expect(did.onShot).toHaveBeenCalledWith(shots[1]);
  expect(page()).toContain('A heron has this rig now.');
  act(() => takes.useRows.setState((s) => ({ rows: s.rows.map((r) => ({ ...r, refused: 'The take has no number.' })) })));
  expect(document.querySelector('[role=status]')!.textContent).toBe('The take has no number.');
});
