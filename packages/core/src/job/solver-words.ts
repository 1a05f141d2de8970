import type { SolverFault } from '../solver/index.ts';
import type { JobFault } from './job.ts';

/** Says a solver's fault in a technician's words, with the remedy. */
export function explainSolverFault({ code, where, loop = where }: SolverFault): JobFault {
  const named = list(loop);
  switch (code) {
    case 'source-conflict':
      return {
        code,
        where,
        message:
          loop.length > 1
            ? `${named} contradict each other: a loop of ideal sources and links whose voltages do not add up to zero. Give one of the sources an internal resistance, or open the loop.`
            : `${named} is shorted on itself. Give it an internal resistance, or move one of its ends.`,
      };
    case 'current-source-open':
      return {
        code,
        where,
        message: `The current of ${named} has no way back. Close its loop with a part or a switch, or make the currents of sources in one line equal.`,
      };
    case 'out-of-range':
      return {
        code: 'invalid-value',
        where,
        message: 'The values of this network lie too far apart to be computed. Look for one with a wrong prefix.',
      };
  }
}

function list(names: readonly string[]): string {
  if (names.length < 2) return names[0] ?? 'A current source';
  return `${names.slice(0, -1).join(', ')} and ${names[names.length - 1]}`;
}
