export { readingUncertainty, type ReadingUncertainty } from './accuracy.ts';
export { shownOn, smallestStep, type Shown } from './display.ts';
export {
  findRange,
  rangesOf,
  unitOf,
  type Instrument,
  type InstrumentFunction,
  type MeterQuantity,
  type Range,
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
  type ResistanceRange,
} from './kit.ts';
export { burdenOf, nextRange, nextResistanceRange, rangeName, sensitivityOf } from './range-edits.ts';
