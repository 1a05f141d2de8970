import { findRange, type Instrument, type MeterQuantity, type Range } from '@usual-drag/core/instrument';
import {
  measurementPointOf,
  type MeasurementPoint,
  type Meter,
  type MeterReading,
  type Setup,
  type Unloaded,
} from '@usual-drag/core/loading';
import { floatLevelDivider, jobMeant, setupValuesOf, trueValuesOf, type Job } from '@usual-drag/core/job';

/** A meter of the subject with all that is known of it. */
export interface MeterCase {
  readonly setup: Setup;
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly range: Range;
  readonly reading: MeterReading;
  readonly point: MeasurementPoint;
}

/** Source of the figures on the Learn page: the open job, or the float-level divider if the job has no such meter. */
export interface Subject {
  readonly job: Job;
  /** It is the open job. */
  readonly isOwn: boolean;
  readonly unloaded: Unloaded;
  readonly voltmeter: MeterCase;
  readonly ammeter: MeterCase;
}

/**
 * The subject of the page.
 *
 * @param kit  what the float-level divider takes its meters from
 * @returns null as long as there is neither
 */
export function subjectOf(job: Job | null, kit: readonly Instrument[]): Subject | null {
  return (job && subjectIn(jobMeant(job), true)) ?? subjectIn(floatLevelDivider(kit), false);
}

function subjectIn(job: Job, isOwn: boolean): Subject | null {
  const unloaded = trueValuesOf(job.network);
  if (!unloaded.ok) return null;
  const voltmeter = caseOf(job, unloaded.value, 'dc-voltage');
  const ammeter = caseOf(job, unloaded.value, 'dc-current');
  return voltmeter && ammeter && { job, isOwn, unloaded: unloaded.value, voltmeter, ammeter };
}

/** The first meter of a quantity that loads its circuit, in the order of the set-ups. */
function caseOf(job: Job, unloaded: Unloaded, quantity: MeterQuantity): MeterCase | null {
  const instruments = job.instruments ?? [];
  for (const setup of job.setups ?? []) {
    const values = setupValuesOf({ ok: true, value: unloaded }, instruments, setup);
    if (!values.ok) continue;
    for (const meter of setup.meters) {
      const instrument = instruments.find(({ id }) => id === meter.instrument);
      const range = instrument && findRange(instrument, meter.quantity, meter.range);
      const reading = values.value.meters[meter.id];
      const point = measurementPointOf(unloaded, instruments, setup, meter.id);
      if (meter.quantity !== quantity || !range || !reading?.relativeError || !point.ok) continue;
      if (point.value.sourceResistance === null) continue;
      return { setup, meter, instrument, range, reading, point: point.value };
    }
  }
  return null;
}
