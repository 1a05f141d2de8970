export { documentHash } from './document-hash.ts';
export { idsInWords } from './ids-in-words.ts';
export { makeReport, type Report, type ReportExtras } from './report.ts';
export { reportSections, sectionNames, type ReportSection } from './report-sections.ts';
export { supplyWords, type ReportPart, type ReportSupply } from './report-parts.ts';
export { simulatedIdentity, simulatedNote, type ReportReading } from './report-readings.ts';
export type { ReportSum } from './report-sums.ts';
export type { ReportInstrument, UsedRange } from './report-instruments.ts';
export { kitNotesOf, type KitNotes, type Signature } from './signature.ts';
