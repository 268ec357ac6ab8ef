import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { setWriterName } from '../api/client';
import type { Conventions, FigureId } from '../core/core';

/** The group of figures that a person has put together. */
export const chosenTopic = 'My rows';

interface Settings {
  /** Distances in feet and inches rather than metres. */
  feet: boolean;
  /** The comparison that was open last; opened again at the next visit. */
  lastOpened: string | null;
  /** The production that was open last. */
  lastProduction: string | null;
  /** What new comparisons go by; null for the usual conventions. */
  conventions: Conventions | null;
  /** The group of figures that is shown. */
  topic: string;
  /** How far off figures may be stands under them. */
  showMargins: boolean;
  /** The rows of figures that this person has put together; empty for none. */
  chosenRows: FigureId[];
  /** The ground line is seen from above rather than from the side. */
  fromAbove: boolean;
  /** What the plot of rigs goes by, across and upward. */
  plotAcross: string;
  plotUp: string;
  /** What the plot of what comes near a look goes by, likewise. */
  matchAcross: string;
  matchUp: string;
  /** The two criteria of the front of bags. */
  frontOne: string;
  frontOther: string;
  /** What this person is called where others see what was changed; may be empty. */
  writerName: string;
  toggleFeet: () => void;
  opened: (id: string) => void;
  openedProduction: (id: string) => void;
  preferConventions: (conventions: Conventions | null) => void;
  showTopic: (topic: string) => void;
  toggleMargins: () => void;
  turnGround: () => void;
  nameWriter: (name: string) => void;
  chooseFront: (one: string, other: string) => void;
  choosePlot: (axes: Partial<Pick<Settings, 'plotAcross' | 'plotUp' | 'matchAcross' | 'matchUp'>>) => void;
  chooseRow: (figure: FigureId, on: boolean) => void;
}

/** Figures by names that they had before. */
const formerRows: Record<string, FigureId> = { largestMagnification: 'maximumMagnification' };

/** What belongs to the person and this browser, not to a comparison. */
export const useSettings = create<Settings>()(
  persist(
    (set) => ({
      feet: false,
      lastOpened: null,
      lastProduction: null,
      conventions: null,
      topic: 'Essentials',
      showMargins: false,
      chosenRows: [],
      fromAbove: false,
      plotAcross: 'distance',
      plotUp: 'blur',
      matchAcross: 'framing',
      matchUp: 'blur',
      frontOne: 'lenses',
      frontOther: 'weight',
      writerName: '',
      toggleFeet: () => set((s) => ({ feet: !s.feet })),
      opened: (id) => set({ lastOpened: id }),
      openedProduction: (id) => set({ lastProduction: id }),
      preferConventions: (conventions) => set({ conventions }),
      showTopic: (topic) => set({ topic }),
      toggleMargins: () => set((s) => ({ showMargins: !s.showMargins })),
      turnGround: () => set((s) => ({ fromAbove: !s.fromAbove })),
      nameWriter: (writerName) => set({ writerName }),
      chooseFront: (frontOne, frontOther) => set({ frontOne, frontOther }),
      choosePlot: (chosen) => set(chosen),
      chooseRow: (figure, on) =>
        set((s) => ({ chosenRows: on ? [...s.chosenRows, figure] : s.chosenRows.filter((f) => f !== figure), topic: chosenTopic })),
    }),
    {
      name: 'juxtopsis.settings',
      version: 1,
      migrate: (before) => {
        const settings = before as Settings;
        return { ...settings, chosenRows: (settings.chosenRows as string[]).map((row) => formerRows[row] ?? (row as FigureId)) };
      },
    },
  ),
);

setWriterName(useSettings.getState().writerName);
useSettings.subscribe(({ writerName }) => setWriterName(writerName));
