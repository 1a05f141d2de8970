import {
  planDesign,
  sampledErrors,
  solveMeterProject,
  usualPrices,
  waysToMeet,
  type SampledRange,
  type SearchProgress,
  type WorkedSide,
  type Way,
  type MeterProject,
} from '@usual-drag/core/workshop';
import { expose } from 'comlink';

/** Spread of a batch of such meters, and other ways to build one side. */
export interface SideStudy {
  readonly sampled: readonly SampledRange[];
  readonly ways: readonly Way[];
}

const work = {
  solve: (
    project: MeterProject,
    onProgress: (progress: SearchProgress) => void,
  ): ReturnType<typeof solveMeterProject> =>
    solveMeterProject(project, ({ tried, best }) => onProgress({ tried, best })),

  study: (project: MeterProject, sides: readonly WorkedSide[]): SideStudy[] =>
    sides.map((side) => {
      const plan = planDesign(side.design, side.movement);
      const { stock, prices = usualPrices } = project.parts;
      return {
        sampled: sampledErrors(project, side, { count: 20_000, seed: 1, spread: 'rectangular' }),
        ways: plan.ok
          ? waysToMeet(side.design, side.movement, plan.value, prices, project.divisions, { ...(stock && { stock }) })
          : [],
      };
    }),
};

export type Work = typeof work;

expose(work);
