export { attachmentOf } from './attachment.ts';
export { isLinear, solveUnloaded, type Unloaded } from './unloaded.ts';
export { solveSetup, type MeterReading, type SetupValues } from './solve-setup.ts';
export {
  correctionAt,
  type CorrectionFactor,
  type CorrectionOn,
  type FactorContribution,
} from './correction-factor.ts';
export { setupFaults, setupsFaults, type SetupFault } from './setup-faults.ts';
export type { AmmeterPlacement, Meter, Setup, VoltmeterPlacement } from './setup.ts';
export { dangerousVoltage, largestVoltage, networkCautions, setupCautions, type Caution } from './cautions.ts';
export { explainReading, infiniteSourceSentence, stateSentence, type ReadingWorking } from './explain-reading.ts';
export { changeInstrument, meterAt, newMeter, nextMeterId, nextSetupId, swapLeads, toggleEnd } from './setup-edits.ts';
export { explainCorrection } from './explain-correction.ts';
export { correctionFromSource } from './loading-ratio.ts';
export {
  cannotCorrectWords,
  correctDisplay,
  correctMeterReading,
  correctedValue,
  stateOn,
  type BudgetEntry,
  type CannotCorrect,
  type CorrectedValue,
} from './corrected-value.ts';
export { requiredResistance } from './required-resistance.ts';
export {
  indicationAt,
  measurementPointOf,
  loadingShare,
  shiftedNetwork,
  shareTaken,
  sourceResistanceUncertainty,
  type MeasurementPoint,
  type PointValues,
} from './measurement-point.ts';
export {
  bestRangeOptions,
  rangeIndications,
  rangeTable,
  type RangeIndication,
  type RangeOption,
} from './range-table.ts';
export {
  loadedBy,
  loadingMap,
  loadingPoints,
  sharesByPart,
  loadingShares,
  type LoadingPoint,
  type MapPoint,
} from './loading-map.ts';
export { betterAlone, togetherAndApart, type TogetherAndApart } from './together.ts';
export { indicatedSums, type IndicatedTerm, type IndicatedSum } from './indicated-sums.ts';
export {
  apparentResistance,
  connections,
  connectionWords,
  crossoverResistance,
  type Connection,
} from './voltmeter-ammeter.ts';
export { startingJack, type StartingJack } from './starting-jack.ts';
export { supplyDisplays, type SupplyDisplay } from './supply-display.ts';
export { ohmmeterAt, ohmmeterRows, type OhmmeterReadings, type OhmmeterRow } from './ohmmeter.ts';
export { displayText, meterStateWords, readableError } from './meter-display.ts';
export { resistancesFromSetup, type ResistanceFromSetup } from './resistance-found.ts';
