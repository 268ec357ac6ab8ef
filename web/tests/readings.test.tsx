import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import type { Entry, Measured, Procedure, TestReading } from '../src/core/core';

const read = (_kind: string, text: string): Entry =>
  /^[\d.]+$/.test(text)
    ? { values: [Number(text)], infinite: false, problem: null }
    : { values: [], infinite: false, problem: `“${text}” is no number.` };
vi.mock('../src/core/core', () => ({ core: () => ({ read, step: () => NaN }), coreReady: Promise.resolve() }));

const { Readings } = await import('../src/features/shelf/tests/Readings');
const { draw, type } = await import('./drawn');
type Props = Parameters<typeof Readings>[0];

const onChange = vi.fn<(readings: TestReading[]) => void>();
const procedure = (kind: string, reading: string[]) =>
  ({ kind, name: kind, reading, setup: [], steps: [], finds: '', of: ['lens'] }) as unknown as Procedure;
const width = procedure('focalLength', ['focalLengthMm', 'distanceMm', 'widthMm']);
const some = [
  { focalLengthMm: 24, distanceMm: 1000, widthMm: 1500 },
  { focalLengthMm: 24, distanceMm: 2000, widthMm: 3000 },
] as TestReading[];
const show = (part: Partial<Props> = {}) =>
  draw(
    <Readings
      procedure={width}
      readings={some}
      fits={[] as Measured['readings']}
      isZoom={false}
      feet={false}
      isDone={false}
      soFar=""
      onChange={onChange}
      {...part}
    />,
  );
const page = () => document.body.textContent;
const labels = () => [...document.querySelectorAll('[aria-label="Reading 1"] label')].map((l) => l.textContent);
const field = (at: number, label: string) => {
  const of = [...document.querySelectorAll(`[aria-label="Reading ${at}"] label`)].find((l) =>
    l.textContent.startsWith(label),
  ) as HTMLLabelElement;
  return document.getElementById(of.htmlFor) as HTMLInputElement;
};
const press = (name: string) =>
  act(() => [...document.querySelectorAll('button')].find((b) => (b.getAttribute('aria-label') ?? b.textContent) === name)!.click());
const changed = () => onChange.mock.calls.at(-1)![0];

beforeEach(() => onChange.mockClear());

test('a prime is read without its focal length, a zoom with it, and a new reading begins at the mark of the last', () => {
  show();
  expect(labels().some((label) => label.startsWith('Focal length'))).toBe(false);
  press('One more reading');
  expect(changed()).toEqual([...some, {}]);
  document.body.replaceChildren();
  show({ isZoom: true });
  expect(labels().length).toBeGreaterThan(3);
  press('One more reading');
  expect(changed().at(-1)).toEqual({ focalLengthMm: 24 });
});

test('what usually stays is begun with: through the thing that is tested, and what a square was', () => {
  show({
    procedure: procedure('magnification', ['isThrough', 'distanceMm', 'widthMm']),
    readings: [{ ...some[0], isThrough: true }] as TestReading[],
  });
  press('One more reading');
  expect(changed().at(-1)).toEqual({ isThrough: true });
  document.body.replaceChildren();
  show({
    procedure: procedure('squeeze', ['widthMm', 'heightMm']),
    readings: [{ widthMm: 300, heightMm: 200 }] as TestReading[],
  });
  press('One more reading');
  expect(changed().at(-1)).toEqual({ widthMm: 300, heightMm: 200 });
});

test('a number that is typed goes into its reading alone; what is none changes nothing and says so', () => {
  show();
  const [tape] = labels().filter((label) => !label.startsWith('counts'));
  type(field(2, tape!), '2500');
  expect(changed()).toEqual([some[0], { ...some[1], distanceMm: 2500 }]);
  onChange.mockClear();
  type(field(1, tape!), 'far');
  expect([onChange.mock.calls.length, page().includes('“far” is no number.')]).toEqual([0, true]);
});

test('a reading is set aside and counts again, and one is taken away', () => {
  const again = show();
  act(() => document.querySelector<HTMLInputElement>('[aria-label="Reading 2"] input[type=checkbox]')!.click());
  expect(changed()).toEqual([some[0], { ...some[1], isSetAside: true }]);
  again(
    <Readings procedure={width} readings={changed()} fits={[]} isZoom={false} feet={false} isDone={false} soFar="" onChange={onChange} />,
  );
  const box = document.querySelector<HTMLInputElement>('[aria-label="Reading 2"] input[type=checkbox]')!;
  expect(box.checked).toBe(false);
  act(() => box.click());
  expect(changed()[1]!.isSetAside).toBe(false);
  press('Take reading 1 away');
  expect(changed()).toHaveLength(1);
  expect(changed()[0]).toMatchObject({ distanceMm: 2000 });
});

test('a reading that does not go with the others is told, how many there are and what they come to', () => {
  show({ fits: [{ isOutlier: false }, { isOutlier: true }] as Measured['readings'], soFar: '33.9 mm ± 0.2' });
  expect(document.querySelector('[aria-label="Reading 1"]')!.textContent).not.toContain('left out');
  expect(document.querySelector('[aria-label="Reading 2"]')!.textContent).toContain('does not go with the others and is left out');
  expect(page()).toContain('2 readings: 33.9 mm ± 0.2');
});

test('in the record nothing of it is added, set aside or taken away', () => {
  show({ isDone: true });
  expect([...document.querySelectorAll('button')].map((b) => b.textContent).filter((text) => /Away|more/.test(text))).toEqual([]);
  expect(document.querySelector('input[type=checkbox]')).toBeNull();
});

test('of a rectangle that is counted in a still its own width is asked for, of a lens what is seen', () => {
  show();
  expect(labels().some((label) => label.startsWith('Width seen'))).toBe(true);
  document.body.replaceChildren();
  show({ procedure: procedure('squeeze', ['widthMm', 'heightMm', 'widthPx', 'heightPx']) });
  expect(
    labels()
      .slice(0, 2)
      .map((label) => label.replace(/\W+$/, '')),
  ).toEqual(['True width', 'True height']);
});
