export {
  attachmentOf,
  solveSetup,
  solveUnloaded,
  type MeterReading,
  type MeterState,
  type SetupValues,
  type Unloaded,
} from './solve-setup.ts';
export { setupFaults, type SetupFault } from './setup-faults.ts';
export type { AmmeterPlacement, Meter, Setup, VoltmeterPlacement } from './setup.ts';
export { networkCautions, setupCautions, type Caution } from './cautions.ts';
export { explainReading, stateSentence, type ReadingWorking } from './explain-reading.ts';
export { changeInstrument, newMeter, nextMeterId, nextSetupId, swapLeads, toggleEnd } from './setup-edits.ts';
export { correctReading, type Corrected } from './correction.ts';
export { enoughResistance } from './enough.ts';
export { placeOf, shiftedNetwork, sourceResistanceDoubt, type Place } from './place.ts';
export { bestRungs, rangeLadder, takenShare, type Doubts, type Rung } from './range-ladder.ts';
export {
  loadedBy,
  loadingMap,
  loadingPlaces,
  sharesByPart,
  sharesTaken,
  type LoadingPlace,
  type MapPlace,
} from './loading-map.ts';
export { betterAlone, togetherAndApart, type TogetherAndApart } from './together.ts';
export { sumsAsRead, type ReadTerm, type SumAsRead } from './sums-as-read.ts';
export {
  apparentError,
  apparentResistance,
  betterConnection,
  correctedResistance,
  crossoverResistance,
  type Connection,
} from './voltmeter-ammeter.ts';
export { slipsOf, solveSlip, type Slip, type SlipOutcome } from './slips.ts';
export { startingJack, type StartingJack } from './starting-jack.ts';
export { supplyDisplays, type SupplyDisplay } from './supply-display.ts';
export { ohmmeterAt, ohmsShown, type OhmmeterReadings } from './ohmmeter.ts';
