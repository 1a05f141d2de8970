import { withFault, type Hypothesis } from '@usual-drag/core/faults';
import { useTriedFault } from './tried.ts';

/** Tries a fault on a job, in place of the one that is tried; null ends it. */
export const tryFault = (jobId: string | null, fault: Hypothesis | null): void =>
  useTriedFault.setState({ jobId, fault, put: fault && ((bench) => withFault(bench, fault)) });
