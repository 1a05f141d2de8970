import type { CorrectionQuestion } from '@usual-drag/core/readings';
import type { SampledCorrection } from '@usual-drag/core/uncertainty';
import type { Sample } from './budget.worker.ts';
import { run, type Run } from './run.ts';

const create = (): Worker => new Worker(new URL('./budget.worker.ts', import.meta.url), { type: 'module' });

/** Draws the inputs of a corrected value at random; null if it is not determined. */
export const startSampledCorrection = (question: CorrectionQuestion): Run<SampledCorrection | null> =>
  run<Sample, SampledCorrection | null>(create, (sample) => sample(question));
