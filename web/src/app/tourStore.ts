import { create } from 'zustand';

const key = 'juxtopsis.tour';

interface TourState {
  /** The step that is shown, from 0; null when the tour is over, or was skipped. */
  step: number | null;
}

/** The tour of a first visit; a browser that has seen it is not shown it again unasked. */
export const useTour = create<TourState>()(() => ({ step: localStorage.getItem(key) === 'done' ? null : 0 }));

export const tourTo = (step: number): void => useTour.setState({ step });

export function endTour(): void {
  localStorage.setItem(key, 'done');
  useTour.setState({ step: null });
}
