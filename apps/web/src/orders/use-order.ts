import { useQueries, useQuery } from '@tanstack/react-query';
import { circuitsOf, type JobSummary } from '@usual-drag/contract';
import type { Job } from '@usual-drag/core/job';
import { orderSignatures, type OrderSignature } from '@usual-drag/core/report';
import { useMemo } from 'react';
import { jobQuery, jobsQuery } from '../api/jobs.ts';
import { signaturesQuery } from '../api/signatures.ts';
import type { SignatureOnJob } from './sign-order.tsx';

/** An order as it is stored. */
export interface OrderView {
  /** Empty until everything is fetched. */
  readonly circuits: readonly JobSummary[];
  /** Jobs of the circuits, in the same sequence. */
  readonly documents: readonly Job[];
  /** The newest first. */
  readonly signatures: readonly OrderSignature<SignatureOnJob>[];
  readonly isComplete: boolean;
  readonly error: Error | null;
}

/** Fetches the circuits of an order and their signatures, and follows their changes. */
export function useOrder(order: string): OrderView {
  const { data: jobs, error } = useQuery({ ...jobsQuery, staleTime: 0 });
  const circuits = useMemo(() => circuitsOf(jobs ?? [], order), [jobs, order]);
  const documents = useQueries({
    queries: circuits.map(({ id }) => ({ ...jobQuery(id), staleTime: 0 })),
    combine: (found) => found.flatMap(({ data }) => (data ? [data.document] : [])),
  });
  const fetched = useQueries({
    queries: circuits.map(({ id }) => ({ ...signaturesQuery(id), staleTime: 0 })),
    combine: (found) => found.flatMap(({ data }) => (data ? [data] : [])),
  });
  const isComplete = jobs !== undefined && documents.length + fetched.length === 2 * circuits.length;
  const signatures = useMemo(
    () =>
      isComplete
        ? orderSignatures(
            fetched.flatMap((of, index) => of.map((one) => ({ ...one, jobId: circuits[index]!.id }))),
            order,
          )
        : [],
    [isComplete, fetched, circuits, order],
  );
  return { circuits, documents, signatures, isComplete, error };
}
