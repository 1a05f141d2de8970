export { checkDraft, checkJob, readJob, type FileFault } from './read-job.ts';
