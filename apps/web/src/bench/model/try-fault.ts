import { withFault, type Hypothesis } from '@usual-drag/core/faults';
import { useTriedFault } from './tried.ts';

/** Tries a fault on a job, in place of the one that is tried; null ends it. */
export const tryFault = (jobId: string | null, fault: Hypothesis | null): void =>
  useTriedFault.setState({ jobId, fault, apply: fault && ((bench) => withFault(bench, fault)) });
