import type { JobSummary, OpenJob } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';

export const jobsQuery = queryOptions({ queryKey: ['jobs'], queryFn: () => ask<JobSummary[]>('GET', '/jobs') });

/** The deleted ones. */
export const binQuery = queryOptions({
  queryKey: ['jobs', 'bin'],
  queryFn: () => ask<JobSummary[]>('GET', '/jobs/bin'),
});

export const jobQuery = (id: string) =>
  queryOptions({ queryKey: ['jobs', id], queryFn: () => ask<OpenJob>('GET', `/jobs/${id}`) });

export const createJob = (document: Job) => ask<OpenJob>('POST', '/jobs', { document });
export const importJob = (file: unknown) => ask<OpenJob>('POST', '/jobs/import', file);
export const duplicateJob = (id: string) => ask<OpenJob>('POST', `/jobs/${id}/duplicate`);
export const deleteJob = (id: string) => ask<undefined>('DELETE', `/jobs/${id}`);
export const restoreJob = (id: string) => ask<OpenJob>('POST', `/jobs/${id}/restore`);
export const saveJob = (id: string, revision: number, document: Job) =>
  ask<OpenJob>('PUT', `/jobs/${id}`, { revision, document });
export const exportAddress = (id: string) => `/api/jobs/${id}/export`;
