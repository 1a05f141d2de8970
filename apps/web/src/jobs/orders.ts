import type { JobSummary } from '@usual-drag/contract';

/** Circuits of one order, or jobs that share their order number with none. */
export interface JobGroup {
  /** The number that its jobs share; null if they share none. */
  readonly order: string | null;
  readonly jobs: readonly JobSummary[];
}

/**
 * Puts the jobs of an order together, in the sequence they were made, where the first of them stood. The others stay as they were, one
 * group a run.
 */
export function byOrder(jobs: readonly JobSummary[]): JobGroup[] {
  const members = new Map<string, JobSummary[]>();
  for (const job of jobs) {
    const { order } = job.record;
    if (order) members.set(order, [...(members.get(order) ?? []), job]);
  }
  const groups: { order: string | null; jobs: JobSummary[] }[] = [];
  const done = new Set<string>();
  for (const job of jobs) {
    const order = job.record.order ?? '';
    const circuits = members.get(order) ?? [];
    if (circuits.length < 2) {
      const last = groups.at(-1);
      if (last?.order === null) last.jobs.push(job);
      else groups.push({ order: null, jobs: [job] });
    } else if (!done.has(order)) {
      done.add(order);
      groups.push({ order, jobs: asMade(circuits) });
    }
  }
  return groups;
}

/** The circuits of an order in the sequence they were made. */
export const circuitsOf = (jobs: readonly JobSummary[], order: string): JobSummary[] =>
  asMade(jobs.filter(({ record }) => record.order === order));

/** The circuit of the same order that was made next, or before; undefined if there is none. */
export function circuitBeside(jobs: readonly JobSummary[], id: string, by: 1 | -1): JobSummary | undefined {
  const order = jobs.find((job) => job.id === id)?.record.order;
  if (!order) return undefined;
  const circuits = circuitsOf(jobs, order);
  return circuits[circuits.findIndex((job) => job.id === id) + by];
}

const asMade = (jobs: readonly JobSummary[]): JobSummary[] =>
  [...jobs].sort((a, b) => a.createdAt.localeCompare(b.createdAt));
