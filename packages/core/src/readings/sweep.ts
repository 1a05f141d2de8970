import type { Observation } from './reading.ts';

/** Where the voltmeter of a sweep is: across the part alone, or across part and ammeter. */
export type SweepConnection = 'across-part' | 'across-both';

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
  readonly connection: SweepConnection;
  readonly voltmeter: SweepMeter;
  readonly ammeter: SweepMeter;
  readonly points: readonly SweepPoint[];
}
