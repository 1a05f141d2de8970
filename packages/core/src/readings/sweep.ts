import { instrumentUncertainty, rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import { stateOn, type Connection } from '../loading/index.ts';
import type { Observation } from './reading.ts';

/** A setting of the supply, and what was read at it. */
export interface SweepPoint {
  /** V that the source is set to. */
  readonly set: number;
  readonly voltage?: Observation;
  readonly current?: Observation;
}

/** An instrument and the range that it is set to. */
export interface SweepMeter {
  readonly instrument: string;
  readonly range: string;
}

/** A part's voltage and current, read at several settings of a source. */
export interface Sweep {
  readonly id: string;
  /** Id of the resistor. */
  readonly element: string;
  readonly source: string;
  readonly connection: Connection;
  readonly voltmeter: SweepMeter;
  readonly ammeter: SweepMeter;
  readonly points: readonly SweepPoint[];
}

/**
 * Returns the instrument and range that read a value with the smallest uncertainty; null if no range can read it.
 *
 * @param value  V or A; its sign is ignored, as the leads can be swapped
 */
export function bestSweepMeter(
  instruments: readonly Instrument[],
  quantity: MeterQuantity,
  value: number,
): SweepMeter | null {
  const size = Math.abs(value);
  const [best] = instruments
    .flatMap((instrument) =>
      rangesOf(instrument, quantity)
        .filter((range) => stateOn(instrument, range, size) === 'ok')
        .map((range) => ({
          meter: { instrument: instrument.id, range: range.id },
          uncertainty: instrumentUncertainty(instrument, range, size),
        })),
    )
    .sort((a, b) => a.uncertainty - b.uncertainty);
  return best ? best.meter : null;
}
