export { diagnose, isOfReading, type DiagnosedHypothesis, type Diagnosis, type DiagnosisGroup } from './diagnose.ts';
export type { CircuitFault, Hypothesis, ReadingFault, RealPlace } from './fault.ts';
export type { NextReading } from './next-reading.ts';
export { withFault, type Bench } from './with-fault.ts';
export { fitJob, freeName, type Fit, type FreeName } from './fit.ts';
export { faultSentence } from './fault-words.ts';
