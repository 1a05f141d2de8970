import { addReading, nextReadingId, type Job } from '../job/index.ts';

/**
 * Returns the job with another voltage reading from B to the reference, under the next free id.
 *
 * @param shown  display, V
 * @param at  ISO 8601; left out if omitted
 */
export const takeReading = (job: Job, shown: string, at?: string): Job =>
  addReading(job, {
    id: nextReadingId(job.readings ?? []),
    quantity: 'dc-voltage',
    instrument: 'none',
    range: '20 V',
    red: 'B',
    black: '0',
    observations: [{ shown, unit: 'V', ...(at !== undefined && { at }) }],
  });
