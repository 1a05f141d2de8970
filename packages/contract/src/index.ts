export { checkJob, checkShape, readJob } from './read-job.ts';
