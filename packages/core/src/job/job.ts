import type { Board } from '../board/index.ts';
import type { Instrument } from '../instrument/index.ts';
import type { Setup } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import type { Conventions, Reading, Sweep } from '../readings/index.ts';

/** A job file: one network, the instruments at hand, and the set-ups to be read. */
export interface Job {
  readonly format: 'usual-drag/job';
  /** The lowest version that has all keys of the job. */
  readonly version: JobVersion;
  readonly title?: string;
  readonly record?: JobRecord;
  readonly network: Network;
  readonly instruments?: readonly Instrument[];
  readonly setups?: readonly Setup[];
  readonly conventions?: Conventions;
  readonly readings?: readonly Reading[];
  readonly sweeps?: readonly Sweep[];
  /** Places of the parts on a strip board. */
  readonly board?: Board;
}

/** Versions of the job format; all of them remain readable. */
export const jobVersions = [1, 2, 3] as const;
/** Version of the job format. */
export type JobVersion = (typeof jobVersions)[number];

/** The head of a job: where, on what and for which order it is done. Every key may be left out. */
export interface JobRecord {
  readonly site?: string;
  /** Tag of the asset that is measured. */
  readonly asset?: string;
  /** Number of the work order. */
  readonly order?: string;
  readonly by?: string;
  /** The day of the work, as `2026-11-24`. */
  readonly date?: string;
  /** °C around the work. */
  readonly ambient?: number;
  readonly notes?: string;
}

/** A fault that keeps a job from being stored or solved. */
export interface JobFault {
  readonly code:
    | 'invalid-file'
    | 'invalid-value'
    | 'duplicate-id'
    | 'unknown-node'
    | 'unknown-instrument'
    | 'source-conflict'
    | 'current-source-open';
  /** The problem and its remedy, in a technician's words. */
  readonly message: string;
  /** Ids of what it is about; the path of the key for `invalid-file`. */
  readonly where: readonly string[];
}
