export {
  bestExplanations,
  diagnose,
  isOfReading,
  type DiagnosedHypothesis,
  type Diagnosis,
  type DiagnosisGroup,
} from './diagnose.ts';
export { sharpestRange, type NextReading } from './next-reading.ts';
export { fitJob, freeName, type Fit, type FreeName } from './fit.ts';
export { twoFaults, type TwoFaults, type TwoFaultsProgress } from './two-faults.ts';
