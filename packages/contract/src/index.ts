export { checkDraft, checkJob, readJob, type FileFault } from './read-job.ts';
export type { JobSummary, OpenJob } from './answers.ts';
