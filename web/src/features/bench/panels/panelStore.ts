import { create } from 'zustand';
import type { FigureId } from '../../../core/core';

/** What stands open at the side of the Bench, one thing at a time. */
export type OpenPanel =
  | { kind: 'working'; rig: string; figure: FigureId }
  | { kind: 'rig'; rig: string }
  | { kind: 'chain'; rig: string }
  | { kind: 'parts'; rig: string; place: number; isNew: boolean }
  | { kind: 'reasons'; rig: string }
  | { kind: 'row'; rig: string }
  | { kind: 'scene' }
  | { kind: 'conventions' }
  | { kind: 'find' }
  | { kind: 'hold' }
  | { kind: 'filters'; rig: string }
  | { kind: 'rows' };

interface PanelState {
  panel: OpenPanel | null;
  /** Opens a panel; the focus goes back to where it was when the panel is closed. */
  open: (panel: OpenPanel) => void;
  close: () => void;
}

let before: HTMLElement | null = null;

export const usePanel = create<PanelState>()((set, get) => ({
  panel: null,
  open(panel) {
    if (get().panel === null && document.activeElement instanceof HTMLElement) {
      before = document.activeElement;
    }
    set({ panel });
  },
  close() {
    set({ panel: null });
    before?.focus();
    before = null;
  },
}));

/** Opens the working of a figure. */
export const openWorking = (rig: string, figure: FigureId): void => usePanel.getState().open({ kind: 'working', rig, figure });
