import type { SearchProgress, solveMeterProject, WorkedSide, MeterProject } from '@usual-drag/core';
import { proxy, wrap } from 'comlink';
import type { SideStudy, Work } from './meter-project.worker.ts';

export type { SideStudy };

interface Started<T> {
  readonly result: Promise<T>;
  readonly stop: () => void;
}

function inWorker<T>(ask: (work: ReturnType<typeof wrap<Work>>) => Promise<T>): Started<T> {
  const worker = new Worker(new URL('./meter-project.worker.ts', import.meta.url), { type: 'module' });
  const stop = (): void => worker.terminate();
  return { result: ask(wrap<Work>(worker)).finally(stop), stop };
}

/** Works a meter out, its parts chosen, in a worker of its own. */
export const startMeterProject = (
  project: MeterProject,
  onProgress: (progress: SearchProgress) => void,
): Started<ReturnType<typeof solveMeterProject>> =>
  inWorker(async (work) => await work.solve(project, proxy(onProgress)));

/** Samples the errors of every side and prices the other ways to build it, in a worker of its own. */
export const startStudy = (project: MeterProject, sides: readonly WorkedSide[]): Started<SideStudy[]> =>
  inWorker((work) => work.study(project, sides));
