import { unitOf, type Instrument } from '../instrument/index.ts';
import type { Network } from '../network/index.ts';
import { formatPercent, formatQuantity } from '../quantity/index.ts';
import { correctionOf, type Conventions, type Reading } from '../readings/index.ts';
import { budgetOf, sampleCorrection } from '../uncertainty/index.ts';

/**
 * Returns the largest contribution to the uncertainty of a corrected reading, and the sampled interval if the linear form is
 * off by more than a tenth; empty if the reading cannot be corrected, or is a resistance.
 */
export function budgetWords(
  network: Network,
  instruments: readonly Instrument[],
  conventions: Conventions,
  reading: Reading,
): string[] {
  if (reading.quantity === 'resistance') return [];
  const correction = correctionOf({ of: 'reading', network, instruments, conventions, reading });
  const budget = budgetOf(correction);
  const [largest] = budget?.lines ?? [];
  if (!budget || !largest) return [];
  const sampled = budget.mayBeNonlinear ? sampleCorrection(correction) : null;
  const print = (value: number): string => formatQuantity(value, unitOf(reading.quantity));
  return [
    `${formatPercent(largest.share, { digits: 2 })} of u² comes from ${largest.name}`,
    ...(sampled?.isLinearFormWrong
      ? [
          `U is off by more than a tenth: 95 % of ${sampled.count} samples are from ${print(sampled.low)} to ${print(sampled.high)}`,
        ]
      : []),
  ];
}
