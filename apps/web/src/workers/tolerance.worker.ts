import {
  contributions,
  sampleTolerance,
  toleranceModel,
  worstCase,
  type PartContribution,
  type SampleSummary,
  type Sampling,
  type ToleranceQuestion,
  type WorstCase,
} from '@usual-drag/core/uncertainty';
import { expose } from 'comlink';

/** Effects of the parts' tolerances on one result. */
export interface ToleranceStudy {
  readonly parts: readonly string[];
  readonly worst: WorstCase;
  readonly contributions: readonly PartContribution[];
  readonly samples: SampleSummary;
}

/** Answers in one go, telling how far it is; its owner ends the worker to leave off. */
function study(
  question: ToleranceQuestion,
  sampling: Sampling,
  onProgress: (done: number) => void,
): ToleranceStudy | null {
  const model = toleranceModel(question);
  if (!model) return null;
  const worst = worstCase(model);
  const run = sampleTolerance(model, sampling);
  for (let step = run.next(); ; step = run.next()) {
    if (!step.done) {
      onProgress(step.value);
      continue;
    }
    const parts = model.parts.map(({ id }) => id);
    return { parts, worst, contributions: contributions(model), samples: step.value };
  }
}

export type Study = typeof study;

expose(study);
