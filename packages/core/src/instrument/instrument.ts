/** Quantities that a meter connected to a circuit indicates. */
export type MeterQuantity = 'dc-voltage' | 'dc-current';

/** Quantities that an instrument can read; resistance out of circuit. */
export type ReadingQuantity = MeterQuantity | 'resistance';

/** One position of an instrument's switch. */
export interface Range {
  readonly id: string;
  /** V or A. */
  readonly fullScale: number;
  /** Ω between the leads on this range; above zero for volts, zero allowed for current. */
  readonly resistance: number;
  /** Tolerance of `resistance`, as a ratio; 0 if omitted. */
  readonly resistanceTolerance?: number;
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
  readonly calibration?: RangeCalibration;
}

/** A position of an ohmmeter: what it drives through the part, and how well it reads. */
export interface ResistanceRange {
  readonly id: string;
  /** Ω. */
  readonly fullScale: number;
  /** A that the instrument drives through the part. */
  readonly testCurrent: number;
  /** Ω of the last digit. */
  readonly resolution?: number;
  readonly accuracyOfReading?: number;
  readonly accuracyCounts?: number;
  /** Analogue: the class, as a fraction of full scale. */
  readonly accuracyOfRange?: number;
  /** Analogue: divisions of the scale. */
  readonly divisions?: number;
  readonly calibration?: RangeCalibration;
}

/** Certificate of one range. */
export interface RangeCalibration {
  /** The day, `2026-03-02`. */
  readonly on: string;
  /** V, A or Ω applied, and what the instrument indicated. */
  readonly points: readonly { readonly applied: number; readonly indicated: number }[];
  /** Of the certificate, k = 2, V, A or Ω. */
  readonly uncertainty: number;
}

/** A speed of reading. */
export interface Rate {
  readonly id: string;
  /** Counts that reading at this rate adds to the accuracy limit. */
  readonly counts: number;
}

/** Ranges for a voltage or a current. */
export interface MeterFunction {
  readonly quantity: MeterQuantity;
  readonly ranges: readonly Range[];
}

/** Ranges of an ohmmeter. */
export interface ResistanceFunction {
  readonly quantity: 'resistance';
  readonly ranges: readonly ResistanceRange[];
}

/** One function of an instrument. */
export type InstrumentFunction = MeterFunction | ResistanceFunction;

/** An instrument with everything that changes a reading. */
export interface Instrument {
  readonly id: string;
  readonly name?: string;
  /** Digital if omitted. */
  readonly display?: 'analogue' | 'digital';
  readonly functions?: readonly InstrumentFunction[];
  readonly rates?: readonly Rate[];
}

/** A range of a function. */
export type RangeOf<Q extends ReadingQuantity> = Q extends 'resistance' ? ResistanceRange : Range;

const units = { 'dc-voltage': 'V', 'dc-current': 'A', resistance: 'Ω' } as const;

/** Returns the unit of a quantity. */
export const unitOf = <Q extends ReadingQuantity>(quantity: Q): (typeof units)[Q] => units[quantity];

/** The ranges of a function, as listed; none if the instrument does not have it. */
export const rangesOf = <Q extends ReadingQuantity>(instrument: Instrument, quantity: Q): readonly RangeOf<Q>[] =>
  (instrument.functions ?? []).filter((f) => f.quantity === quantity).flatMap((f) => f.ranges as readonly RangeOf<Q>[]);

/** A range by its id. */
export function findRange<Q extends ReadingQuantity>(
  instrument: Instrument,
  quantity: Q,
  id: string,
): RangeOf<Q> | undefined {
  for (const f of instrument.functions ?? []) {
    if (f.quantity !== quantity) continue;
    const range = (f.ranges as readonly RangeOf<Q>[]).find((candidate) => candidate.id === id);
    if (range) return range;
  }
  return undefined;
}
