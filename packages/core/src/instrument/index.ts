export { changeRanges } from './change-ranges.ts';
export { readAddress, type Address } from './address.ts';
export {
  calibrationOn,
  calibrationsDue,
  dayOf,
  isDay,
  type Calibration,
  type CalibrationNotes,
} from './calibration-due.ts';
export { certificateFaults, certificateLimit, indicatedWhen, ownErrorAt, withoutOwnError } from './certificate.ts';
export { builtInKit } from './built-in-kit.ts';
export { instrumentUncertainty, readingUncertainty } from './accuracy.ts';
export { displayState, type MeterState } from './meter-state.ts';
export { displayToExpect, shownOn, smallestStep } from './display.ts';
export {
  findRange,
  rangesOf,
  unitOf,
  type Instrument,
  type InstrumentFunction,
  type MeterFunction,
  type MeterQuantity,
  type Range,
  type RangeCalibration,
  type RangeOf,
  type Rate,
  type ReadingQuantity,
  type ResistanceFunction,
  type ResistanceRange,
} from './instrument.ts';
export {
  copyInstrument,
  freeId,
  instrumentForJob,
  kitFaults,
  kitLimits,
  settledRange,
  withCertificate,
  type AutoRange,
  type KitInstrument,
} from './kit.ts';
export { jackOf, jacksOf } from './jacks.ts';
export { burdenOf, nextRange, nextResistanceRange, rangeName, sensitivityOf } from './range-edits.ts';
export { certificateFrom, checkAgainstStandard, pointsToCheck, type StandardCheck } from './standard-check.ts';
