import type { Instrument } from '../instrument/index.ts';
import type { Setup } from '../loading/index.ts';
import type { Network } from '../network/index.ts';

/** A job file: one network, the instruments at hand, and the set-ups to be read. */
export interface Job {
  readonly format: 'usual-drag/job';
  readonly version: 1;
  readonly title?: string;
  readonly network: Network;
  readonly instruments?: readonly Instrument[];
  readonly setups?: readonly Setup[];
}

export interface JobFault {
  readonly code:
    | 'invalid-file'
    | 'invalid-value'
    | 'duplicate-id'
    | 'unknown-node'
    | 'unknown-instrument'
    | 'source-conflict'
    | 'current-source-open';
  /** What is wrong and what to change, in a technician's words. */
  readonly message: string;
  /** Ids of what it is about; the path of the key for `invalid-file`. */
  readonly where: readonly string[];
}
