import { useParams } from 'react-router';

/** Job and step of the bench's address. */
export interface BenchRoute {
  readonly jobId: string;
  readonly step: string;
  /** Rest of the URL path after the step: a set-up, a view or a signed record. */
  readonly setupId: string | undefined;
  readonly inSetups: boolean;
  readonly inTrueValues: boolean;
  readonly inReadings: boolean;
  readonly inReport: boolean;
}

/** Returns the job and the step that the address names. */
export function useBenchRoute(): BenchRoute {
  const { jobId = '', step = 'setups', setupId } = useParams();
  return {
    jobId,
    step,
    setupId,
    inSetups: step === 'setups',
    inTrueValues: step === 'true-values',
    inReadings: step === 'readings',
    inReport: step === 'report',
  };
}
