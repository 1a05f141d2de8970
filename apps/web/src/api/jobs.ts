import type { Instrument, Job } from '@usual-drag/core';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';

/** A line of the list of jobs. */
export interface JobSummary {
  readonly id: string;
  readonly title: string | null;
  readonly revision: number;
  readonly updatedAt: string;
  readonly parts: number;
  readonly setups: number;
}

/** A job as the server keeps it. */
export interface StoredJob {
  readonly id: string;
  readonly revision: number;
  readonly updatedAt: string;
  readonly document: Job;
}

export const jobsQuery = queryOptions({ queryKey: ['jobs'], queryFn: () => ask<JobSummary[]>('GET', '/jobs') });

export const jobQuery = (id: string) =>
  queryOptions({ queryKey: ['jobs', id], queryFn: () => ask<StoredJob>('GET', `/jobs/${id}`) });

export const kitQuery = queryOptions({
  queryKey: ['instruments'],
  queryFn: () => ask<Instrument[]>('GET', '/instruments'),
  staleTime: Infinity,
});

export const createJob = (document: Job) => ask<StoredJob>('POST', '/jobs', { document });
export const importJob = (file: unknown) => ask<StoredJob>('POST', '/jobs/import', file);
export const duplicateJob = (id: string) => ask<StoredJob>('POST', `/jobs/${id}/duplicate`);
export const deleteJob = (id: string) => ask<undefined>('DELETE', `/jobs/${id}`);
export const restoreJob = (id: string) => ask<StoredJob>('POST', `/jobs/${id}/restore`);
export const saveJob = (id: string, revision: number, document: Job) =>
  ask<StoredJob>('PUT', `/jobs/${id}`, { revision, document });
export const exportAddress = (id: string) => `/api/jobs/${id}/export`;
