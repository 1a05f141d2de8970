export { diagnose, type DiagnosedHypothesis, type Diagnosis, type DiagnosisGroup } from './diagnose.ts';
export type { CircuitFault, Hypothesis, ReadingFault, RealPlace } from './fault.ts';
