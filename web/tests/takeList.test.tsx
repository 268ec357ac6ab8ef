import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';

vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
const { TakeList } = await import('../src/features/brief/log/TakeList');
const { draw } = await import('./drawn');
type Props = Parameters<typeof TakeList>[0];

const row = (number: number, part: object = {}, more: object = {}) => ({
  id: `t${number}`,
  revision: 1,
  isUnsaved: false,
  isRemoved: false,
  refused: '',
  value: {
    productionId: 'p',
    shotId: 's',
    shotName: 'The launch',
    takenAt: new Date(Date.UTC(2027, 3, 19, 9, number)).toISOString(),
    number,
    camera: 'A',
    mark: 'none',
    focalLengthMm: 35,
    fNumber: 4,
    distanceMm: 3000,
    rig: { body: 'b', mode: 'Full', lens: 'l', links: [], front: [], punchIn: 1, name: 'Tern + 35 mm' },
    ...part,
  },
  ...more,
});
const planned = { rig: null, focalLengthMm: 35, fNumber: 4, distanceMm: 3000, fps: null, iso: null, lensHeightMm: null };
const onOpen = vi.fn();
const list = (rows: object[], part: Partial<Props> = {}) =>
  draw(<TakeList rows={rows as never} plans={new Map([['s', planned]])} openId={null} feet={false} onOpen={onOpen} {...part} />);
const lines = () => [...document.querySelectorAll('li')].map((li) => li.textContent.replace(/[\u2009\u202f\u00a0]/g, ' '));

beforeEach(() => onOpen.mockClear());

test('the newest take stands first, with how it was set, and a press opens it', () => {
  list([row(1), row(2, { mark: 'good', camera: 'B' })]);
  expect(lines()[0]).toMatch(/^2B.*The launch.*Tern \+ 35 mm · 35 mm · ƒ4\.0 · 3.*m.*good$/);
  expect(lines()[1]).toMatch(/^1A/);
  act(() => document.querySelector<HTMLButtonElement>('li button')!.click());
  expect(onOpen).toHaveBeenCalledWith('t2');
});

test('what was otherwise than planned, a word, and what nobody planned are told', () => {
  list([row(1, { focalLengthMm: 50, note: 'gulls' }), row(2, { shotId: null, shotName: '' }), row(3)]);
  expect(lines()[2]).toContain('50 mm for 35 mm');
  expect(lines()[2]).toContain('“gulls”');
  expect(lines()[1]).toContain('Not planned');
  expect(document.querySelectorAll('.warn')).toHaveLength(1);
});

test('a take that is not stored yet says that it is kept here', () => {
  list([row(1, {}, { isUnsaved: true }), row(2)]);
  expect(lines().map((line) => line.includes('kept here'))).toEqual([false, true]);
});

test('of many the newest are shown, more by a press, and the one that is open also where it is older', () => {
  const many = Array.from({ length: 400 }, (_, i) => row(i + 1));
  list(many, { openId: 't5' });
  expect(lines()).toHaveLength(61);
  expect([lines()[0]!.startsWith('5A'), lines()[1]!.startsWith('400A')]).toEqual([true, true]);
  expect(document.querySelector('[aria-current=true]')!.textContent).toMatch(/^5A/);
  const more = [...document.querySelectorAll('button')].find((b) => b.textContent === '340 earlier')!;
  act(() => more.click());
  expect(lines()).toHaveLength(301);
});
