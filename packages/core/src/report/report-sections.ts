/** What a report can tell, in the order in which it does. Its head, what its figures mean and the signature are always there. */
export const reportSections = [
  'result',
  'drawing',
  'parts',
  'supply',
  'true-values',
  'readings',
  'loading',
  'sums',
  'diagnosis',
  'instruments',
  'cautions',
  'restoring',
] as const;

export type ReportSection = (typeof reportSections)[number];

export const sectionNames: Readonly<Record<ReportSection, string>> = {
  result: 'Result',
  drawing: 'Drawing',
  parts: 'Parts',
  supply: 'Supply',
  'true-values': 'True values, worked out',
  readings: 'Readings',
  loading: 'Loading, in words',
  sums: 'Sums of the readings',
  diagnosis: 'Diagnosis',
  instruments: 'Instruments and calibration',
  cautions: 'Cautions',
  restoring: 'Restoring',
};
