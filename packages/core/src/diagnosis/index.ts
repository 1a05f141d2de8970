export {
  bestExplanations,
  diagnose,
  type DiagnosedHypothesis,
  type Diagnosis,
  type DiagnosisGroup,
  type Predictions,
} from './diagnose.ts';
export { sharpestRange, type NextReading } from './next-reading.ts';
export { fitJob, freeName, type Fit, type FreeName } from './fit.ts';
export {
  diagnosePairs,
  twoFaults,
  type PairDiagnosis,
  type TwoFaults,
  type TwoFaultsGroup,
  type TwoFaultsProgress,
} from './two-faults.ts';
export { predictionRows, type PredictionRow } from './prediction-rows.ts';
export { isolatedPart, type IsolatedPart } from './isolated-part.ts';
