import type { Instrument, MeterQuantity, Range } from './instrument.ts';

/** Returns an instrument with its ranges for voltage and current changed; those of resistance stay. */
export const changeRanges = (
  instrument: Instrument,
  change: (range: Range, quantity: MeterQuantity) => Range,
): Instrument => ({
  ...instrument,
  functions: (instrument.functions ?? []).map((one) =>
    one.quantity === 'resistance' ? one : { ...one, ranges: one.ranges.map((range) => change(range, one.quantity)) },
  ),
});
