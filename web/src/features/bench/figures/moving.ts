import { type KeyboardEvent } from 'react';
import { type FigureId } from '../../../core/core';
import { idAt } from '../benchStore';
import { openWorking } from '../panels/panelStore';
import { sortBy } from '../Figures';

export const target = (event: { target: EventTarget }) => (event.target as Element).closest<HTMLElement>('[data-figure], [data-sort]');

export const openIt = (cell: HTMLElement | null) => {
  if (cell?.dataset['sort']) {
    sortBy(cell.dataset['sort'] as FigureId);
  } else if (cell) {
    openWorking(idAt(Number(cell.dataset['rig'])), cell.dataset['figure'] as FigureId);
  }
};

/** The table is one stop of the Tab key; arrows go from figure to figure, Enter opens the working. */
export function move(event: KeyboardEvent<HTMLTableElement>): void {
  const cell = target(event);
  if (!cell) {
    return;
  }
  if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault();
    openIt(cell);
    return;
  }
  const step = { ArrowUp: [-1, 0], ArrowDown: [1, 0], ArrowLeft: [0, -1], ArrowRight: [0, 1] }[event.key];
  if (step) {
    event.preventDefault();
    const rows = [...event.currentTarget.querySelectorAll('tr[data-row]')].map((row) => [
      ...row.querySelectorAll<HTMLElement>('[data-figure], [data-sort]'),
    ]);
    const row = rows.findIndex((cells) => cells.includes(cell));
    const next = rows[row + step[0]!]?.[rows[row]!.indexOf(cell) + step[1]!];
    if (next) {
      cell.tabIndex = -1;
      next.tabIndex = 0;
      next.focus();
    }
  }
}
