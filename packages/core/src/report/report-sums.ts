import type { Instrument } from '../instrument/index.ts';
import { explainSum, type CountedReading, type ReadingSum, type SumParts } from '../readings/index.ts';

/** A sum of readings, and what its gap is made of. */
export interface ReportSum {
  readonly sum: ReadingSum;
  /** `M1 + M2 − M3`. */
  readonly terms: string;
  readonly parts: SumParts;
  readonly verdict: string;
}

/** The sums that readings make, each with what its gap is made of, V round a loop or A into a node. */
export const reportSums = (
  sums: readonly ReadingSum[],
  counted: readonly CountedReading[],
  instruments: readonly Instrument[],
): ReportSum[] =>
  sums.map((sum) => ({
    sum,
    terms: sum.terms
      .map(({ reading, sign }, index) => `${sign < 0 ? '− ' : index === 0 ? '' : '+ '}${reading}`)
      .join(' '),
    parts: explainSum(sum, counted, instruments),
    verdict: verdicts[sum.verdict],
  }));

const verdicts = {
  closes: 'agrees',
  'explained-by-loading': 'explained by loading',
  'does-not-close': 'does not agree',
} as const;
