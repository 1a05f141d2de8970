import type { Hypothesis } from '@usual-drag/core/faults';
import { create } from 'zustand';

const useTriedFault = create<{ readonly jobId: string | null; readonly fault: Hypothesis | null }>()(() => ({
  jobId: null,
  fault: null,
}));

/** The fault of the circuit that is tried on a job; null if none is. It is not part of the job. */
export const useTried = (jobId: string | null): Hypothesis | null =>
  useTriedFault((state) => (state.jobId === jobId ? state.fault : null));

export const tryFault = (jobId: string | null, fault: Hypothesis | null): void =>
  useTriedFault.setState({ jobId, fault });
