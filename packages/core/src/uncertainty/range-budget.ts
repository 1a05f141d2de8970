import type { MeterQuantity } from '../instrument/index.ts';
import type { Budget, BudgetLine, Reduction } from './budget.ts';
import { correctFromRanges, usualResistanceTolerance, type RangeReading } from './range-correction.ts';

/** A reading with its name in a budget: the range on which it was taken. */
export interface NamedRangeReading extends RangeReading {
  readonly name: string;
}

/**
 * Returns the budget of a true value found from readings on several ranges (JCGM 100:2008, 5.1.2), and what would reduce its
 * largest contribution: the correction is computed again with that input's limit reduced.
 *
 * @returns null if the readings give no true value
 */
export function rangeBudget(readings: readonly NamedRangeReading[], quantity: MeterQuantity): Budget | null {
  const found = correctFromRanges(readings, quantity);
  if (!found.ok) return null;
  const { truth, truthUncertainty, contributions } = found.value;
  const u2 = (truthUncertainty / 2) ** 2;
  const inputs = readings.flatMap((reading, at): readonly Input[] => {
    const { name, uncertainty, meterResistance, resistanceTolerance = usualResistanceTolerance } = reading;
    return [
      {
        line: lineOf({
          of: `reading:${at}`,
          name: `the reading on ${name}`,
          isResistance: false,
          standard: uncertainty / Math.sqrt(3),
          contribution: contributions[at]!.reading,
          u2,
        }),
        action: `a meter with half these limits on ${name}`,
        reduced: replaced(readings, at, { ...reading, uncertainty: uncertainty / 2 }),
      },
      {
        line: lineOf({
          of: `resistance:${at}`,
          name: `the resistance of the meter on ${name}`,
          isResistance: true,
          standard: (meterResistance * resistanceTolerance) / Math.sqrt(3),
          contribution: contributions[at]!.resistance,
          u2,
        }),
        action: `measuring the resistance of the meter on ${name}`,
        reduced: replaced(readings, at, { ...reading, resistanceTolerance: 0 }),
      },
    ];
  });
  const sorted = inputs
    .filter(({ line }) => line.contribution > 0)
    .sort((a, b) => b.line.contribution - a.line.contribution);
  const [largest] = sorted;
  return {
    value: truth,
    uncertainty: truthUncertainty,
    lines: sorted.map(({ line }) => line),
    reduction: largest ? reductionOf(largest, quantity) : null,
    mayBeNonlinear: false,
  };
}

/** An input of the budget, and the readings if it were known better. */
interface Input {
  readonly line: BudgetLine;
  readonly action: string;
  readonly reduced: readonly RangeReading[];
}

function lineOf({ u2, ...input }: Omit<BudgetLine, 'sensitivity' | 'share'> & { readonly u2: number }): BudgetLine {
  const { contribution, standard } = input;
  return {
    ...input,
    sensitivity: standard === 0 ? 0 : contribution / standard,
    share: u2 === 0 ? 0 : contribution ** 2 / u2,
  };
}

const replaced = (readings: readonly RangeReading[], at: number, reading: RangeReading): readonly RangeReading[] =>
  readings.map((one, k) => (k === at ? reading : one));

function reductionOf({ line, action, reduced }: Input, quantity: MeterQuantity): Reduction | null {
  const again = correctFromRanges(reduced, quantity);
  return again.ok ? { of: line.of, action, uncertainty: again.value.truthUncertainty } : null;
}
