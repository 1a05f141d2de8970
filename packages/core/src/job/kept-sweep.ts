import { rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import { observationOf, type Sweep, type SweepConnection, type SweepMeter } from '../readings/index.ts';
import type { Job } from './job.ts';
import { nextSweepId, putSweep } from './sweep-edits.ts';

/** A sweep as browsers stored it before the job format had a key for it. Values in V and A. */
export interface KeptSweep {
  readonly part?: string | null;
  readonly connection?: SweepConnection;
  /** Instrument and range, with a space between. */
  readonly voltmeter?: string | null;
  readonly ammeter?: string | null;
  readonly rows?:
    readonly { readonly set: number; readonly voltage: number | null; readonly current: number | null }[] | null;
}

/**
 * Returns the job with a sweep that a browser stored for it; the same job if the sweep has no reading, or if it names no part
 * or meter of the job.
 */
export function withKeptSweep(
  job: Job,
  { part, connection = 'across-part', voltmeter, ammeter, rows }: KeptSweep,
): Job {
  const read = (rows ?? []).filter(({ voltage, current }) => voltage !== null || current !== null);
  const { elements } = job.network;
  const resistors = elements.filter(({ kind }) => kind === 'resistor');
  const element = (resistors.find(({ id }) => id === part) ?? resistors[0])?.id;
  const source = elements.find(({ kind }) => kind === 'source')?.id;
  const [volts, amps] = [
    meterOf(job.instruments ?? [], 'dc-voltage', voltmeter),
    meterOf(job.instruments ?? [], 'dc-current', ammeter),
  ];
  if (read.length === 0 || !element || !source || !volts || !amps) return job;
  const sweep: Sweep = {
    id: nextSweepId(job),
    element,
    source,
    connection,
    voltmeter: volts,
    ammeter: amps,
    points: (rows ?? []).map(({ set, voltage, current }) => {
      const [shownVolts, shownAmps] = [
        voltage === null ? null : observationOf(voltage, 'V'),
        current === null ? null : observationOf(current, 'A'),
      ];
      return { set, ...(shownVolts && { voltage: shownVolts }), ...(shownAmps && { current: shownAmps }) };
    }),
  };
  return putSweep(job, sweep);
}

function meterOf(
  instruments: readonly Instrument[],
  quantity: MeterQuantity,
  key: string | null | undefined,
): SweepMeter | null {
  const all = instruments.flatMap((instrument) =>
    rangesOf(instrument, quantity).map((range) => ({ instrument: instrument.id, range: range.id })),
  );
  return all.find(({ instrument, range }) => `${instrument} ${range}` === key) ?? all[0] ?? null;
}
