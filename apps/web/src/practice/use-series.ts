import type { ProblemSeries } from '@usual-drag/core/practice';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

interface SeriesStore {
  /** The series that is open; null if problems are drawn. */
  readonly series: ProblemSeries | null;
  /** Which of its problems is next. */
  readonly at: number;
}

/** A trainer's series of problems that is being worked, and how far. */
export const useSeries = create<SeriesStore>()(
  persist((): SeriesStore => ({ series: null, at: 0 }), { name: 'usual-drag-series' }),
);
