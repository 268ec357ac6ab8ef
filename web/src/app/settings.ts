import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import type { Conventions } from '../core/core';

interface Settings {
  /** Distances in feet and inches rather than metres. */
  feet: boolean;
  /** The comparison that was open last; opened again at the next visit. */
  lastOpened: string | null;
  /** What new comparisons go by; null for the usual conventions. */
  conventions: Conventions | null;
  /** The group of figures that is shown. */
  topic: string;
  /** The ground line is seen from above rather than from the side. */
  fromAbove: boolean;
  toggleFeet: () => void;
  opened: (id: string) => void;
  preferConventions: (conventions: Conventions | null) => void;
  showTopic: (topic: string) => void;
  turnGround: () => void;
}

/** What belongs to the person and this browser, not to a comparison. */
export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      feet: false,
      lastOpened: null,
      conventions: null,
      topic: 'Essentials',
      fromAbove: false,
      toggleFeet: () => set((s) => ({ feet: !s.feet })),
      opened: (id) => set({ lastOpened: id }),
      preferConventions: (conventions) => set({ conventions }),
      showTopic: (topic) => set({ topic }),
      turnGround: () => set((s) => ({ fromAbove: !s.fromAbove })),
    }),
    { name: 'juxtopsis.settings' },
  ),
);
