import { create } from 'zustand';

interface CloserState {
  open: boolean;
  first: number;
  look: (rig: number) => void;
  close: () => void;
}

/** Which frame is looked at closely. */
export const useCloser = create<CloserState>()((set) => ({
  open: false,
  first: 0,
  look: (first) => set({ open: true, first }),
  close: () => set({ open: false }),
}));
