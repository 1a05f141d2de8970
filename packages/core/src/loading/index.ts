export {
  attachmentOf,
  isLinear,
  solveSetup,
  solveUnloaded,
  type MeterReading,
  type MeterState,
  type SetupValues,
  type Unloaded,
} from './solve-setup.ts';
export { setupFaults, setupsFaults, type SetupFault } from './setup-faults.ts';
export type { AmmeterPlacement, Meter, Setup, VoltmeterPlacement } from './setup.ts';
export { dangerousVoltage, largestVoltage, networkCautions, setupCautions, type Caution } from './cautions.ts';
export { explainReading, stateSentence, type ReadingWorking } from './explain-reading.ts';
export { changeInstrument, meterAt, newMeter, nextMeterId, nextSetupId, swapLeads, toggleEnd } from './setup-edits.ts';
export { explainCorrection } from './explain-correction.ts';
export {
  correctIndication,
  correctReading,
  otherMetersUncertainty,
  type Corrected,
  type Uncertainties,
} from './correction.ts';
export { requiredResistance } from './required-resistance.ts';
export {
  measurementPointOf,
  loadingShare,
  shiftedNetwork,
  shareTaken,
  sourceResistanceUncertainty,
  type MeasurementPoint,
} from './measurement-point.ts';
export { bestRangeOptions, rangeTable, type RangeOption } from './range-table.ts';
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
  apparentError,
  apparentResistance,
  betterConnection,
  correctedResistance,
  crossoverResistance,
  type Connection,
} from './voltmeter-ammeter.ts';
export { startingJack, type StartingJack } from './starting-jack.ts';
export { supplyDisplays, type SupplyDisplay } from './supply-display.ts';
export { ohmmeterAt, ohmsShown, type OhmmeterReadings } from './ohmmeter.ts';
