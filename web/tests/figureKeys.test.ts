import type { KeyboardEvent } from 'react';
import { beforeEach, expect, test, vi } from 'vitest';

const [openWorking, sortBy] = vi.hoisted(() => [vi.fn(), vi.fn()]);
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/features/bench/benchStore', () => ({ idAt: (rig: number) => `rig ${rig}` }));
vi.mock('../src/features/bench/panels/panelStore', () => ({ openWorking }));
vi.mock('../src/features/bench/Figures', () => ({ sortBy }));
const { move, openIt, target } = await import('../src/features/bench/figures/moving');

/** Two figures of three rigs, under a head that sorts by the first; one figure is not told of the third. */
const table = () => document.querySelector('table')!;
const cell = (id: string) => document.getElementById(id)!;
beforeEach(() => {
  openWorking.mockClear();
  sortBy.mockClear();
  document.body.innerHTML = `<table><tbody>
    <tr data-row><th data-sort="sensorWidthMm" id="s" tabindex="0"><b id="in">Width</b></th><td data-figure="sensorWidthMm" data-rig="0" id="a0" tabindex="-1"></td><td data-figure="sensorWidthMm" data-rig="1" id="a1" tabindex="-1"></td></tr>
    <tr><td colspan="3">Where one stands</td></tr>
    <tr data-row><th data-sort="cropFactor" id="t" tabindex="-1"></th><td data-figure="cropFactor" data-rig="0" id="b0" tabindex="-1"></td><td></td></tr>
  </tbody></table>`;
});

/** A key on a cell; true when it was taken. */
function press(on: string, key: string): boolean {
  const preventDefault = vi.fn();
  move({ key, target: cell(on), currentTarget: table(), preventDefault } as unknown as KeyboardEvent<HTMLTableElement>);
  return preventDefault.mock.calls.length > 0;
}
const stops = () => [...document.querySelectorAll('[tabindex="0"]')].map((one) => one.id);

test('arrows go from figure to figure, past rows that hold none, and the table stays one stop of the Tab key', () => {
  const way: [string, string, string][] = [
    ['s', 'ArrowRight', 'a0'],
    ['a0', 'ArrowRight', 'a1'],
    ['a1', 'ArrowLeft', 'a0'],
    ['a0', 'ArrowDown', 'b0'],
    ['b0', 'ArrowUp', 'a0'],
  ];
  for (const [from, key, to] of way) {
    expect(press(from, key)).toBe(true);
    expect(document.activeElement!.id).toBe(to);
    expect(stops()).toEqual([to]);
  }
});

test('at the edges, and where no figure stands, the keys stay where they are; other keys are not taken', () => {
  for (const [on, key] of [
    ['s', 'ArrowLeft'],
    ['s', 'ArrowUp'],
    ['a1', 'ArrowRight'],
    ['a1', 'ArrowDown'],
    ['b0', 'ArrowRight'],
  ] as const) {
    cell(on).tabIndex = 0;
    expect(press(on, key)).toBe(true);
    expect(cell(on).tabIndex).toBe(0);
  }
  expect(['Tab', 'Escape', 'x', 'Home'].map((key) => press('a0', key))).toEqual([false, false, false, false]);
});

test('Enter and the space bar open the working of a figure, or sort by it', () => {
  expect(press('a1', 'Enter')).toBe(true);
  expect(openWorking).toHaveBeenLastCalledWith('rig 1', 'sensorWidthMm');
  expect(press('t', ' ')).toBe(true);
  expect(sortBy).toHaveBeenLastCalledWith('cropFactor');
  expect(openWorking).toHaveBeenCalledTimes(1);
});

test('what stands within a cell belongs to it, and what is in none opens nothing', () => {
  expect(target({ target: cell('in') })!.id).toBe('s');
  expect(target({ target: table() })).toBeNull();
  openIt(null);
  expect(openWorking.mock.calls.length + sortBy.mock.calls.length).toBe(0);
});
