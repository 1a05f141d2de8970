export type { Job, JobFault } from './job.ts';
export { jobFaults, solveJob, type JobResult } from './solve-job.ts';
export { explainSolverFault } from './solver-words.ts';
export { editElement, keepInstrument, newJob, putMeter, putSetup, removeSetup, renewInstrument } from './job-edits.ts';
export { changeNetwork } from './change-network.ts';
export { partsFromRows, type PartsRows, type RowFault } from './parts-rows.ts';
export { kitFromRows, rowsFromKit, withRange, type Kit } from './kit-rows.ts';
export { rowsFromStock, stockFromRows } from './stock-rows.ts';
