import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { readKit } from '@usual-drag/contract';
import type { ResistorSymbol } from '@usual-drag/core/drawing';
import { explanationsOfJob } from '@usual-drag/core/job';
import {
  kitNotesOf,
  makeOrderReport,
  makeReport,
  reportSections,
  type KitNotes,
  type ReportSection,
} from '@usual-drag/core/report';
import { orderReportFile, reportFile } from '@usual-drag/report/file';
import { jobsFrom, onJob, refused, type Output } from './output.ts';

export interface ReportOptions {
  /** Text of a kit file with tags and calibration of the instruments. */
  readonly kit: string | null;
  /** Names of sections; all of them if empty. */
  readonly sections: readonly string[];
  readonly resistor: ResistorSymbol;
}

/** The report of one job file as the text of an HTML file, or its first fault. */
export const reportOfFile = (
  text: string,
  { kit, sections, resistor }: ReportOptions,
): Output & { readonly html?: string } => {
  const unknown = sections.filter((name) => !isSection(name));
  if (unknown.length > 0) {
    const message = `There is no section ${unknown.join(', ')}. Sections are ${reportSections.join(', ')}.`;
    return refused({ code: 'invalid-value', message, where: unknown });
  }
  const notes = kit === null ? { ok: true as const, value: {} } : notesFrom(kit);
  if (!notes.ok) return notes.refusal;
  return onJob(text, (job) => {
    const explained = job.readings?.length ? explanationsOfJob(job) : null;
    const report = makeReport(job, {
      kit: notes.value,
      explanations: explained?.ok ? explained.value : null,
      ...(sections.length > 0 && { sections: sections.filter(isSection) }),
    });
    if (!report.ok) return refused(report.fault);
    const { hash, state } = report.value;
    return { output: { document: hash, state }, solved: true, html: reportFile(report.value, resistor, faces()) };
  });
};

/** The report of an order's circuits, in the sequence of their files, or the first fault of one. */
export function reportOfOrder(
  texts: readonly string[],
  { kit, resistor }: ReportOptions,
): Output & { readonly html?: string } {
  const notes = kit === null ? { ok: true as const, value: {} } : notesFrom(kit);
  if (!notes.ok) return notes.refusal;
  const jobs = jobsFrom(texts);
  if (!jobs.ok) return jobs.fault;
  const explanations = jobs.value.map((job) => {
    const explained = job.readings?.length ? explanationsOfJob(job) : null;
    return explained?.ok ? explained.value : null;
  });
  const report = makeOrderReport(jobs.value, { kit: notes.value, explanations });
  if (!report.ok) return refused(report.fault);
  const { hash, circuits } = report.value;
  return {
    output: { document: hash, circuits: circuits.map((one) => one.hash), state: 'draft' },
    solved: true,
    html: orderReportFile(report.value, resistor, faces()),
  };
}

const isSection = (name: string): name is ReportSection => (reportSections as readonly string[]).includes(name);

function notesFrom(
  text: string,
):
  | { readonly ok: true; readonly value: Readonly<Record<string, KitNotes>> }
  | { readonly ok: false; readonly refusal: Output } {
  const kit = readKit(text);
  if (!kit.ok) return { ok: false, refusal: refused(kit.fault[0]!) };
  return { ok: true, value: kitNotesOf(kit.value.instruments) };
}

function faces() {
  const require = createRequire(import.meta.url);
  const read = (file: string): string => readFileSync(file).toString('base64');
  return {
    text: read(
      require.resolve('@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2'),
    ),
    mono: read(
      require.resolve('@fontsource-variable/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-wght-normal.woff2'),
    ),
  };
}
