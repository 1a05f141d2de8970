import { reportSections, type ReportSection } from '@usual-drag/core/report';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** The sections of each job's report, kept in this browser; all of them if nothing was chosen. */
const useSections = create<Readonly<Record<string, readonly ReportSection[]>>>()(
  persist((): Readonly<Record<string, readonly ReportSection[]>> => ({}), { name: 'usual-drag-report-sections' }),
);

export const useChosenSections = (jobId: string): readonly ReportSection[] =>
  useSections((all) => all[jobId]) ?? reportSections;

/** Puts a section into a job's report, or leaves it out. */
export function toggleSection(jobId: string, section: ReportSection): void {
  const now = useSections.getState()[jobId] ?? reportSections;
  const next = now.includes(section)
    ? now.filter((one) => one !== section)
    : reportSections.filter((one) => one === section || now.includes(one));
  useSections.setState({ [jobId]: next });
}
