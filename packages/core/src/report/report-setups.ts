import { findRange, unitOf, type Instrument } from '../instrument/index.ts';
import { setupValuesOf } from '../job/index.ts';
import {
  correctMeterReading,
  displayText,
  measurementPointOf,
  readableError,
  type CorrectedValue,
  type Meter,
  type MeterReading,
  type Setup,
  type Unloaded,
} from '../loading/index.ts';
import { namesOf } from '../plan/index.ts';
import { formatMeasured, formatPercent, formatQuantity } from '../quantity/index.ts';
import { ok } from '../result.ts';

/** A meter of a set-up as the report lists it. */
export interface ReportSetup {
  readonly setup: string;
  readonly meter: string;
  readonly place: string;
  /** Instrument and range. */
  readonly instrument: string;
  readonly indicated: string;
  readonly truth: string;
  /** indicated − true, and its share of the true value; empty if the meter cannot be read. */
  readonly error: string;
  readonly share: string;
  /** The display, or the state that keeps it from being read. */
  readonly display: string;
  /** Value corrected to no meter connected, with U, k = 2; empty if it cannot be corrected. */
  readonly corrected: string;
}

/** Returns every meter of every set-up with its predicted indication; a set-up that cannot be solved is left out. */
export const reportSetups = (
  setups: readonly Setup[],
  instruments: readonly Instrument[],
  unloaded: Unloaded,
): ReportSetup[] =>
  setups.flatMap((setup) => {
    const solved = setupValuesOf(ok(unloaded), instruments, setup);
    return solved.ok
      ? setup.meters.map((meter) => {
          const reading = solved.value.meters[meter.id]!;
          return rowOf(setup, meter, instruments, reading, correctedOf(unloaded, instruments, setup, meter, reading));
        })
      : [];
  });

function correctedOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: Meter,
  reading: MeterReading,
): CorrectedValue | null {
  const instrument = instruments.find(({ id }) => id === meter.instrument);
  const range = instrument && findRange(instrument, meter.quantity, meter.range);
  const point = measurementPointOf(unloaded, instruments, setup, meter.id);
  return range && point.ok ? correctMeterReading(instrument, range, reading, point.value.correctionOn) : null;
}

function rowOf(
  setup: Setup,
  meter: Meter,
  instruments: readonly Instrument[],
  reading: MeterReading,
  corrected: CorrectedValue | null,
): ReportSetup {
  const unit = unitOf(meter.quantity);
  const relative = readableError(reading);
  const name = instruments.find(({ id }) => id === meter.instrument)?.name ?? meter.instrument;
  return {
    setup: setup.id,
    meter: meter.id,
    place:
      meter.quantity === 'dc-voltage'
        ? `${meter.red} to ${meter.black}`
        : `at ${meter.node} into ${namesOf(meter.ends)}`,
    instrument: `${name}, ${meter.range}`,
    indicated: formatQuantity(reading.indicated, unit),
    truth: formatQuantity(reading.true, unit),
    error: formatQuantity(reading.error, unit, { digits: 3, signed: true }),
    share: relative === null ? '' : formatPercent(relative, { signed: true }),
    display: displayText(reading),
    corrected: corrected ? formatMeasured(corrected.value, corrected.uncertainty, unit) : '',
  };
}
