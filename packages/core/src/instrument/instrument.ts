export type MeterQuantity = 'dc-voltage' | 'dc-current';

/** One position of an instrument's switch. */
export interface Range {
  readonly id: string;
  /** V or A. */
  readonly fullScale: number;
  /** Ω between the leads on this range; above zero for volts, zero allowed for current. */
  readonly resistance: number;
  /** Digital: V or A of the last digit. */
  readonly resolution?: number;
  readonly accuracyOfReading?: number;
  readonly accuracyCounts?: number;
  /** Analogue: the class, as a fraction of full scale. */
  readonly accuracyOfRange?: number;
  /** Analogue: divisions of the scale. */
  readonly divisions?: number;
  readonly jack?: string;
  /** A at which the fuse of this jack blows. */
  readonly fuse?: number;
}

export interface InstrumentFunction {
  readonly quantity: MeterQuantity;
  readonly ranges: readonly Range[];
}

export interface Instrument {
  readonly id: string;
  readonly name?: string;
  /** Digital where left out. */
  readonly display?: 'analogue' | 'digital';
  readonly functions?: readonly InstrumentFunction[];
}

export const unitOf = (quantity: MeterQuantity): 'V' | 'A' => (quantity === 'dc-voltage' ? 'V' : 'A');

/** The ranges of a function, as listed; none where the instrument does not have it. */
export const rangesOf = (instrument: Instrument, quantity: MeterQuantity): readonly Range[] =>
  (instrument.functions ?? []).filter((f) => f.quantity === quantity).flatMap((f) => f.ranges);

/** A range by its id. */
export function findRange(instrument: Instrument, quantity: MeterQuantity, id: string): Range | undefined {
  for (const f of instrument.functions ?? []) {
    const range = f.quantity === quantity && f.ranges.find((candidate) => candidate.id === id);
    if (range) return range;
  }
  return undefined;
}
