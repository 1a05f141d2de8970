import type { Sampling, ToleranceQuestion } from '@usual-drag/core';
import { proxy, wrap } from 'comlink';
import type { Study, ToleranceStudy } from './tolerance.worker.ts';

export type { ToleranceStudy };

/**
 * Studies the tolerance of a result in a worker of its own, so that the page never waits for it.
 *
 * @param onProgress  is told how many draws are done
 * @returns the study, null if nothing determines the result; and a way to leave off, after which nothing comes
 */
export function startTolerance(
  question: ToleranceQuestion,
  sampling: Sampling,
  onProgress: (done: number) => void,
): { readonly study: Promise<ToleranceStudy | null>; readonly stop: () => void } {
  const worker = new Worker(new URL('./tolerance.worker.ts', import.meta.url), { type: 'module' });
  const stop = (): void => worker.terminate();
  const study = wrap<Study>(worker)(question, sampling, proxy(onProgress)).finally(stop);
  return { study, stop };
}
