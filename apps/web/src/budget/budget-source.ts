import type { MeterQuantity } from '@usual-drag/core/instrument';
import { correctionOf, type CorrectionQuestion } from '@usual-drag/core/readings';
import { budgetOf, rangeBudget, type Budget, type NamedRangeReading } from '@usual-drag/core/uncertainty';

/** Origin of a corrected value: the correction of one reading, or readings on several ranges. */
export type BudgetSource =
  | CorrectionQuestion
  | { readonly of: 'ranges'; readonly quantity: MeterQuantity; readonly readings: readonly NamedRangeReading[] };

/** Returns the budget of a corrected value; null if the readings do not determine it. */
export const budgetFrom = (source: BudgetSource): Budget | null =>
  source.of === 'ranges' ? rangeBudget(source.readings, source.quantity) : budgetOf(correctionOf(source));
