import type { Instrument } from '../instrument/index.ts';
import {
  compareReading,
  type ComparedReading,
  type Comparison,
  type Conventions,
  type Expectation,
  type Reading,
} from '../readings/index.ts';
import type { PlanStep, ReadStep } from './plan.ts';
import { readingsAt } from './progress.ts';

/**
 * A reading as it was compared; where the plan has opened the circuit for it, so that the network does not have its place, against
 * what the plan's step expects.
 *
 * @param steps  as `placedSteps` gives them
 * @returns null for a reading that does not count
 */
export function comparedAsPlanned(
  comparison: Comparison,
  steps: readonly PlanStep[],
  instruments: readonly Instrument[],
  conventions: Conventions,
  reading: Reading,
): ComparedReading | null {
  const compared = comparison.readings[reading.id] ?? null;
  if (compared?.verdict !== 'not-comparable') return compared;
  const step = steps.find((one): one is ReadStep => one.do === 'read' && readingsAt([reading], one).length > 0);
  if (!step) return compared;
  const instrument = instruments.find(({ id }) => id === reading.instrument);
  return compareReading(reading, instrument, expectationAt(step), conventions);
}

/** What a step of the plan expects, in the circuit as it then stands. */
function expectationAt({ expected, low, high }: ReadStep): Expectation {
  return {
    true: expected,
    expected,
    loading: 0,
    state: 'ok',
    limits: { low, high },
    trueLimits: () => ({ low, high }),
    response: null,
  };
}
