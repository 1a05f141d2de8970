import type { MeterProject, SearchProgress, solveMeterProject, WorkedSide } from '@usual-drag/core/workshop';
import { proxy } from 'comlink';
import type { SideStudy, Work } from './meter-project.worker.ts';
import { run, type Run } from './run.ts';

export type { SideStudy };

const create = (): Worker => new Worker(new URL('./meter-project.worker.ts', import.meta.url), { type: 'module' });

/** Designs a meter and chooses its parts. */
export const startMeterProject = (
  project: MeterProject,
  onProgress: (progress: SearchProgress) => void,
): Run<ReturnType<typeof solveMeterProject>> =>
  run<Work, ReturnType<typeof solveMeterProject>>(create, async (work) => work.solve(project, proxy(onProgress)));

/** Samples the errors of every side, and prices the other ways to build it. */
export const startStudy = (project: MeterProject, sides: readonly WorkedSide[]): Run<SideStudy[]> =>
  run<Work, SideStudy[]>(create, (work) => work.study(project, sides));
