export type {
  Conventions,
  CurrentReading,
  Observation,
  Reading,
  ResistanceReading,
  VoltageReading,
} from './reading.ts';
export { observedNumber, observedValue, shownPattern, unitPattern, type ObservedValue } from './observed-value.ts';
export { expectationOf, limitsAt, type Expectation, type Limits } from './expectation.ts';
export {
  compareReading,
  compareReadings,
  comparisonOf,
  type ComparedReading,
  type Comparison,
  type ReadJob,
  type Verdict,
} from './compare.ts';
export { readingSums, type CountedReading, type ReadingSum, type SumTerm } from './reading-sums.ts';
export { equalCurrents, explainSum, type EqualCurrents, type SumParts } from './explain.ts';
