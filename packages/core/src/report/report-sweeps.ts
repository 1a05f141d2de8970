import type { Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import { sweepResult, type Sweep, type SweepResult } from '../readings/index.ts';

/** A sweep of the job with what follows from it. */
export interface ReportSweep extends SweepResult {
  readonly sweep: Sweep;
  /** Names of the two instruments with their ranges. */
  readonly meters: string;
}

/** Returns a job's sweeps as the report has them. */
export const reportSweeps = (
  network: Network,
  instruments: readonly Instrument[],
  sweeps: readonly Sweep[],
): ReportSweep[] =>
  sweeps.map((sweep) => ({
    sweep,
    meters: [sweep.voltmeter, sweep.ammeter]
      .map(
        ({ instrument, range }) => `${instruments.find(({ id }) => id === instrument)?.name ?? instrument}, ${range}`,
      )
      .join('; '),
    ...sweepResult(network, instruments, sweep),
  }));
