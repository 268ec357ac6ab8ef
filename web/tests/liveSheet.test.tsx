import { act } from 'react';
import { expect, test, vi } from 'vitest';
import type { Sheet, SheetFacts } from '../src/sheets/facts';
import { newSheet } from '../src/sheets/kinds';
import type { Page } from '../src/sheets/marks';
import { draw } from './drawn';

// A page that has no time: what may wait, waits for ever.
vi.mock('react', async (original) => {
  const react = await original<typeof import('react')>();
  return { ...react, useDeferredValue: <T,>(value: T) => react.useState(value)[0] };
});
vi.mock('../src/core/core', () => ({ core: () => ({}), coreReady: Promise.resolve() }));
vi.mock('../src/sheets/PageView', () => ({
  PageView: ({ page }: { page: Page }) => <article>{page.marks.map((mark) => (mark.kind === 'text' ? mark.text : ''))}</article>,
}));
vi.mock('../src/picture/pictures', () => ({ printPicture: vi.fn(), usePictures: Object.assign(() => null, { getState: () => ({}) }) }));
vi.mock('../src/sheets/fonts', () => ({ measure: (text: string, size: number) => text.length * size * 0.2 }));
const [savePdf, freeze] = vi.hoisted(() => [vi.fn(() => Promise.resolve('')), vi.fn(() => Promise.resolve({ id: 'f' }))]);
vi.mock('../src/sheets/out', async (original) => ({ ...(await original<object>()), savePdf }));
vi.mock('../src/sheets/frozen', async (original) => ({ ...(await original<object>()), freeze }));

const { LiveSheet } = await import('../src/sheets/LiveSheet');

const facts: SheetFacts = { name: 'Low Water', what: 'Frames', href: '/', foot: [], blocks: [] };
const made = () => ({ facts, choices: [], things: [] });
const nothing = () => undefined;
const of = (sheet: Sheet) => (
  <LiveSheet
    sheet={sheet}
    made={made}
    put={nothing}
    work={{ id: 'w', revision: 1, state: 'revision 1' }}
    form={{ questions: () => [], units: [], bags: [], hasShots: false }}
    onSaid={nothing}
    onFrozen={nothing}
    onRemove={nothing}
  />
);
const page = () => document.querySelector('article')!.textContent;
const click = (name: string) => act(() => [...document.querySelectorAll('button')].find((b) => b.textContent === name)!.click());

test('what was typed last goes into the file, the frozen sheet and on paper, though there was no time to show it', () => {
  const sheet = newSheet('frames');
  const again = draw(of({ ...sheet, title: 'Before' }));
  again(of({ ...sheet, title: 'In a field' }));
  expect(page()).toContain('Before');
  for (const [name, leaves] of [
    ['PDF', savePdf],
    ['Freeze', freeze],
  ] as const) {
    click(name);
    expect(JSON.stringify(leaves.mock.lastCall)).toContain('In a field');
    expect(JSON.stringify(leaves.mock.lastCall)).not.toContain('Before');
  }
  act(() => void window.dispatchEvent(new Event('beforeprint')));
  expect(page()).toContain('In a field');
  expect(page()).not.toContain('Before');
});
