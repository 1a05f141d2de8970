import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { compareReading, type ComparedReading } from './compared-reading.ts';
import { correctedReading } from './corrected-reading.ts';
import { observedValue } from './observed-value.ts';
import { expectationOf, type Expectation } from './expectation.ts';
import type { Conventions, Reading } from './reading.ts';
import { readingSums, type ReadingSum } from './reading-sums.ts';

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

/** What a comparison contains beyond the readings' values and verdicts. */
export interface ComparisonOptions {
  /** The uncertainty budget of each corrected value. */
  readonly budget?: boolean;
}

/** Compares readings with their expected values, and the sums that they form. Readings that are struck out are omitted. */
export function compareReadings(
  job: ReadJob,
  { budget = false }: ComparisonOptions = {},
): Result<Comparison, SolverFault> {
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) return unloaded;
  const { instruments = [], conventions = {}, readings = [] } = job;
  const comparison = comparisonOf(unloaded.value, instruments, conventions, readings);
  return ok(budget ? withBudgets(comparison, unloaded.value, job) : comparison);
}

/** The same comparison with the uncertainty budget of each corrected value. */
function withBudgets(comparison: Comparison, unloaded: Unloaded, job: ReadJob): Comparison {
  const { instruments = [], conventions = {}, readings = [] } = job;
  const budgets = Object.fromEntries(
    readings
      .filter(({ struck }) => struck === undefined)
      .map((reading) => {
        const instrument = instruments.find(({ id }) => id === reading.instrument);
        const observed = observedValue(reading, instrument, conventions.observations);
        const corrected = correctedReading(unloaded, instruments, reading, observed);
        return [reading.id, { ...comparison.readings[reading.id]!, budget: corrected && corrected.budget }];
      }),
  );
  return { ...comparison, readings: budgets };
}

/**
 * The same in a network that has been solved.
 *
 * @param expect   returns the expectation of a reading, as `expectationsOf` stores it
 * @param correct  false to leave the corrected values out: they cost most of a comparison
 */
export function comparisonOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  conventions: Conventions,
  readings: readonly Reading[],
  expect: (reading: Reading) => Expectation = (reading) => expectationOf(unloaded, instruments, reading),
  correct = true,
): Comparison {
  const counted = readings
    .filter(({ struck }) => struck === undefined)
    .map((reading) => {
      const expectation = expect(reading);
      const instrument = instruments.find(({ id }) => id === reading.instrument);
      const compared = compareReading(reading, instrument, expectation, conventions, (observed) =>
        correct ? correctedReading(unloaded, instruments, reading, observed) : null,
      );
      return { reading, expectation, compared };
    });
  return {
    format: 'usual-drag/comparison',
    version: 1,
    readings: Object.fromEntries(counted.map(({ reading, compared }) => [reading.id, compared])),
    sums: readingSums(unloaded.network, counted, conventions),
  };
}
