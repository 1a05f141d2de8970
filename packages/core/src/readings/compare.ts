import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { compareReading, type ComparedReading } from './compared-reading.ts';
import { correctedReading } from './corrected-reading.ts';
import { expectationOf, type Expectation } from './expectation.ts';
import type { Conventions, Reading } from './reading.ts';
import { observedValue } from './observed-value.ts';
import { readingSums, type ReadingSum } from './reading-sums.ts';

/** Every reading of a job beside its expectation. */
export interface Comparison {
  readonly format: 'usual-drag/comparison';
  readonly version: 1;
  readonly readings: Readonly<Record<string, ComparedReading>>;
  readonly sums: readonly ReadingSum[];
}

/** A job as far as its readings need it. */
export interface ReadJob {
  readonly network: Network;
  readonly instruments?: readonly Instrument[];
  readonly conventions?: Conventions;
  readonly readings?: readonly Reading[];
}

/** Parts of a comparison beyond the readings' values and verdicts. */
export interface ComparisonOptions {
  /** Corrected values: none, as they cost most of a comparison; with U; or with U and its budget. With U if omitted. */
  readonly corrected?: 'none' | 'value' | 'budget';
  /** Returns the expectation of a reading, as `expectationsOf` stores it; computed if omitted. */
  readonly expect?: (reading: Reading) => Expectation;
}

/** Compares readings with their expected values, and the sums that they form. Readings that are struck out are omitted. */
export function compareReadings(job: ReadJob, options?: ComparisonOptions): Result<Comparison, SolverFault> {
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) return unloaded;
  const { instruments = [], conventions = {}, readings = [] } = job;
  return ok(comparisonOf(unloaded.value, instruments, conventions, readings, options));
}

/** Returns the same for a network that has been solved. */
export function comparisonOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  conventions: Conventions,
  readings: readonly Reading[],
  { corrected = 'value', expect = (reading) => expectationOf(unloaded, instruments, reading) }: ComparisonOptions = {},
): Comparison {
  const counted = readings
    .filter(({ struck }) => struck === undefined)
    .map((reading) => {
      const expectation = expect(reading);
      const instrument = instruments.find(({ id }) => id === reading.instrument);
      const observed = observedValue(reading, instrument, conventions.observations);
      const correction = corrected === 'none' ? null : correctedReading(unloaded, instruments, reading, observed);
      const compared = compareReading(observed, expectation, correction, conventions);
      const budget = correction && correction.budget.map(({ of, contribution }) => ({ of, contribution }));
      return { reading, expectation, compared: corrected === 'budget' ? { ...compared, budget } : compared };
    });
  return {
    format: 'usual-drag/comparison',
    version: 1,
    readings: Object.fromEntries(counted.map(({ reading, compared }) => [reading.id, compared])),
    sums: readingSums(unloaded.network, counted, conventions),
  };
}
