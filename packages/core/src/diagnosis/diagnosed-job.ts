import type { Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import type { Conventions, Reading } from '../readings/index.ts';

/** A job as far as a diagnosis needs it. */
export interface DiagnosedJob {
  readonly network: Network;
  readonly instruments?: readonly Instrument[];
  readonly conventions?: Conventions;
  readonly readings?: readonly Reading[];
}
