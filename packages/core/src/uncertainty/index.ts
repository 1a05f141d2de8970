export { straightLine, type StraightLine } from './straight-line.ts';
export { correctFromRanges, rangeReading, type RangeCorrection, type RangeReading } from './range-correction.ts';
export { toleranceModel, type ToleranceOutput, type ToleranceQuestion } from './tolerance-model.ts';
export { worstCase, type WorstCase } from './worst-case.ts';
export { contributions, type PartContribution } from './contributions.ts';
export { sampleTolerance, type SampleSummary, type Sampling } from './sampling.ts';
export { withKnownResistor, type KnownResistor } from './known-resistor.ts';
export {
  tolerancedParts,
  toleranceLimits,
  toleranceResponse,
  type CircuitOutput,
  type ToleranceResponse,
} from './tolerance-limits.ts';
export { toleranceField, type ToleranceField } from './tolerance-field.ts';
export { budgetOf, budgetSentence, type Budget, type BudgetLine } from './budget.ts';
export { rangeBudget, type NamedRangeReading } from './range-budget.ts';
export type { Correction } from './correction.ts';
export { sampleCorrection, type SampledCorrection } from './sampled-correction.ts';
export { resistanceFromSweep, type SweptResistance } from './resistance-sweep.ts';
