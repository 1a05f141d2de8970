import type { Unloaded } from '@usual-drag/core/loading';
import type { Job } from '@usual-drag/core/job';
import type { Signature } from '@usual-drag/core/report';
import { useEffect, useState } from 'react';
import { codeLater } from '../../ui/fetched-later.ts';
import type { Solved } from './analysis.ts';
import type { StepStatus } from './step-status.ts';

const wordsOfSteps = codeLater(() => import('./step-status.ts'));

const notYet: StepStatus = { network: '', trueValues: '', setups: '', isLoaded: false, readings: '', report: '' };

/** ms after the last edit until the readings are planned and compared: it is not urgent. */
const debounceMs = 300;

/** Follows the state of the steps after each paint; it is computed by code that is not in the first load. */
export function useStepStatus(
  job: Job,
  unloaded: Solved<Unloaded>,
  signatures: readonly Signature[] | undefined,
): StepStatus {
  const [status, setStatus] = useState(notYet);
  useEffect(() => {
    let isNewest = true;
    let later: ReturnType<typeof setTimeout> | undefined;
    void wordsOfSteps().then(({ stepStatus, readingsInWords, reportInWords }) => {
      if (!isNewest) return;
      setStatus(({ readings, report }) => ({ ...stepStatus(job, unloaded), readings, report }));
      later = setTimeout(() => {
        const readings = readingsInWords(job, unloaded);
        const report = signatures ? reportInWords(job, signatures) : '';
        setStatus((now) => (now.readings === readings && now.report === report ? now : { ...now, readings, report }));
      }, debounceMs);
    });
    return () => {
      isNewest = false;
      clearTimeout(later);
    };
  }, [job, unloaded, signatures]);
  return status;
}
