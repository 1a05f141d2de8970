export {
  bestExplanations,
  diagnose,
  type DiagnosedHypothesis,
  type Diagnosis,
  type DiagnosisGroup,
} from './diagnose.ts';
export { sharpestRange, type NextReading } from './next-reading.ts';
export { fitJobs, type Fit } from './fit/fit.ts';
export { exampleNames, freeName } from './fit/free-name.ts';
export {
  diagnosePairs,
  twoFaults,
  type PairDiagnosis,
  type TwoFaultsGroup,
  type TwoFaultsProgress,
} from './two-faults.ts';
export { predictionRows } from './predictions/prediction-rows.ts';
export { isolatedPart } from './causes/isolated-part.ts';
