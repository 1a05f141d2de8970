export { bestExplanations, diagnose, type Diagnosis } from './diagnose.ts';
export { fitJobs, type Fit } from './fit/fit.ts';
export { bandOf, type Band } from './band.ts';
export { explanationMatrix, type ExplanationMatrix, type MatrixRow } from './explanation-matrix.ts';
export { exampleNames, freeName } from './fit/free-name.ts';
export {
  diagnosePairs,
  twoFaults,
  type PairDiagnosis,
  type TwoFaultsGroup,
  type TwoFaultsProgress,
} from './two-faults.ts';
export { isolatedPart } from './causes/isolated-part.ts';
export { fitWord } from './fit-word.ts';
