export { attachmentOf } from './attachment.ts';
export { isLinear, solveUnloaded, type Unloaded } from './unloaded.ts';
export { solveSetup, type MeterReading, type SetupValues } from './solve-setup.ts';
export { correctionAt, type CorrectionFactor } from './correction-factor.ts';
export { setupFaults, setupsFaults } from './setup-faults.ts';
export type { AmmeterPlacement, Meter, Setup, VoltmeterPlacement } from './setup.ts';
export { dangerousVoltage, largestVoltage, networkCautions, setupCautions, type Caution } from './cautions.ts';
export { explainReading, infiniteSourceSentence } from './explain-reading.ts';
export { changeInstrument, meterAt, newMeter, nextSetupId, swapLeads, toggleEnd } from './setup-edits.ts';
export { explainCorrection } from './explain-correction.ts';
export { correctionFromSource } from './loading-ratio.ts';
export {
  cannotCorrectWords,
  correctDisplay,
  correctMeterReading,
  correctedValue,
  stateOn,
  type BudgetEntry,
  type CorrectedValue,
} from './corrected-value.ts';
export { requiredResistance } from './required-resistance.ts';
export {
  indicationAt,
  measurementPointOf,
  loadingShare,
  shiftedNetwork,
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
export { betterAlone, togetherAndApart } from './together.ts';
export { indicatedSums } from './indicated-sums.ts';
export { connections, connectionWords, crossoverResistance, type Connection } from './voltmeter-ammeter.ts';
export { startingJack } from './starting-jack.ts';
export { supplyDisplays } from './supply-display.ts';
export { ohmmeterAt, ohmmeterRows } from './ohmmeter.ts';
export { displayText, meterStateWords, readableError } from './meter-display.ts';
export { connectedTheOtherWay, resistancesFromSetup } from './resistance-found.ts';
