import { findRange, type Instrument } from '../../instrument/index.ts';
import { attachmentOf, setupFaults, type Meter, type Unloaded } from '../../loading/index.ts';
import {
  expectationOf,
  observedValue,
  ownMeter,
  placedIn,
  setupOf,
  standardUncertainty,
  type CircuitReading,
  type Conventions,
  type Reading,
} from '../../readings/index.ts';
import { circuitOf, type Attachment } from '../../solver/index.ts';
import type { CircuitHypothesis } from '../../faults/index.ts';
import type { Network } from '../../network/index.ts';
import { toleranceOf } from '../causes/elsewhere.ts';
import type { Compared } from './comparing.ts';
import { isolatedPart } from '../causes/isolated-part.ts';
import { readingCircuit, type Indication, type ReadingCircuit } from './reading-circuit.ts';

/** A recorded value with its uncertainty, V, A or Ω. */
interface Recorded extends Compared {
  /** Standard uncertainty of the value from its observations. */
  readonly spread: number;
  /** Standard uncertainty of the value. */
  readonly u: number;
}

/** Returns the value of a reading as it is compared with a prediction: for `OL`, the full scale of its range. */
function recordedValue(
  reading: Reading,
  instrument: Instrument,
  { fullScale }: { readonly fullScale: number },
  { observations, sign }: Conventions,
): Recorded {
  const { value: shown, spread: scatter } = observedValue(reading, instrument, observations);
  const comparison = shown === null ? 'over-range' : sign === 'magnitude' ? 'magnitude' : 'signed';
  const [value, spread] = [shown ?? fullScale, scatter ?? 0];
  return { value, comparison, spread, u: standardUncertainty(reading, instrument, value, spread) };
}

/** A reading that counts in a diagnosis. V, A or Ω. */
export interface Observed extends Recorded {
  readonly reading: Reading;
  readonly instrument: Instrument;
  /** Indication in the fault-free circuit; null if nothing determines it, Infinity if it is beyond every range. */
  readonly expected: number | null;
  /** Standard uncertainty of `expected` from the parts' tolerances. */
  readonly tolerance: number;
  /** Returns u of the reading if it had another value. */
  uncertaintyAt(value: number): number;
}

/** Returns whether an observed reading was taken with its meter in the circuit. */
export const isInCircuit = <T extends { readonly reading: Reading }>(
  observed: T,
): observed is T & { readonly reading: CircuitReading } => observed.reading.quantity !== 'resistance';

/** The circuit in which readings are predicted, and what it is without a fault. */
export interface Observing {
  readonly unloaded: Unloaded;
  readonly instruments: readonly Instrument[];
  readonly conventions: Conventions;
  /** A fault that `unloaded` already has, and the network without it. */
  readonly present?: { readonly fault: CircuitHypothesis; readonly network: Network };
}

/** Returns the readings that count: not struck out, with at least one observation, at a measurement point that exists. */
export function observedReadings(observing: Observing, readings: readonly Reading[]): Observed[] {
  return readings.flatMap((reading): Observed[] => {
    const instrument = observing.instruments.find(({ id }) => id === reading.instrument);
    const range = instrument && findRange(instrument, reading.quantity, reading.range);
    if (reading.struck !== undefined || reading.observations.length === 0 || !range) return [];
    const recorded = recordedValue(reading, instrument, range, observing.conventions);
    const predicted = faultFree(observing, reading, recorded.value);
    if (!predicted) return [];
    const uncertaintyAt = (other: number): number => standardUncertainty(reading, instrument, other, recorded.spread);
    return [{ reading, instrument, ...recorded, ...predicted, uncertaintyAt }];
  });
}

/** The prediction of the fault-free circuit; null if the measurement point does not exist. */
function faultFree(
  { unloaded, instruments, present }: Observing,
  reading: Reading,
  value: number,
): Pick<Observed, 'expected' | 'tolerance'> | null {
  if (reading.quantity === 'resistance') {
    const network = present?.network ?? unloaded.network;
    if (!network.elements.some(({ id, kind }) => id === reading.element && kind === 'resistor')) return null;
    const { resistance, span } = isolatedPart(network, reading, value, present?.fault);
    return { expected: resistance, tolerance: span / Math.sqrt(3) };
  }
  const placed = placedIn(unloaded.network, reading);
  if (!placed || setupFaults(placed.network, instruments, setupOf(placed.reading)).length > 0) return null;
  const expectation = expectationOf(unloaded, instruments, reading);
  return { expected: expectation.expected, tolerance: toleranceOf(expectation) };
}

/** A reading's meters in a network, each under a name that no part has. */
export function meteredCircuit(
  whole: Network,
  instruments: readonly Instrument[],
  taken: CircuitReading,
): ReadingCircuit | null {
  const placed = placedIn(whole, taken);
  if (!placed) return null;
  const { network, reading } = placed;
  const named = circuitOf(network);
  const [own] = setupOf(reading).meters as [Meter];
  const attachments = attachmentsOf(reading, instruments);
  const indication: Indication =
    own.quantity === 'dc-voltage'
      ? { from: named.nodeNumber.get(own.red)!, to: named.nodeNumber.get(own.black)! }
      : { meter: 0, reversed: own.reversed ?? false };
  return readingCircuit(named, attachments, indication);
}

/** Returns the resistances that a reading's meters put into the circuit, its own first. */
export const attachmentsOf = (reading: CircuitReading, instruments: readonly Instrument[]): Attachment[] =>
  setupOf(reading).meters.map((meter) => meterIn(meter, instruments));

/** The name of a meter among the resistances of a circuit. */
export const meterName = (meter: { readonly id: string }): string => ` ${meter.id}`;

/** The name of a reading's own meter there. */
export const ownMeterName = meterName({ id: ownMeter });

function meterIn(meter: Meter, instruments: readonly Instrument[]): Attachment {
  const instrument = instruments.find(({ id }) => id === meter.instrument)!;
  const range = findRange(instrument, meter.quantity, meter.range)!;
  return { ...attachmentOf(meter, range, false), id: meterName(meter) };
}

/** Returns the rating of the fuse of a reading's own meter, A; Infinity if it has none. */
export function fuseOf({ reading, instrument }: Pick<Observed, 'reading' | 'instrument'>): number {
  if (reading.quantity !== 'dc-current') return Infinity;
  return findRange(instrument, 'dc-current', reading.range)?.fuse ?? Infinity;
}
