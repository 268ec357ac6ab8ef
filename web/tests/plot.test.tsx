import { act } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';
import { draw, press } from './drawn';

vi.mock('../src/ui/useWidth', () => ({ useWidth: () => [() => undefined, 300] }));
const { bestFront, Plot } = await import('../src/drawing/Plot');

interface Thing {
  id: string;
  weight: number | null;
  price: number;
}
const thing = (id: string, weight: number | null, price = 1): Thing => ({ id, weight, price });
const axes = {
  weight: { label: 'weight', value: (t: Thing) => t.weight, text: (v: number) => `${v} g`, better: 'less' as const },
  price: { label: 'price', value: (t: Thing) => t.price, text: (v: number) => `${v} €`, better: 'less' as const },
};
const onPick = vi.fn((t: Thing) => (picked = t.id));
let picked: string | null = null;
const of = (things: Thing[]) => (
  <Plot
    things={things}
    axes={axes}
    across="weight"
    up="price"
    onAxes={() => undefined}
    keyOf={(t) => t.id}
    nameOf={(t) => t.id}
    picked={picked}
    onPick={onPick}
    label="Things"
  />
);
const focused = () => document.activeElement?.getAttribute('aria-label') ?? null;
const options = () => [...document.querySelectorAll<SVGElement>('[role=option]')];
const list = () => document.querySelector('[role=listbox]')!;

beforeEach(() => {
  picked = null;
  onPick.mockClear();
});

test('keys go from point to point, left to right, and stop at the ends', () => {
  picked = 'b';
  const things = [thing('c', 3), thing('a', 1), thing('b', 2)];
  const again = draw(of(things));
  act(() => options()[1]!.focus());
  const seen = ['ArrowRight', 'ArrowUp', 'ArrowLeft', 'ArrowDown', 'ArrowLeft'].map((key) => {
    press(list(), key);
    again(of(things));
    return focused()!.split(':')[0];
  });
  expect(seen).toEqual(['c', 'c', 'b', 'a', 'a']);
  expect(press(list(), 'Enter')).toBe(false);
});

test('keys go on where the points became others meanwhile, though the one that had them is gone', () => {
  picked = 'b';
  const again = draw(of([thing('a', 1), thing('b', 2)]));
  act(() => options()[1]!.focus());
  picked = 'd';
  again(of([thing('a', 1), thing('d', 4)]));
  expect(focused()).toBe('d: weight 4 g, price 1 €');
});

test('keys are not taken from where they are', () => {
  picked = 'b';
  const again = draw(of([thing('a', 1), thing('b', 2)]));
  const field = document.body.appendChild(document.createElement('input'));
  act(() => options()[1]!.focus());
  act(() => field.focus());
  picked = 'a';
  again(of([thing('a', 1), thing('d', 4)]));
  expect(document.activeElement).toBe(field);
});

test('what is not known of a thing has no place, and is counted', () => {
  draw(of([thing('a', 1), thing('b', null), thing('c', 3)]));
  expect(options()).toHaveLength(2);
  expect(document.body.textContent).toContain('1 not known');
});

test('the front holds what nothing betters in both', () => {
  const points = [thing('a', 1, 9), thing('b', 2, 4), thing('c', 3, 6), thing('d', 4, 1)].map((t) => ({
    thing: t,
    x: t.weight!,
    y: t.price,
  }));
  expect(bestFront(points, axes.weight, axes.price).map((p) => p.thing.id)).toEqual(['a', 'b', 'd']);
  expect(bestFront(points, axes.weight, { ...axes.price, better: 'more' }).map((p) => p.thing.id)).toEqual(['a']);
});
