import type { JobSummary } from '@usual-drag/contract';

/** Reason why a line of the list has no figures. */
export const figuresWords: Readonly<Record<Exclude<JobSummary['state'], 'computed'>, string>> = {
  computing: 'worst error being computed',
  'too-large': 'too large to compute in the list',
};
