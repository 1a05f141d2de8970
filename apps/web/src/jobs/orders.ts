import { circuitsOf, inSequence, type JobSummary } from '@usual-drag/contract';

/** Circuits of one order, or jobs that share their order number with none. */
export interface JobGroup {
  /** The number that its jobs share; null if they share none. */
  readonly order: string | null;
  readonly jobs: readonly JobSummary[];
}

/**
 * Groups jobs by order number. The circuits of an order are in their sequence, at the place of the first one in
 * the list; consecutive jobs without a common order number form one group.
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
      groups.push({ order, jobs: inSequence(circuits) });
    }
  }
  return groups;
}

/** Returns the next or previous circuit of the same order; undefined if there is none. */
export function circuitBeside(jobs: readonly JobSummary[], id: string, by: 1 | -1): JobSummary | undefined {
  const order = jobs.find((job) => job.id === id)?.record.order;
  if (!order) return undefined;
  const circuits = circuitsOf(jobs, order);
  return circuits[circuits.findIndex((job) => job.id === id) + by];
}
