import type { JobSummary } from '@usual-drag/contract';

export const jobOrders = ['changed', 'title', 'asset', 'date', 'error'] as const;
export type JobOrder = (typeof jobOrders)[number];

/** Criteria of a search for jobs. */
export interface JobSearch {
  /** Words that title, site, asset, order or date must have, each in any place. */
  readonly text: string;
  /** Empty for every asset. */
  readonly asset: string;
  readonly order: JobOrder;
}

/** The jobs that a search finds, in its order; those of equal rank as they were. */
export function findJobs(jobs: readonly JobSummary[], { text, asset, order }: JobSearch): JobSummary[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  return jobs
    .filter(({ record }) => asset === '' || record.asset === asset)
    .filter((job) => {
      if (words.length === 0) return true;
      const { site, asset: tag, order: number, date } = job.record;
      const said = [job.title, site, tag, number, date].join('\n').toLowerCase();
      return words.every((word) => said.includes(word));
    })
    .sort(comparisons[order]);
}

const byText = (of: (job: JobSummary) => string | null | undefined) => (a: JobSummary, b: JobSummary) =>
  collator.compare(of(a) || last, of(b) || last);

/** Numbers in names count as numbers: SL-9 comes before SL-14. */
const collator = new Intl.Collator('en-GB', { numeric: true });

/** Sorts after every text. */
const last = '\u{10FFFF}';

const comparisons: Readonly<Record<JobOrder, (a: JobSummary, b: JobSummary) => number>> = {
  changed: (a, b) => b.updatedAt.localeCompare(a.updatedAt),
  title: byText(({ title }) => title),
  asset: byText(({ record }) => record.asset),
  date: (a, b) => (b.record.date ?? '').localeCompare(a.record.date ?? ''),
  error: (a, b) => Math.abs(b.worstError ?? 0) - Math.abs(a.worstError ?? 0),
};

/** Every asset that a job is about, once. */
export const assetsOf = (jobs: readonly JobSummary[]): string[] =>
  [...new Set(jobs.flatMap(({ record }) => record.asset ?? []))].sort(collator.compare);
