export { readingDoubt, type ReadingDoubt } from './accuracy.ts';
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
