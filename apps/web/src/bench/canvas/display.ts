import type { Flow, ResistorSymbol } from '@usual-drag/core/drawing';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface Display {
  readonly spacing: 'even' | 'scale';
  readonly resistor: ResistorSymbol;
  readonly flow: Flow;
  set(change: Partial<Pick<Display, 'spacing' | 'resistor' | 'flow'>>): void;
}

/** Settings for the display of drawings, stored in this browser. They never change a result. */
export const useDisplay = create<Display>()(
  persist((set) => ({ spacing: 'scale', resistor: 'box', flow: 'conventional', set: (change) => set(change) }), {
    name: 'usual-drag-display',
  }),
);
