import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { compareReading, type ComparedReading } from './compared-reading.ts';
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

/** What was read against what was to be expected, and the sums that the readings make. Struck readings are left out. */
export function compareReadings(job: ReadJob): Result<Comparison, SolverFault> {
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) return unloaded;
  const { instruments = [], conventions = {}, readings = [] } = job;
  return ok(comparisonOf(unloaded.value, instruments, conventions, readings));
}

/**
 * The same in a network that has been solved.
 *
 * @param expect  where what was worked out for a reading is remembered
 */
export function comparisonOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  conventions: Conventions,
  readings: readonly Reading[],
  expect: (reading: Reading) => Expectation = (reading) => expectationOf(unloaded, instruments, reading),
): Comparison {
  const counted = readings
    .filter(({ struck }) => struck === undefined)
    .map((reading) => {
      const expectation = expect(reading);
      const instrument = instruments.find(({ id }) => id === reading.instrument);
      return { reading, expectation, compared: compareReading(reading, instrument, expectation, conventions) };
    });
  return {
    format: 'usual-drag/comparison',
    version: 1,
    readings: Object.fromEntries(counted.map(({ reading, compared }) => [reading.id, compared])),
    sums: readingSums(unloaded.network, counted, conventions),
  };
}
