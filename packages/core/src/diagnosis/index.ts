export {
  bestExplanations,
  diagnose,
  type DiagnosedHypothesis,
  type Diagnosis,
  type DiagnosisGroup,
} from './diagnose.ts';
export { sharpestRange, type NextReading } from './next-reading.ts';
export { fitJob, freeName, type Fit, type FreeName } from './fit/fit.ts';
export {
  diagnosePairs,
  twoFaults,
  type PairDiagnosis,
  type TwoFaultsGroup,
  type TwoFaultsProgress,
} from './two-faults.ts';
export { predictionRows } from './predictions/prediction-rows.ts';
export { isolatedPart } from './causes/isolated-part.ts';
