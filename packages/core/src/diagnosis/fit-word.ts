import { largestMisfit } from './predictions/prediction.ts';

/** Misfits up to which an explanation fits well, and fits; up to the largest that is listed it hardly fits. */
const [mostWell, mostFitting] = [0.8, 1.3];

/** Returns a misfit, √(mean of ((value − prediction)/u)²), as words. */
export function fitWord(misfit: number): string {
  if (misfit <= mostWell) return 'fits well';
  if (misfit <= mostFitting) return 'fits';
  return misfit <= largestMisfit ? 'hardly fits' : 'does not fit';
}
