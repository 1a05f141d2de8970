import type { Sweep, SweepPoint } from '../../readings/index.ts';
import type { Job } from '../job.ts';

/** Returns the job with a sweep added, or in the place of the one with its id. */
export function putSweep(job: Job, sweep: Sweep): Job {
  const before = job.sweeps ?? [];
  const isKnown = before.some(({ id }) => id === sweep.id);
  return {
    ...job,
    sweeps: isKnown ? before.map((one) => (one.id === sweep.id ? sweep : one)) : [...before, sweep],
  };
}

/** Returns the job without a sweep. */
export function removeSweep(job: Job, id: string): Job {
  const left = (job.sweeps ?? []).filter((one) => one.id !== id);
  const { sweeps: _before, ...rest } = job;
  return left.length > 0 ? { ...rest, sweeps: left } : rest;
}

/** Returns a sweep with one of its points changed. */
export const withPoint = (sweep: Sweep, index: number, change: (point: SweepPoint) => SweepPoint): Sweep => ({
  ...sweep,
  points: sweep.points.map((point, at) => (at === index ? change(point) : point)),
});

/** Returns an id that no sweep of the job has: W1, W2 … */
export function nextSweepId({ sweeps = [] }: Job): string {
  for (let number = 1; ; number += 1) if (!sweeps.some(({ id }) => id === `W${number}`)) return `W${number}`;
}
