import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Settings {
  /** Distances in feet and inches rather than metres. */
  feet: boolean;
  /** The comparison that was open last; opened again at the next visit. */
  lastOpened: string | null;
  toggleFeet: () => void;
  opened: (id: string) => void;
}

/** What belongs to the person and this browser, not to a comparison. */
export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      feet: false,
      lastOpened: null,
      toggleFeet: () => set((s) => ({ feet: !s.feet })),
      opened: (id) => set({ lastOpened: id }),
    }),
    { name: 'juxtopsis.settings' },
  ),
);
