export type { JobSummary, OpenJob, Shelved, ShelvedInstrument, ShelvedMeterProject } from './answers.ts';
export { checkMeterProject } from './check-meter-project.ts';
export { readDesign } from './read-design.ts';
export { checkDraft, checkJob, readJob } from './read-job.ts';
export { checkKit, checkKitInstrument, readKit } from './read-kit.ts';
export type { FileFault } from './shape-faults.ts';
