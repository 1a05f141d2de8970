export {
  copyReasons,
  documentKinds,
  type AboutAnswer,
  type CheckedBackup,
  type DamagedDocument,
  type DevicesAnswer,
  type DocumentChange,
  type DocumentKind,
  type DocumentOfKind,
  type Followed,
  type HealthAnswer,
  type History,
  type HistoryEntry,
  type InstrumentReading,
  type JobSummary,
  type KeptAttempt,
  type KeptCopy,
  type KeptSignature,
  type Learner,
  type ReadingsStep,
  type SavedReadings,
  type ScheduledCopiesState,
  type ServerWarning,
  type SignedJob,
  type StoredContents,
  type StoredDocument,
} from './answers.ts';
export { checkDocument, checkStored } from './check-document.ts';
export {
  largestArchive,
  largestBackup,
  largestDocument,
  largestUnpacked,
  most,
  mostArchivedFiles,
  mostFaults,
  mostFollowed,
} from './limits.ts';
export { circuitsOf, inSequence } from './order.ts';
export { readAnsweredProblem, type AnsweredProblem } from './read-answered-problem.ts';
export { readDesign } from './read-design.ts';
export { checkDraft, checkJob, readJob } from './read-job.ts';
export { checkKit, checkKitInstrument, readKit } from './read-kit.ts';
export { checkMeterProject } from './read-meter-project.ts';
export { followSteps, savedJob } from './saved-readings.ts';
export type { FileFault } from './shape-faults.ts';
export { readWorksheet } from './read-worksheet.ts';
