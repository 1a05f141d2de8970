import type { KeptSignature, SignedJob } from '@usual-drag/contract';
import { queryOptions } from '@tanstack/react-query';
import { ask } from './http.ts';

/** Every signature on a job, the newest first. */
export const signaturesQuery = (jobId: string) =>
  queryOptions({
    queryKey: ['signatures', jobId],
    queryFn: () => ask<KeptSignature[]>('GET', `/jobs/${jobId}/signatures`),
  });

/** One of them, with the job as it was then. */
export const signedQuery = (jobId: string, entry: string) =>
  queryOptions({
    queryKey: ['signatures', jobId, entry],
    queryFn: () => ask<SignedJob>('GET', `/jobs/${jobId}/signatures/${entry}`),
    staleTime: Infinity,
  });

/** Signs a job as it is stored. */
export const signJob = (
  jobId: string,
  signature: Pick<KeptSignature, 'revision' | 'hash' | 'by' | 'sections' | 'restored'>,
) => ask<KeptSignature>('POST', `/jobs/${jobId}/signatures`, signature);
