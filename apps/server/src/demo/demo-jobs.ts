import { sampleJobs } from './sample-jobs.ts';
import { sampleOrder } from './sample-order.ts';

/** Jobs that the demo starts with, the newest first: each sample, and an order of three circuits. */
export const demoJobs = [...sampleJobs, ...[...sampleOrder].reverse()];
