export type { JobSummary, OpenJob, Shelved, ShelvedInstrument, ShelvedWorkpiece } from './answers.ts';
export { checkWorkpiece } from './check-workpiece.ts';
export { readDesign } from './read-design.ts';
export { checkDraft, checkJob, readJob } from './read-job.ts';
export { checkKit, checkKitInstrument, readKit } from './read-kit.ts';
export type { FileFault } from './shape-faults.ts';
