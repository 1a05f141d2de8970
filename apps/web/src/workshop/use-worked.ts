import type { SearchProgress, WorkedSide, MeterProject } from '@usual-drag/core';
import { useEffect, useState } from 'react';
import { startStudy, startMeterProject, type SideStudy } from '../workers/meter-project.ts';

/** How a meter project stands: what came of it, and for which state of it that was. */
export interface Worked {
  readonly project: MeterProject;
  readonly sides: readonly WorkedSide[] | null;
  readonly fault: string | null;
}

/** Follows a meter project; its parts are chosen in a worker, and the former result stays in sight meanwhile. */
export function useWorked(project: MeterProject): {
  readonly worked: Worked | null;
  readonly busy: boolean;
  readonly progress: SearchProgress | null;
} {
  const [worked, setWorked] = useState<Worked | null>(null);
  const [progress, setProgress] = useState<SearchProgress | null>(null);
  useEffect(() => {
    let over = false;
    const { result, stop } = startMeterProject(project, (next) => {
      if (!over) setProgress(next);
    });
    const settle = (next: Omit<Worked, 'project'>): void => {
      if (over) return;
      setWorked({ project, ...next });
      setProgress(null);
    };
    result.then(
      (found) => settle(found.ok ? { sides: found.value, fault: null } : { sides: null, fault: found.fault.message }),
      () => settle({ sides: null, fault: 'The search stopped with a fault. Change a figure to start it again.' }),
    );
    return () => {
      over = true;
      stop();
    };
  }, [project]);
  return { worked, busy: worked?.project !== project, progress };
}

/** The study of a worked-out meter; null while it is under way. */
export function useStudy(project: MeterProject, sides: readonly WorkedSide[]): readonly SideStudy[] | null {
  const [study, setStudy] = useState<readonly SideStudy[] | null>(null);
  useEffect(() => {
    let over = false;
    const { result, stop } = startStudy(project, sides);
    result.then(
      (found) => {
        if (!over) setStudy(found);
      },
      () => {
        if (!over) setStudy([]);
      },
    );
    return () => {
      over = true;
      stop();
    };
  }, [project, sides]);
  return study;
}
