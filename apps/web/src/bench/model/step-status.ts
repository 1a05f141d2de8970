import { formatPercent } from '@usual-drag/core/quantity';
import type { Unloaded } from '@usual-drag/core/loading';
import { jobStatus, readingsStatus, unreadableWords, type Job, type JobStatus } from '@usual-drag/core/job';
import { documentHash, type Signature } from '@usual-drag/core/report';
import { count, readInWords } from '../../ui/words.ts';
import type { Solved } from './analysis.ts';

/** State of the steps, in a few words each. */
export interface StepStatus {
  readonly network: string;
  readonly trueValues: string;
  readonly setups: string;
  /** Whether some meter has an error that can be given. */
  readonly isLoaded: boolean;
  readonly readings: string;
  /** Whether the record is signed. */
  readonly report: string;
}

/** Returns the state of the steps of a job, except its readings and its report. */
export const stepStatus = (job: Job, unloaded: Solved<Unloaded>): Omit<StepStatus, 'readings' | 'report'> =>
  inWords(jobStatus(job, unloaded));

/** Returns the progress of its readings: planned and compared for it. */
export function readingsInWords(job: Job, unloaded: Solved<Unloaded>): string {
  const status = readingsStatus(job, unloaded);
  return status ? readInWords(status) : 'none yet';
}

/** Returns whether the record is signed as it is, or was before it was edited. */
export function reportInWords(job: Job, signatures: readonly Signature[]): string {
  if (signatures.length === 0) return 'not signed';
  const hash = documentHash(job);
  return signatures.some((one) => one.hash === hash) ? 'signed' : 'new draft';
}

function inWords({
  parts,
  nodes,
  outOfTolerance,
  solved,
  cautions,
  sumsClose,
  setups,
  worstError,
  unreadable,
}: JobStatus): Omit<StepStatus, 'readings' | 'report'> {
  const size = `${count(parts, 'part')}, ${count(nodes, 'node')}`;
  const outside = outOfTolerance > 0 ? ` · ${outOfTolerance} out of tolerance` : '';
  const worst = worstError ? `, worst ${formatPercent(worstError, { signed: true })}` : '';
  const unread = unreadable.length > 0 ? `, ${unreadableWords(unreadable)}` : '';
  const sums = sumsClose ? 'sums agree' : 'sums do not agree';
  return {
    network: solved ? size + outside : 'cannot be solved yet',
    trueValues: !solved ? 'cannot be solved yet' : cautions > 0 ? count(cautions, 'caution') : sums,
    setups: setups === 0 ? 'none yet' : count(setups, 'set-up') + worst + unread,
    isLoaded: worstError !== null,
  };
}
