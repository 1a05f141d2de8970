import { findRange, type Instrument } from '../instrument/index.ts';
import { attachmentOf, setupFaults, type Meter, type Unloaded } from '../loading/index.ts';
import {
  expectationOf,
  observedValue,
  ownMeter,
  setupOf,
  standardUncertainty,
  type Conventions,
  type Expectation,
  type Reading,
} from '../readings/index.ts';
import { circuitOf, type Attachment } from '../solver/index.ts';
import type { Network } from '../network/index.ts';
import { readingCircuit, type Indication, type ReadingCircuit } from './reading-circuit.ts';

/** A reading in a circuit; out of circuit nothing is to be diagnosed. */
export type InCircuit = Exclude<Reading, { readonly quantity: 'resistance' }>;

/** A reading that counts in a diagnosis. */
export interface Observed {
  readonly reading: InCircuit;
  readonly instrument: Instrument;
  readonly value: number;
  readonly spread: number;
  /** Standard uncertainty of the value. */
  readonly u: number;
  /** What the sound circuit makes its meter indicate. */
  readonly expectation: Expectation;
  /** u of the reading if it had another value. */
  uncertaintyAt(value: number): number;
}

/** The readings that count: not struck, not `OL`, at a place and on an instrument that are there. */
export function observedReadings(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  conventions: Conventions,
  readings: readonly Reading[],
): Observed[] {
  return readings.flatMap((reading): Observed[] => {
    if (reading.struck !== undefined || reading.quantity === 'resistance') return [];
    const instrument = instruments.find(({ id }) => id === reading.instrument);
    if (!instrument || setupFaults(unloaded.network, instruments, setupOf(reading)).length > 0) return [];
    const { value, spread, uncertainty } = observedValue(reading, instrument, conventions.observations);
    if (value === null || spread === null || uncertainty === null) return [];
    return [
      {
        reading,
        instrument,
        value,
        spread,
        u: uncertainty / 2,
        expectation: expectationOf(unloaded, instruments, reading),
        uncertaintyAt: (other) => standardUncertainty(reading, instrument, other, spread),
      },
    ];
  });
}

/** A reading's meters in a network, each under a name that no part has. */
export function meteredCircuit(
  network: Network,
  instruments: readonly Instrument[],
  reading: InCircuit,
): ReadingCircuit | null {
  const named = circuitOf(network);
  const [own] = setupOf(reading).meters as [Meter];
  const attachments = attachmentsOf(reading, instruments);
  const indication: Indication =
    own.quantity === 'dc-voltage'
      ? { from: named.nodeNumber.get(own.red)!, to: named.nodeNumber.get(own.black)! }
      : { meter: 0, reversed: own.reversed ?? false };
  return readingCircuit(named, attachments, indication);
}

/** A reading's meters as what they put into the circuit, its own first. */
export const attachmentsOf = (reading: InCircuit, instruments: readonly Instrument[]): Attachment[] =>
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

/** A at which the fuse of a reading's own meter blows; Infinity where it has none. */
export function fuseOf({ reading, instrument }: Observed): number {
  if (reading.quantity !== 'dc-current') return Infinity;
  return findRange(instrument, 'dc-current', reading.range)?.fuse ?? Infinity;
}
