import type { Sampling, ToleranceQuestion } from '@usual-drag/core/uncertainty';
import { proxy } from 'comlink';
import { run, type Run } from './run.ts';
import type { Study, ToleranceStudy } from './tolerance.worker.ts';

export type { ToleranceStudy };

const create = (): Worker => new Worker(new URL('./tolerance.worker.ts', import.meta.url), { type: 'module' });

/**
 * Studies the tolerance of a result; null if nothing determines the result.
 *
 * @param onProgress  is called with the number of draws that are done
 */
export const startTolerance = (
  question: ToleranceQuestion,
  sampling: Sampling,
  onProgress: (done: number) => void,
): Run<ToleranceStudy | null> =>
  run<Study, ToleranceStudy | null>(create, (study) => study(question, sampling, proxy(onProgress)));
