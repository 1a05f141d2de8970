import type { MeterProject, SearchProgress, WorkedSide } from '@usual-drag/core/workshop';
import { useMemo } from 'react';
import { startMeterProject, startStudy, type SideStudy } from '../workers/meter-project.ts';
import type { Run } from '../workers/run.ts';
import { useWorkerResult } from '../workers/use-worker-result.ts';

/** The design of a meter project, and the state of the project that it is for. */
export interface Worked {
  readonly project: MeterProject;
  readonly sides: readonly WorkedSide[] | null;
  readonly fault: string | null;
}

/** Designs a meter project in a worker; the former design remains visible meanwhile. */
export function useWorked(project: MeterProject): {
  readonly worked: Worked | null;
  readonly busy: boolean;
  readonly progress: SearchProgress | null;
} {
  const start = useMemo(
    () => (onProgress: (progress: SearchProgress) => void) => design(project, onProgress),
    [project],
  );
  const { result, state, progress } = useWorkerResult(start, 0);
  const failed: Worked = {
    project,
    sides: null,
    fault: 'The search stopped with a fault. Change a figure to start it again.',
  };
  return { worked: state === 'failed' ? failed : result, busy: state === 'running', progress };
}

function design(project: MeterProject, onProgress: (progress: SearchProgress) => void): Run<Worked> {
  const { result, stop } = startMeterProject(project, onProgress);
  return {
    result: result.then((found) =>
      found.ok ? { project, sides: found.value, fault: null } : { project, sides: null, fault: found.fault.message },
    ),
    stop,
  };
}

/** The study of a designed meter; null while it is under way. */
export function useStudy(project: MeterProject, sides: readonly WorkedSide[]): readonly SideStudy[] | null {
  const { result, state } = useWorkerResult(
    useMemo(() => () => startStudy(project, sides), [project, sides]),
    0,
  );
  return state === 'failed' ? [] : result;
}
