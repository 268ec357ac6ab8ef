import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Diagnostic, Entry, MarksRequest } from '../src/core/core';

const read = (_kind: string, text: string): Entry => ({ values: [Number(text)], infinite: false, problem: null });
const markedField = vi.hoisted(() => vi.fn<(request: object) => unknown>());
vi.mock('../src/core/core', () => ({ core: () => ({ read, markedField, step: () => NaN }), coreReady: Promise.resolve() }));

const { StillReader } = await import('../src/features/shelf/tests/StillReader');
const { draw, press, settled, type } = await import('./drawn');

const onRead = vi.fn();
const onClose = vi.fn();
const size = { width: 3000, height: 2000 };
/** As large as it is drawn: each pixel of the page is ten of the still. */
const drawn = { left: 100, top: 50, right: 400, bottom: 250, width: 300, height: 200, x: 100, y: 50, toJSON: () => '' };
const open = async (of = size) => {
  vi.stubGlobal('createImageBitmap', () => Promise.resolve({ ...of, close: () => undefined }));
  draw(<StillReader squeeze={1} markPlusMinusPx={2} feet={false} onRead={onRead} onClose={onClose} />);
  await bring('still.jpg');
};
const bring = async (name: string) => {
  act(() => {
    const input = document.querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [new File(['x'], name)], configurable: true });
    input.dispatchEvent(new Event('change', { bubbles: true }));
  });
  await settled();
};
const box = () => document.querySelector<HTMLElement>('[data-testid=marked]')!;
/** A press at a place of the page; where a second is given, the finger goes there before it is lifted. */
const mark = (x: number, y: number, to?: [number, number]) =>
  act(() => {
    box().setPointerCapture = () => undefined;
    const send = (kind: string, clientX: number, clientY: number) =>
      box().dispatchEvent(new PointerEvent(kind, { clientX, clientY, bubbles: true, cancelable: true }));
    send('pointerdown', x, y);
    if (to) send('pointermove', ...to);
    send('pointerup', ...(to ?? [x, y]));
  });
const marks = () => [...document.querySelectorAll<HTMLElement>('[aria-label^="Mark "]')];
const field = (label: string) =>
  document.getElementById(
    [...document.querySelectorAll('label')].find((l) => l.textContent.startsWith(label))!.htmlFor,
  ) as HTMLInputElement;
const status = () => document.querySelector('[role=status]')!.textContent.replace(/[\u2009\u202f\u00a0]/g, ' ');
const button = (name: string) => [...document.querySelectorAll('button')].find((b) => b.textContent === name)!;
const asked = () => markedField.mock.calls.at(-1)![0] as MarksRequest;

beforeEach(() => {
  vi.clearAllMocks();
  vi.spyOn(HTMLElement.prototype, 'getBoundingClientRect').mockReturnValue(drawn);
  markedField.mockReturnValue({ widthMm: 1500.12345, plusMinusMm: 3, tiltDeg: null });
});

test('two marks with what lies between them, and the tape, tell the field, which becomes a reading', async () => {
  await open();
  expect(status()).toContain('Mark both ends of something of known size');
  mark(150, 100);
  mark(350, 100);
  expect(status()).toBe('How wide is it?');
  type(field('Between the marks'), '1000');
  expect(status()).toBe('How far is it from the sensor mark?');
  expect(button('Take a mark away').disabled).toBe(false);
  type(field('Tape'), '3000');
  expect(asked()).toMatchObject({
    marks: [
      { x: 500, y: 500 },
      { x: 2500, y: 500 },
    ],
    pictureWidthPx: 3000,
    pictureHeightPx: 2000,
    widthMm: 1000,
    heightMm: null,
    distanceMm: 3000,
    markPlusMinusPx: 2,
  });
  expect(status()).toMatch(/^The whole picture shows 1\.50? m there/);
  act(() => [...document.querySelectorAll('button')].at(-1)!.click());
  expect(onRead).toHaveBeenCalledWith({ widthMm: 1500.123, distanceMm: 3000 });
});

test('a mark is taken hold of and moved, never past the edge, by hand and by keys; Delete takes it away', async () => {
  await open();
  mark(150, 100);
  mark(152, 102, [90, 400]);
  expect(marks()).toHaveLength(1);
  type(field('Between the marks'), '1000');
  mark(350, 100);
  expect(asked().marks).toEqual([
    { x: 0, y: 2000 },
    { x: 2500, y: 500 },
  ]);
  press(marks()[1]!, 'ArrowLeft');
  press(marks()[1]!, 'ArrowUp', { shiftKey: true });
  expect(asked().marks[1]).toEqual({ x: 2499, y: 490 });
  press(marks()[0]!, 'Delete');
  expect(marks()).toHaveLength(1);
  act(() => button('Take a mark away').click());
  expect(marks()).toHaveLength(0);
  expect(button('Take a mark away').disabled).toBe(true);
});

test('four corners want height and tape too, no fifth is taken, and what is no rectangle is said', async () => {
  await open();
  for (const [x, y] of [
    [150, 80],
    [350, 80],
    [350, 220],
  ] as const) {
    mark(x, y);
  }
  expect(status()).toBe('One corner more, or take one away.');
  mark(150, 220);
  mark(250, 150);
  expect(marks()).toHaveLength(4);
  type(field('True width'), '1000');
  expect(status()).toBe('How high is the rectangle?');
  type(field('True height'), '700');
  markedField.mockReturnValue(null);
  type(field('Tape'), '3000');
  expect(status()).toContain('no rectangle seen from the front');
  markedField.mockReturnValue([{ message: 'Too near.' }] as Diagnostic[]);
  type(field('Tape'), '3001');
  expect([...document.querySelectorAll('button')].at(-1)!.disabled).toBe(true);
  markedField.mockReturnValue({ widthMm: 1500, plusMinusMm: 3, tiltDeg: 12.34 });
  type(field('Tape'), '3002');
  expect(status()).toContain('the plane was turned by 12.3°, which is taken out');
  expect(asked()).toMatchObject({ heightMm: 700, distanceMm: 3002 });
});

test('a still that stands upright is laid on its side: its long side is the sensor’s width', async () => {
  await open({ width: 2000, height: 3000 });
  mark(150, 100);
  mark(150, 200);
  type(field('Between the marks'), '1000');
  expect(document.body.textContent).toContain('The still stands upright');
  // On 300 × 200 of the page: a pixel across is 6.67 of the still, one down 15.
  const [one, other] = asked().marks;
  expect([one!.x, other!.x]).toEqual([750, 2250]);
  expect(one!.y).toBeCloseTo(2000 - (50 / 300) * 2000, 6);
  expect([asked().pictureWidthPx, asked().pictureHeightPx]).toEqual([3000, 2000]);
});

test('another still begins without marks, and a file that is no picture says so and leaves the one before', async () => {
  await open();
  mark(150, 100);
  await bring('other.jpg');
  expect(marks()).toHaveLength(0);
  mark(150, 100);
  vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('no picture')));
  await bring('notes.txt');
  expect(document.querySelector('[role=alert]')!.textContent).toContain('cannot read the file as a picture');
  expect(marks()).toHaveLength(1);
  act(() => button('Close').click());
  expect([onClose.mock.calls.length, onRead.mock.calls.length]).toEqual([1, 0]);
});
