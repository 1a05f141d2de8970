/** Misfits up to which an explanation fits well, fits, and hardly fits. */
const [mostWell, mostFitting, mostHardly] = [0.8, 1.3, 2];

/** Returns a misfit, √(mean of ((value − prediction)/u)²), as words. */
export function fitWord(misfit: number): string {
  if (misfit <= mostWell) return 'fits well';
  if (misfit <= mostFitting) return 'fits';
  return misfit <= mostHardly ? 'hardly fits' : 'does not fit';
}
