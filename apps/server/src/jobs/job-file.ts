import { largestDocument } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';

/** A job as the text of a `*.job.json`: indented to be read, unless that makes it too large to be imported again. */
export function jobFileText(job: Job): string {
  const indented = `${JSON.stringify(job, null, 2)}\n`;
  return Buffer.byteLength(indented) <= largestDocument ? indented : JSON.stringify(job);
}

/** A file's name for a job, of plain letters. */
export function jobFileName({ title }: Job): string {
  const stem = (title ?? 'untitled')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 80);
  return `${stem || 'job'}.job.json`;
}
