export {
  solveSetup,
  solveUnloaded,
  type MeterReading,
  type MeterState,
  type SetupValues,
  type Unloaded,
} from './solve-setup.ts';
export { setupFaults, type SetupFault } from './setup-faults.ts';
export type { AmmeterPlacement, Meter, Setup, VoltmeterPlacement } from './setup.ts';
