import type { Bench, Hypothesis } from '@usual-drag/core';
import { create } from 'zustand';

/** A fault of the circuit that is tried on the bench. It is no part of the job. */
export interface TriedFault {
  readonly hypothesis: Hypothesis;
  readonly sentence: string;
  /** Puts it into a network; comes with the panel that tries it, which is not in the first load. */
  put(bench: Bench): Bench;
}

const useTriedFault = create<{ readonly jobId: string | null; readonly fault: TriedFault | null }>()(() => ({
  jobId: null,
  fault: null,
}));

/** The fault that is tried on a job; null if none is. */
export const useTried = (jobId: string | null): TriedFault | null =>
  useTriedFault((state) => (state.jobId === jobId ? state.fault : null));

export const tryFault = (jobId: string | null, fault: TriedFault | null): void =>
  useTriedFault.setState({ jobId, fault });
