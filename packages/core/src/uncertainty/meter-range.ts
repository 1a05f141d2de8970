import type { Instrument, MeterQuantity, Range } from '../instrument/index.ts';

/** A range of an instrument on which a meter is connected. */
export interface MeterRange {
  readonly instrument: string;
  readonly quantity: MeterQuantity;
  readonly range: string;
}

/** Returns the instruments with some keys of one range changed. */
export const changedRange = (
  instruments: readonly Instrument[],
  { instrument, quantity, range }: MeterRange,
  change: Partial<Range>,
): Instrument[] =>
  instruments.map((one): Instrument =>
    one.id !== instrument
      ? one
      : {
          ...one,
          functions: (one.functions ?? []).map((of) =>
            of.quantity === 'resistance' || of.quantity !== quantity
              ? of
              : { ...of, ranges: of.ranges.map((own) => (own.id === range ? { ...own, ...change } : own)) },
          ),
        },
  );
