import { findRange, readingUncertainty, type Instrument } from '../instrument/index.ts';
import { chainsOf, parseEnd, type Network } from '../network/index.ts';
import { toleranceLimits } from '../uncertainty/index.ts';
import type { CountedReading, ReadingSum } from './reading-sums.ts';
import type { CurrentReading } from './reading.ts';

/** What the gap of a sum is made of, V or A: what loading leaves for certain, and what else may. */
export interface SumParts {
  /** The sum itself. */
  readonly gap: number;
  /** What the meters' loading leaves. */
  readonly loading: number;
  /** Limit of what the instruments' accuracy may leave, √Σ of the terms' limits. */
  readonly accuracy: number;
  /** The same of their resolution. */
  readonly resolution: number;
  /** Half the span that the parts' tolerances may leave, one corner for all terms. */
  readonly tolerance: number;
}

/** How much of a sum's gap is loading, accuracy, resolution and tolerance. */
export function explainSum(
  sum: ReadingSum,
  counted: readonly CountedReading[],
  instruments: readonly Instrument[],
): SumParts {
  const terms = sum.terms.flatMap(({ reading, sign }) => {
    const found = counted.find((one) => one.reading.id === reading);
    return found ? [{ ...found, sign }] : [];
  });
  const limits = terms.map(({ reading, compared }) => {
    const instrument = instruments.find(({ id }) => id === reading.instrument);
    const range = instrument && findRange(instrument, reading.quantity, reading.range);
    return range && compared.value !== null
      ? readingUncertainty(instrument, range, compared.value, reading.rate)
      : { accuracy: 0, resolution: 0 };
  });
  const varied = terms.filter(({ expectation }) => expectation.response !== null);
  const { low, high } = toleranceLimits(
    sum.expected,
    varied.map(({ expectation }) => expectation.response!),
    varied.map(({ sign }) => sign),
  );
  return {
    gap: sum.sum,
    loading: sum.expected,
    accuracy: Math.hypot(...limits.map(({ accuracy }) => accuracy)),
    resolution: Math.hypot(...limits.map(({ resolution }) => resolution)),
    tolerance: (high - low) / 2,
  };
}

/** Currents read at several places of one chain that are the same within their uncertainty. */
export interface EqualCurrents {
  readonly readings: readonly string[];
  readonly parts: readonly string[];
}

/**
 * Chains whose current was read at two places or more, with equal readings: they show that the current is the same there, not
 * that it is the true one.
 */
export function equalCurrents(network: Network, counted: readonly CountedReading[]): EqualCurrents[] {
  return chainsOf(network).flatMap(({ parts }) => {
    const ids = parts.map(({ id }) => id);
    const own = counted.filter(
      ({ reading, compared }) => reading.quantity === 'dc-current' && compared.value !== null && readsOne(reading, ids),
    );
    const places = new Set(own.map(({ reading }) => (reading as CurrentReading).node));
    if (places.size < 2) return [];
    const equal = own.every(({ compared }) => {
      const other = own[0]!.compared;
      const margin = Math.hypot(compared.uncertainty ?? 0, other.uncertainty ?? 0);
      return Math.abs(Math.abs(compared.value!) - Math.abs(other.value!)) <= margin;
    });
    return equal ? [{ readings: own.map(({ reading }) => reading.id), parts: ids }] : [];
  });
}

const readsOne = ({ ends }: CurrentReading, parts: readonly string[]): boolean =>
  ends.length === 1 && parts.includes(parseEnd(ends[0]!)?.element ?? '');
