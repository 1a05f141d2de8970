import type { BudgetEntry, CorrectedValue } from '../loading/index.ts';
import type { Expectation, Limits } from './expectation.ts';
import type { ObservedValue } from './observed-value.ts';
import type { Conventions } from './reading.ts';

/** Result of a comparison of a reading with its expectation. */
export type Verdict = 'not-comparable' | 'agrees' | 'within-tolerance' | 'does-not-agree';

/** Every verdict in words. */
export const verdictWords: Readonly<Record<Verdict, string>> = {
  agrees: 'agrees',
  'within-tolerance': 'within tolerance',
  'does-not-agree': 'does not agree',
  'not-comparable': 'not comparable',
};

/** A reading against what was to be expected, V, A or Ω. Null if it cannot be formed. */
export interface ComparedReading {
  readonly value: number | null;
  /** Standard uncertainty of the value from its observations. */
  readonly spread: number | null;
  readonly true: number | null;
  readonly expected: number | null;
  readonly loading: number | null;
  /** U, k = 2, of the value: instrument, resolution, spread. */
  readonly uncertainty: number | null;
  readonly low: number | null;
  readonly high: number | null;
  /** value · true/expected. */
  readonly corrected: number | null;
  /** U, k = 2, of `corrected`: that of the value, the parts' tolerances and the meters' resistances. */
  readonly correctedUncertainty: number | null;
  /** Budget of `correctedUncertainty`; only if it was requested. */
  readonly budget?: readonly Pick<BudgetEntry, 'of' | 'contribution'>[] | null;
  readonly verdict: Verdict;
  /** The reading meets the expectation, and would have been called wrong against the true value. */
  readonly explainedByLoading: boolean;
}

/** Compares one reading with its expectation. */
export function compareReading(
  observed: ObservedValue,
  expectation: Expectation,
  correction: CorrectedValue | null,
  conventions: Conventions,
): ComparedReading {
  const { value, uncertainty } = observed;
  const { true: truth, expected, loading, limits } = expectation;
  const verdict = verdictOf(expectation, value, uncertainty, conventions);
  return {
    value,
    spread: observed.spread,
    true: truth,
    expected,
    loading,
    uncertainty,
    low: limits && limits.low,
    high: limits && limits.high,
    corrected: correction && correction.value,
    correctedUncertainty: correction && correction.uncertainty,
    verdict,
    explainedByLoading:
      (verdict === 'agrees' || verdict === 'within-tolerance') &&
      value !== null &&
      missesTruth(expectation, value, uncertainty ?? 0, conventions),
  };
}

function verdictOf(
  { expected, limits, state }: Expectation,
  value: number | null,
  uncertainty: number | null,
  conventions: Conventions,
): Verdict {
  if (expected === null) return 'not-comparable';
  if (value === null) return state === 'over-range' ? 'agrees' : 'does-not-agree';
  const u = uncertainty ?? 0;
  const compared = signless(conventions);
  if (Math.abs(compared(value) - compared(expected)) <= u) return 'agrees';
  return lies(compared(value), limits && rangeOf(limits, conventions), u) ? 'within-tolerance' : 'does-not-agree';
}

/** Returns whether an ideal meter's value would have been missed, tolerances counted. */
function missesTruth(expectation: Expectation, value: number, uncertainty: number, conventions: Conventions): boolean {
  const truth = expectation.true;
  if (truth === null) return false;
  const compared = signless(conventions);
  if (Math.abs(compared(value) - compared(truth)) <= uncertainty) return false;
  const limits = expectation.trueLimits();
  return !lies(compared(value), limits && rangeOf(limits, conventions), uncertainty);
}

const signless = ({ sign }: Conventions): ((x: number) => number) => (sign === 'magnitude' ? Math.abs : (x) => x);

/** The range of a value between its limits; of its magnitude where signs do not count. */
function rangeOf({ low, high }: Limits, { sign }: Conventions): Limits {
  if (sign !== 'magnitude') return { low, high };
  const [a, b] = [Math.abs(low), Math.abs(high)];
  return { low: low <= 0 && high >= 0 ? 0 : Math.min(a, b), high: Math.max(a, b) };
}

const lies = (value: number, limits: Limits | null, margin: number): boolean =>
  limits !== null && value >= limits.low - margin && value <= limits.high + margin;
