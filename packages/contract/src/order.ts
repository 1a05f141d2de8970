import type { JobSummary } from './answers.ts';

/** Returns the circuits of an order in their sequence: those with a place first, then by their creation. */
export const circuitsOf = (jobs: readonly JobSummary[], order: string): JobSummary[] =>
  inSequence(jobs.filter(({ record }) => record.order === order));

/** Sorts the circuits of one order by their sequence. */
export const inSequence = (circuits: readonly JobSummary[]): JobSummary[] =>
  [...circuits].sort(
    (a, b) =>
      (a.place ?? most) - (b.place ?? most) || a.createdAt.localeCompare(b.createdAt) || a.id.localeCompare(b.id),
  );

/** A circuit without a place comes after those with one. */
const most = Number.MAX_SAFE_INTEGER;
