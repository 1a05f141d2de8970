import { addReading, nextReadingId, type Job } from '@usual-drag/core/job';

/** The job with a reading from B to the reference under the next free name; `shown` in V. */
export const takeReading = (job: Job, shown: string, at: string): Job =>
  addReading(job, {
    id: nextReadingId(job.readings ?? []),
    quantity: 'dc-voltage',
    instrument: 'none',
    range: '20 V',
    red: 'B',
    black: '0',
    observations: [{ shown, unit: 'V', at }],
  });
