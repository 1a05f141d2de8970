import {
  partResistances,
  readingsMeant,
  type Job,
  type JobFault,
  type JobRecord,
  type PartResistances,
} from '../job/index.ts';
import { restoringChecks } from '../plan/index.ts';
import { fail, ok, type Result } from '../result.ts';
import { documentHash } from './document-hash.ts';
import { orderHash, type OrderSignature } from './order-signature.ts';
import { reportInstruments, type ReportInstrument } from './report-instruments.ts';
import { reportSections, type ReportSection } from './report-sections.ts';
import { makeReport, type Report, type ReportExtras } from './report.ts';

/** Sections that the report of an order has once for all circuits. */
const commonSections: readonly ReportSection[] = ['parts', 'instruments', 'restoring'];

const circuitSections = reportSections.filter((section) => !commonSections.includes(section));

/** Whether an order is signed, and the tasks after its last reading. */
export interface OrderStatus {
  /** `orderHash` of the circuits. */
  readonly hash: string;
  /** `changed`: it was signed, and a circuit or their sequence has been changed since. */
  readonly state: Report['state'];
  readonly signature: OrderSignature | null;
  readonly restoring: Report['restoring'];
}

/** Report of an order: the reports of its circuits, and the sections that they have in common. */
export interface OrderReport extends OrderStatus {
  /** The job details of the first circuit, without notes, which are of one circuit. */
  readonly record: JobRecord;
  /** In their sequence. */
  readonly circuits: readonly Report[];
  readonly parts: readonly PartResistances[];
  /** Their readings are named with the number of the circuit, `2:M1`. */
  readonly instruments: readonly ReportInstrument[];
}

/** Calibration notes, ticks, the explanations of each circuit's readings, and the newest signature over the order. */
export interface OrderExtras extends Pick<ReportExtras, 'kit' | 'restored'> {
  readonly explanations?: readonly ReportExtras['explanations'][];
  readonly signature?: OrderSignature | null;
}

/**
 * Returns whether an order is signed, and its tasks after the last reading.
 *
 * @param circuits  in their sequence
 * @param ticked  tasks that are done, until it is signed
 */
export function orderStatus(
  circuits: readonly Job[],
  signature: OrderSignature | null,
  ticked: readonly string[] = [],
): OrderStatus {
  const hash = orderHash(circuits.map(documentHash));
  const state = signature === null ? 'draft' : signature.hash === hash ? 'signed' : 'changed';
  const done = state === 'signed' ? signature!.restored : ticked;
  const tasks = circuits.flatMap((job) =>
    restoringChecks((readingsMeant(job) ?? []).filter(({ struck }) => struck === undefined)),
  );
  const restoring = [...new Set(tasks)].map((text) => ({ text, done: done.includes(text) }));
  return { hash, state, signature, restoring };
}

/**
 * Makes the report of an order. If two circuits have instruments of the same id, the later one counts.
 *
 * @param circuits  in their sequence, at least one
 * @returns the report, or the first fault of a circuit
 */
export function makeOrderReport(
  circuits: readonly Job[],
  { explanations = [], signature = null, ...extras }: OrderExtras = {},
): Result<OrderReport, JobFault> {
  const reports: Report[] = [];
  const status = orderStatus(circuits, signature, extras.restored);
  const { kit = {} } = status.state === 'signed' ? signature! : extras;
  for (const [index, job] of circuits.entries()) {
    const made = makeReport(job, { kit, sections: circuitSections, explanations: explanations[index] ?? null });
    if (!made.ok) return fail(made.fault);
    reports.push(made.value);
  }
  const { notes: _notes, ...record } = circuits[0]?.record ?? {};
  const readings = reports.flatMap((report, index) =>
    report.readings.map((one) => ({ ...one, reading: { ...one.reading, id: `${index + 1}:${one.reading.id}` } })),
  );
  const instruments = new Map(circuits.flatMap((job) => job.instruments ?? []).map((one) => [one.id, one]));
  return ok({
    record,
    circuits: reports,
    parts: partResistances(circuits),
    instruments: reportInstruments(readings, [...instruments.values()], kit),
    ...status,
  });
}
