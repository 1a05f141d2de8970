export { builtInKit } from './built-in-kit.ts';
export { readingUncertainty, type ReadingUncertainty } from './accuracy.ts';
export { shownOn, smallestStep, type Shown } from './display.ts';
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
  calibrationOf,
  copyInstrument,
  freeId,
  instrumentForJob,
  isDay,
  kitFaults,
  kitLimits,
  settledRange,
  type AutoRange,
  type Calibration,
  type KitFault,
  type KitInstrument,
} from './kit.ts';
export { burdenOf, nextRange, nextResistanceRange, rangeName, sensitivityOf } from './range-edits.ts';
