import { findRange, readingUncertainty, type Instrument } from '../instrument/index.ts';
import { chainsOf, parseEnd, type Network } from '../network/index.ts';
import { toleranceLimits } from '../uncertainty/index.ts';
import type { CountedReading, ReadingSum } from './reading-sums.ts';
import type { CurrentReading } from './reading.ts';

/** Components of a sum's remainder, V or A. */
export interface SumParts {
  /** The sum itself. */
  readonly gap: number;
  /** Remainder that the meters' loading leaves. */
  readonly loading: number;
  /**
   * Contributions to U of the sum, k = 2, in quadrature: U² = accuracy² + resolution² + spread². Each is 2·√Σu² over the terms, a
   * limit ±a counting with a/√3.
   */
  readonly accuracy: number;
  readonly resolution: number;
  readonly spread: number;
  /** Limit of what the parts' tolerances may leave: half the span over one corner for all terms. */
  readonly tolerance: number;
}

/** Returns the components of a sum's remainder: loading, the contributions to its U, and tolerance. */
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
  const expanded = (of: readonly number[]): number => 2 * Math.hypot(...of);
  return {
    gap: sum.sum,
    loading: sum.expected,
    accuracy: expanded(limits.map(({ accuracy }) => accuracy / Math.sqrt(3))),
    resolution: expanded(limits.map(({ resolution }) => resolution / Math.sqrt(3))),
    spread: expanded(terms.map(({ compared }) => compared.spread ?? 0)),
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
