import { partResistances, type Job, type JobFault, type JobRecord, type PartResistances } from '../job/index.ts';
import { fail, ok, type Result } from '../result.ts';
import { documentHash } from './document-hash.ts';
import { reportInstruments, type ReportInstrument } from './report-instruments.ts';
import type { ReportSection } from './report-sections.ts';
import { makeReport, type Report, type ReportExtras } from './report.ts';

/** Sections that each circuit has of its own in the report of an order; the others stand once for all. */
const circuitSections: readonly ReportSection[] = [
  'result',
  'drawing',
  'supply',
  'true-values',
  'setups',
  'readings',
  'loading',
  'sums',
  'diagnosis',
  'cautions',
];

/** The record of an order: its circuits, and what stands once for all of them. */
export interface OrderReport {
  /** The job details of the first circuit, without notes, which are of one circuit. */
  readonly record: JobRecord;
  /** In their sequence. */
  readonly circuits: readonly Report[];
  readonly parts: readonly PartResistances[];
  /** With the readings of every circuit, as `2:M1`. */
  readonly instruments: readonly ReportInstrument[];
  readonly restoring: readonly string[];
  /** `documentHash` of the list of the circuits' hashes, in their sequence. */
  readonly hash: string;
}

/** Content of an order's report beside its jobs: explanations are those of each circuit. */
export interface OrderExtras extends Pick<ReportExtras, 'kit'> {
  readonly explanations?: readonly ReportExtras['explanations'][];
}

/**
 * The record of an order, or the first fault of a circuit that keeps it from being worked out.
 *
 * @param circuits  in their sequence, at least one
 */
export function makeOrderReport(
  circuits: readonly Job[],
  { kit = {}, explanations = [] }: OrderExtras = {},
): Result<OrderReport, JobFault> {
  const reports: Report[] = [];
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
    restoring: [...new Set(reports.flatMap((report) => report.restoring.map(({ text }) => text)))],
    hash: documentHash(reports.map(({ hash }) => hash)),
  });
}
