import { rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import type { Connection } from '../loading/index.ts';
import { bestSweepMeter, observationOf, type Sweep, type SweepMeter, type SweepPoint } from '../readings/index.ts';
import type { Job } from './job.ts';
import { nextSweepId, putSweep } from './edits/sweep-edits.ts';

interface StoredRow {
  readonly set: number;
  readonly voltage: number | null;
  readonly current: number | null;
}

/** A sweep as browsers stored it before the job format had a key for it. Values in V and A. */
export interface KeptSweep {
  /** Id of the resistor; the first one of the network if null. */
  readonly part?: string | null;
  readonly connection?: Connection;
  /** Instrument and range, with a space between; the best range for the readings if null. */
  readonly voltmeter?: string | null;
  readonly ammeter?: string | null;
  readonly rows?: readonly StoredRow[] | null;
}

/** Returns whether a stored sweep has no reading. */
export const isBlankSweep = ({ rows }: KeptSweep): boolean =>
  !(rows ?? []).some(({ voltage, current }) => voltage !== null || current !== null);

/**
 * Returns the job with a sweep that a browser stored for it.
 *
 * @returns null if the sweep is blank, if its part or a meter is no longer in the job, or if a number cannot be written as a
 *          display
 */
export function withKeptSweep(
  job: Job,
  { part, connection = 'across-part', voltmeter, ammeter, rows }: KeptSweep,
): Job | null {
  const stored = rows ?? [];
  const { network, instruments = [] } = job;
  const resistors = network.elements.filter(({ kind }) => kind === 'resistor');
  const element = part == null ? resistors[0] : resistors.find(({ id }) => id === part);
  const source = network.elements.find(({ kind }) => kind === 'source');
  const meters = [
    meterOf(instruments, 'dc-voltage', voltmeter, largest(stored.map(({ voltage }) => voltage))),
    meterOf(instruments, 'dc-current', ammeter, largest(stored.map(({ current }) => current))),
  ] as const;
  const points = stored.map(pointOf).filter((point) => point !== null);
  if (
    isBlankSweep({ rows: stored }) ||
    !element ||
    !source ||
    !meters[0] ||
    !meters[1] ||
    points.length < stored.length
  )
    return null;
  const sweep: Sweep = {
    id: nextSweepId(job),
    element: element.id,
    source: source.id,
    connection,
    voltmeter: meters[0],
    ammeter: meters[1],
    points,
  };
  return putSweep(job, sweep);
}

const largest = (values: readonly (number | null)[]): number =>
  Math.max(0, ...values.map((value) => Math.abs(value ?? 0)));

/** Null if a number cannot be written as a display. */
function pointOf({ set, voltage, current }: StoredRow): SweepPoint | null {
  const volts = voltage === null ? undefined : observationOf(voltage, 'V');
  const amps = current === null ? undefined : observationOf(current, 'A');
  if (volts === null || amps === null) return null;
  return { set, ...(volts && { voltage: volts }), ...(amps && { current: amps }) };
}

function meterOf(
  instruments: readonly Instrument[],
  quantity: MeterQuantity,
  key: string | null | undefined,
  value: number,
): SweepMeter | null {
  if (key == null) return bestSweepMeter(instruments, quantity, value);
  for (const instrument of instruments)
    for (const range of rangesOf(instrument, quantity))
      if (`${instrument.id} ${range.id}` === key) return { instrument: instrument.id, range: range.id };
  return null;
}
