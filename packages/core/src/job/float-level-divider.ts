import type { Instrument } from '../instrument/index.ts';
import type { Setup } from '../loading/index.ts';
import type { Element } from '../network/index.ts';
import { newJob } from './edits/job-edits.ts';
import { editRecord } from './job-record.ts';
import type { Reading } from '../readings/index.ts';
import type { Job } from './job.ts';

/**
 * The float-level divider of the Saltmarsh Lift Station, whose old meter indicates two fifths low: the job to learn with.
 *
 * @param kit  its meters come from here; one that is missing leaves its set-ups to be mended
 */
export function floatLevelDivider(kit: readonly Instrument[]): Job {
  const used = new Set(setups.flatMap(({ meters }) => meters.map(({ instrument }) => instrument)));
  const job: Job = {
    ...newJob('Float-level divider'),
    network: { elements },
    instruments: kit.filter(({ id }) => used.has(id)),
    setups,
    readings: readings.filter(({ instrument }) => kit.some(({ id }) => id === instrument)),
  };
  return editRecord(job, {
    site: 'Saltmarsh Lift Station',
    asset: 'SL-014',
    order: 'SL-WO-2204',
    date: '2026-11-16',
    ambient: 19,
    by: 'J. Marsh',
  });
}

const elements: readonly Element[] = [
  {
    id: 'E1',
    kind: 'source',
    from: 'A',
    to: '0',
    emf: 24,
    internalResistance: 1.8,
    currentLimit: 0.5,
    label: 'SL-014 feed',
  },
  { ...arm('R1', 'A', 'B', 56_000, 'top arm'), tolerance: 0.01, measuredResistance: 56_210 },
  { ...arm('R2', 'B', '0', 39_000, 'bottom arm'), measuredResistance: 38_700 },
  { ...arm('R3', 'B', 'C', 15_000, 'upper float'), measuredResistance: 15_320 },
  arm('R4', 'C', '0', 27_000, 'lower float'),
];

function arm(id: string, from: string, to: string, resistance: number, label: string) {
  return { id, kind: 'resistor', from, to, resistance, tolerance: 0.05, powerRating: 0.25, label } as const;
}

const setups: readonly Setup[] = [
  {
    id: 'S-1',
    meters: [{ id: 'V1', instrument: 'analogue-2k', quantity: 'dc-voltage', range: '10 V', red: 'B', black: '0' }],
  },
  {
    id: 'S-2',
    meters: [
      { id: 'A1', instrument: 'analogue-20k', quantity: 'dc-current', range: '500 µA', node: 'A', ends: ['R1.from'] },
    ],
  },
  {
    id: 'S-3',
    meters: [
      { id: 'V1', instrument: 'digital-2000', quantity: 'dc-voltage', range: '20 V', red: 'B', black: '0' },
      { id: 'A1', instrument: 'analogue-20k', quantity: 'dc-current', range: '500 µA', node: 'B', ends: ['R3.from'] },
    ],
  },
];

/** Taken by the plan: most agree, loading explains one, one does not agree, one is struck out. */
const readings: readonly Reading[] = [
  ohms('M1', 'R1', '200 kΩ', '56.3', 'kΩ', '09:02'),
  ohms('M2', 'R2', '200 kΩ', '38.8', 'kΩ', '09:03'),
  ohms('M3', 'R3', '20 kΩ', '15.31', 'kΩ', '09:04'),
  volts('M4', 'digital-2000', '200 V', 'A', '0', '24.0', '09:12'),
  {
    ...volts('M5', 'digital-2000', '20 V', 'C', '0', '6.37', '09:15'),
    struck: { at: '2026-11-16T09:15:40Z', why: 'lead was on B' },
  },
  volts('M6', 'digital-2000', '20 V', 'B', '0', '6.37', '09:16'),
  volts('M7', 'analogue-2k', '10 V', 'B', '0', '3.65', '09:18'),
  volts('M8', 'digital-2000', '20 V', 'C', '0', '4.70', '09:21'),
  {
    id: 'M9',
    quantity: 'dc-current',
    instrument: 'digital-2000',
    range: '200 µA',
    node: '0',
    ends: ['R2.to'],
    reversed: true,
    observations: [
      { shown: '161.2', unit: 'µA', at: '2026-11-16T09:27:00Z' },
      { shown: '161.5', unit: 'µA', at: '2026-11-16T09:27:20Z' },
    ],
    by: 'J. Marsh',
  },
];

function ohms(id: string, element: string, range: string, shown: string, unit: string, at: string): Reading {
  const observations = [{ shown, unit, at: `2026-11-16T${at}:00Z` }];
  return { id, quantity: 'resistance', instrument: 'digital-2000', range, element, observations, by: 'J. Marsh' };
}

function volts(
  id: string,
  instrument: string,
  range: string,
  red: string,
  black: string,
  shown: string,
  at: string,
): Reading {
  const observations = [{ shown, unit: 'V', at: `2026-11-16T${at}:00Z` }];
  return { id, quantity: 'dc-voltage', instrument, range, red, black, observations, by: 'J. Marsh' };
}
