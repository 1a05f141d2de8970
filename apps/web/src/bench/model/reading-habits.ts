import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Habits of taking readings at this device. They are not part of the job. */
interface ReadingHabits {
  /** A step whose reading does not agree stays open until it is read a second time. */
  readonly staysIfDisagreeing: boolean;
  /** The expected value appears only once a reading is kept: readings without prejudice. */
  readonly hidesExpected: boolean;
}

export const useReadingHabits = create<ReadingHabits>()(
  persist((): ReadingHabits => ({ staysIfDisagreeing: true, hidesExpected: false }), {
    name: 'usual-drag-reading-habits',
  }),
);
