import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface FirstMinute {
  /** It was seen or declined in this browser, and does not come again. */
  readonly done: boolean;
  /** The step that is shown; null if none is. */
  readonly step: number | null;
  begin(): void;
  next(): void;
  end(): void;
}

/** Steps of the first minute. */
export const firstSteps = [
  {
    target: '[aria-label^="Meter "] [data-testid="indicated"]',
    title: 'The meter',
    text: 'This is what the old meter indicates, and beside it the true value without any meter. The difference is the loading error.',
  },
  {
    target: '.drawing',
    title: 'The sag',
    text: 'Height is potential. The dashed line is rail B without the meter; with it the rail sags, and the gap is the error. Drag a lead: the reading follows.',
  },
  {
    target: '[aria-label^="Ranges for"]',
    title: 'The range table',
    text: 'Each range loads the circuit differently. A star marks the best one, uncorrected and corrected. Click a range to set it.',
  },
] as const;

/** The first minute with the application: offered once. */
export const useFirstMinute = create<FirstMinute>()(
  persist(
    (set) => ({
      done: false,
      step: null,
      begin: () => set({ step: 0, done: true }),
      next: () => set(({ step }) => ({ step: step === null || step + 1 >= firstSteps.length ? null : step + 1 })),
      end: () => set({ step: null, done: true }),
    }),
    { name: 'usual-drag-first-minute', partialize: ({ done }) => ({ done }) },
  ),
);
