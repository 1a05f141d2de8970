import type { Job } from '../job.ts';
import { readingOrigin } from '../merge-jobs.ts';

/** Removes the resistance readings that were copied from an earlier circuit of an order, so that each counts once. */
export function withoutRepeated(circuits: readonly Job[]): readonly Job[] {
  const seen = new Set<string>();
  return circuits.map((job) => {
    const readings = (job.readings ?? []).filter(
      (reading) => reading.quantity !== 'resistance' || !seen.has(readingOrigin(reading)),
    );
    for (const reading of readings) if (reading.quantity === 'resistance') seen.add(readingOrigin(reading));
    return readings.length === (job.readings ?? []).length ? job : { ...job, readings };
  });
}
