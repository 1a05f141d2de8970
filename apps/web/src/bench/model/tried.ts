import type { Bench, Hypothesis } from '@usual-drag/core/faults';
import { create } from 'zustand';

interface Tried {
  readonly jobId: string | null;
  readonly fault: Hypothesis | null;
  /** Puts the fault into a bench; stored with the fault, so that the bench loads without the code of the faults. */
  readonly apply: ((bench: Bench) => Bench) | null;
}

export const useTriedFault = create<Tried>()(() => ({ jobId: null, fault: null, apply: null }));

/** The fault of the circuit that is tried on a job; null if none is. It is not part of the job. */
export const useTried = (jobId: string | null): Hypothesis | null =>
  useTriedFault((state) => (state.jobId === jobId ? state.fault : null));
