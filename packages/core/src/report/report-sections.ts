/** Sections of a report in their order. The job details, the meaning of the figures and the signature are always included. */
export const reportSections = [
  'result',
  'drawing',
  'parts',
  'supply',
  'true-values',
  'setups',
  'readings',
  'loading',
  'sums',
  'diagnosis',
  'instruments',
  'cautions',
  'restoring',
] as const;

/** Name of a section of the report. */
export type ReportSection = (typeof reportSections)[number];

/** Heading of every section. */
export const sectionNames: Readonly<Record<ReportSection, string>> = {
  result: 'Result',
  drawing: 'Drawing',
  parts: 'Parts',
  supply: 'Supply',
  'true-values': 'True values, worked out',
  setups: 'Set-ups',
  readings: 'Readings',
  loading: 'Loading, in words',
  sums: 'Sums of the readings',
  diagnosis: 'Diagnosis',
  instruments: 'Instruments and calibration',
  cautions: 'Cautions',
  restoring: 'Restoring',
};
