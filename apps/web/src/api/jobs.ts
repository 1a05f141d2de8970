import type { JobSummary, SavedReadings, StoredDocument } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import type { Reading } from '@usual-drag/core/readings';
import { queryOptions } from '@tanstack/react-query';
import { serverAddress } from './base-path.ts';
import { answerTo, ask } from './http.ts';

export const jobsQuery = queryOptions({
  queryKey: ['jobs'],
  queryFn: () => ask<JobSummary[]>('GET', '/jobs'),
  meta: { follows: 'jobs' },
});

export const archivedJobsQuery = queryOptions({
  queryKey: ['jobs', 'archived'],
  queryFn: () => ask<JobSummary[]>('GET', '/jobs/archived'),
});

export const jobQuery = (id: string) =>
  queryOptions({
    queryKey: ['jobs', id],
    queryFn: () => ask<StoredDocument<Job>>('GET', `/jobs/${id}`),
    meta: { follows: `jobs/${id}` },
  });

/** Saves readings that were added to the job at `revision` or changed in it; equivalent to saving the whole job with them. */
export const saveReadings = (id: string, revision: number, readings: readonly Reading[]) =>
  ask<SavedReadings | StoredDocument<Job>>('POST', `/jobs/${id}/readings`, { revision, readings });

export const createJob = (document: Job) => ask<StoredDocument<Job>>('POST', '/jobs', { document });
export const importJob = (file: unknown) => ask<StoredDocument<Job>>('POST', '/jobs/import', file);
export const importJobs = (archive: Blob) =>
  answerTo<{ readonly imported: number }>('POST', '/jobs/import-archive', 'application/zip', archive);
export const duplicateJob = (id: string) => ask<StoredDocument<Job>>('POST', `/jobs/${id}/duplicate`);
export const archiveJob = (id: string) => ask<undefined>('DELETE', `/jobs/${id}`);
export const restoreJob = (id: string) => ask<StoredDocument<Job>>('POST', `/jobs/${id}/restore`);
/** The job's drawing in small; with the revision in it the address is another one once the job is saved. */
export const drawingAddress = ({ id, revision }: JobSummary, theme: 'light' | 'dark') =>
  serverAddress(`api/jobs/${id}/drawing?theme=${theme}&revision=${revision}`);
export const exportAddress = (id: string) => serverAddress(`api/jobs/${id}/export`);
/** Number of archives for all jobs: one, unless there are more jobs than one archive may have. */
export const exportPartsQuery = queryOptions({
  queryKey: ['jobs', 'export-parts'],
  queryFn: () => ask<{ readonly parts: number }>('GET', '/jobs/export-parts'),
});
/** Address of the archive of all jobs, or of a part of it, counted from 1. */
export const exportAllAddress = (part: number | null) =>
  serverAddress(`api/jobs/export${part === null ? '' : `?part=${part}`}`);
