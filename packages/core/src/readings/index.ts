export type {
  CircuitReading,
  Conventions,
  CurrentReading,
  Observation,
  Reading,
  ResistanceReading,
  VoltageReading,
} from './reading.ts';
export {
  observedNumber,
  observedValue,
  shownPattern,
  standardUncertainty,
  unitPattern,
  type ObservedValue,
} from './observed-value.ts';
export { expectationOf, expectationsOf, type Expectation, type Limits } from './expectation.ts';
export { ownMeter, setupOf } from './setup-of.ts';
export { correctedReading, correctionFactorOf } from './corrected-reading.ts';
export { placedIn, placedInSolved, type Placed } from './unloaded-source.ts';
export { compareReadings, comparisonOf, type Comparison, type ComparisonOptions, type ReadJob } from './compare.ts';
export { compareReading, verdictWords, type ComparedReading, type Verdict } from './compared-reading.ts';
export { readingSums, type CountedReading, type ReadingSum, type SumTerm } from './reading-sums.ts';
export { bestSweepMeter, type Sweep, type SweepMeter, type SweepPoint } from './sweep.ts';
export { equalCurrents, explainSum, type EqualCurrents, type SumParts } from './explain.ts';
export { displayRemark } from './display-remark.ts';
export { sweepResult, type ExpectedPoint, type SweepResult } from './swept-resistance.ts';
export { observationOf } from './observation-of.ts';
