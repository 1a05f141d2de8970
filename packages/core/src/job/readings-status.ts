import type { Unloaded } from '../loading/index.ts';
import { countRead, makePlan } from '../plan/index.ts';
import { comparisonOf } from '../readings/index.ts';
import type { Result } from '../result.ts';
import type { Job, JobFault } from './job.ts';
import { readingsMeant } from './job-meant.ts';

/** Progress of a job's readings. */
export interface ReadingsStatus {
  /** Readings that count. */
  readonly readings: number;
  /** Steps of the usual plan that have been read, and how many there are. */
  readonly read: number;
  readonly of: number;
  readonly doNotAgree: number;
}

/** @returns null if the network cannot be solved, or nothing has been read */
export function readingsStatus(job: Job, unloaded: Result<Unloaded, JobFault>): ReadingsStatus | null {
  const { instruments = [], conventions = {} } = job;
  const readings = readingsMeant(job) ?? [];
  const counted = readings.filter(({ struck }) => struck === undefined);
  if (!unloaded.ok || counted.length === 0) return null;
  const plan = makePlan(job);
  if (!plan.ok) return null;
  const compared = comparisonOf(unloaded.value, instruments, conventions, counted, { corrected: 'none' });
  const doNotAgree = Object.values(compared.readings).filter(({ verdict }) => verdict === 'does-not-agree').length;
  return { readings: counted.length, ...countRead(plan.value, counted), doNotAgree };
}
