export { jobVersions, type Job, type JobFault, type JobRecord, type JobVersion } from './job.ts';
export {
  compareJob,
  diagnoseJob,
  diagnosePairsOfJob,
  explanationsOfJob,
  fitFreeNames,
  planJob,
  twoFaultsOfJob,
} from './job-questions.ts';
export { jobFaults, solveJob } from './solve-job.ts';
export { explainSolverFault } from './solver-words.ts';
export {
  editElement,
  keepInstrument,
  newJob,
  putMeter,
  putSetup,
  setupName,
  removeSetup,
  renewInstrument,
} from './edits/job-edits.ts';
export { editRecord } from './job-record.ts';
export { jobMeant, networkMeant, readingsMeant } from './job-meant.ts';
export { atItsVersion, newerKeys, type NewerKey } from './job-version.ts';
export {
  addObservation,
  addReading,
  editConventions,
  nextReadingId,
  noteReading,
  strikeReading,
  takeMeasuredValue,
  usualConventions,
} from './edits/reading-edits.ts';
export { readingsStatus, type ReadingsStatus } from './readings-status.ts';
export { readingsFromRows, rowsFromReadings } from './rows/reading-rows.ts';
export { floatLevelDivider } from './float-level-divider.ts';
export { jobFrom, startingCircuits } from './starting-circuits.ts';
export { changeNetwork } from './edits/change-network.ts';
export { newCircuit, rolesBySize, type ChosenPart } from './new-circuit/new-circuit.ts';
export { planOrder, type OrderStep } from './order/order-plan.ts';
export { withoutRepeated } from './order/without-repeated.ts';
export { partResistances, type PartResistances, type ResistanceEvidence } from './order/part-resistances.ts';
export { arrangementsOf, type Arrangement } from './new-circuit/arrangements.ts';
export { partsFromRows, type PartsRows, type RowFault } from './rows/parts-rows.ts';
export { kitFromRows, rowsFromKit, withRange, type Kit } from './rows/kit-rows.ts';
export { rowsFromStock, stockFromRows } from './rows/stock-rows.ts';
export {
  rowsFromCalibrations,
  rowsFromCheckPoints,
  rowsFromPartsList,
  rowsFromRangeTable,
  rowsFromSweep,
} from './rows/table-rows.ts';
export { changedReadings, putReadings } from './changed-readings.ts';
export { mergeJobs, readingOrigin } from './merge-jobs.ts';
export { documentChanges } from './document-changes.ts';
export { sameValue } from './same-value.ts';
export { jobStatus, unreadableWords, type JobStatus } from './job-status.ts';
export { placedPositive, setupValuesOf, trueValuesOf } from './solved-values.ts';
export { nextSweepId, putSweep, removeSweep, withPoint } from './edits/sweep-edits.ts';
export { isBlankSweep, withKeptSweep, type KeptSweep } from './kept-sweep.ts';
