import { create } from 'zustand';

interface CloserState {
  open: boolean;
  /** The rig whose frame lies below, by its identity. */
  first: string;
  look: (rig: string) => void;
  close: () => void;
}

/** Which frame is looked at closely. */
export const useCloser = create<CloserState>()((set) => ({
  open: false,
  first: '',
  look: (first) => set({ open: true, first }),
  close: () => set({ open: false }),
}));
