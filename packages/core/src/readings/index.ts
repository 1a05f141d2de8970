export type {
  CircuitReading,
  Conventions,
  CurrentReading,
  Observation,
  Reading,
  ResistanceReading,
  VoltageReading,
} from './reading.ts';
export { observedNumber, observedValue, shownPattern, standardUncertainty, unitPattern } from './observed-value.ts';
export { expectationOf, expectationsOf, type Expectation, type Limits } from './expectation.ts';
export { ownMeter, setupOf } from './setup-of.ts';
export { correctionOf, sourceQuestion, type CorrectionQuestion } from './correction-question.ts';
export { placedIn, placedInSolved } from './unloaded-source.ts';
export { compareReadings, comparisonOf, type Comparison, type ComparisonOptions } from './compare.ts';
export { verdictWords, type ComparedReading, type Verdict } from './compared-reading.ts';
export { type CountedReading, type ReadingSum } from './reading-sums.ts';
export { bestSweepMeter, type Sweep, type SweepMeter, type SweepPoint } from './sweep.ts';
export { equalCurrents, explainSum, type SumParts } from './explain.ts';
export { notComparableReason } from './not-comparable.ts';
export { displayRemark } from './display-remark.ts';
export { sweepResult, type ExpectedPoint, type SweepResult } from './swept-resistance.ts';
export { observationOf } from './observation-of.ts';
