import { create } from 'zustand';
import { persist } from 'zustand/middleware';

export type Grouping = 'order' | 'place' | 'unit';

interface Strip {
  grouping: Grouping;
  group: (grouping: Grouping) => void;
}

/** How this person looks at the shots. */
export const useStrip = create<Strip>()(
  persist((set) => ({ grouping: 'order', group: (grouping) => set({ grouping }) }), { name: 'juxtopsis.strip' }),
);
