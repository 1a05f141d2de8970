import type { Element } from '@usual-drag/core/network';
import { builtInKit, instrumentForJob } from '@usual-drag/core/instrument';
import type { AmmeterPlacement, Meter, Setup, VoltmeterPlacement } from '@usual-drag/core/loading';
import type { Reading } from '@usual-drag/core/readings';
import { atItsVersion, floatLevelDivider, type Job, type JobRecord } from '@usual-drag/core/job';
import { plantMultimeter } from './plant-multimeter.ts';

/** Trunk and branches as read do not add up: each break had the meter's 1.8 Ω in it. */
const beaconReadings: readonly Reading[] = [
  voltage('M1', '50 V', 'A', '0', '12.591', 'V', '10:04'),
  voltage('M2', '50 V', 'C', '0', '12.496', 'V', '10:06'),
  voltage('M3', '500 mV', 'B', 'C', '93.99', 'mV', '10:08'),
  amperes('M4', '500 mA', 'E1.to', '415.96', '10:15', false),
  amperes('M5', '500 mA', 'L1.to', '299.08', '10:21'),
  amperes('M6', '500 mA', 'L2.to', '120.38', '10:26'),
];

/** The jobs of the Saltmarsh Lift Station that the demo starts with; each shows one thing plainly. */
export const sampleJobs: readonly Job[] = [
  floatLevelDivider(builtInKit.map(instrumentForJob)),
  job(
    'Beacon and sounder panel',
    { asset: 'SL-022', order: 'SL-WO-2219', by: 'J. Marsh', date: '2026-11-19', ambient: 11 },
    [
      {
        id: 'E1',
        kind: 'source',
        from: 'A',
        to: '0',
        emf: 2.1,
        internalResistance: 0.008,
        cellsInSeries: 6,
        label: 'SL-022 battery',
      },
      { id: 'S1', kind: 'switch', from: 'A', to: 'B', closed: true, label: 'panel switch' },
      { id: 'R1', kind: 'resistor', from: 'B', to: 'C', resistance: 0.22, label: 'feed cable' },
      {
        id: 'L1',
        kind: 'load',
        from: 'C',
        to: '0',
        ratedVoltage: 12,
        ratedCurrent: 0.3,
        exponent: 0.55,
        label: 'beacon lamp',
      },
      {
        id: 'L2',
        kind: 'load',
        from: 'C',
        to: '0',
        ratedVoltage: 12,
        ratedCurrent: 0.12,
        exponent: 0.1,
        polarised: true,
        label: 'sounder',
      },
    ],
    [
      setup('trunk', amps('A1', 'plant-digital', '500 mA', 'C', ['R1.to'], true)),
      setup('beacon', amps('A1', 'plant-digital', '500 mA', 'C', ['L1.from'])),
      setup('sounder', amps('A1', 'plant-digital', '500 mA', 'C', ['L2.from'])),
    ],
    beaconReadings,
  ),
  job(
    'Sluice-gate strain bridge',
    { asset: 'SL-031', order: 'SL-WO-2226', date: '2026-11-20', ambient: 8.5 },
    [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10, internalResistance: 0.4, label: 'SL-031 excitation' },
      {
        id: 'R1',
        kind: 'resistor',
        from: 'A',
        to: 'B',
        resistance: 350,
        label: 'gauge 1, pulled',
        measuredResistance: 350.7,
      },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 351.4, label: 'gauge 2' },
      { id: 'R3', kind: 'resistor', from: 'A', to: 'C', resistance: 351.4, label: 'gauge 3' },
      { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 350, label: 'gauge 4' },
      { id: 'R5', kind: 'resistor', from: 'B', to: 'C', resistance: 12_000, label: 'amplifier input' },
    ],
    [
      setup('bench', volts('V1', 'bench-digital', '200 mV', 'B', 'C')),
      setup('old', volts('V1', 'analogue-2k', '2.5 V', 'B', 'C')),
    ],
  ),
  job(
    'Level loop',
    { asset: 'SL-040', order: 'SL-WO-2231', date: '2026-11-24', ambient: 21.5 },
    [
      {
        id: 'J1',
        kind: 'current-source',
        from: 'A',
        to: '0',
        current: 0.0128,
        compliance: 22,
        label: 'SL-040 transmitter',
      },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 18, label: 'line out' },
      { id: 'R2', kind: 'resistor', from: 'B', to: 'C', resistance: 250, tolerance: 0.001, label: 'controller input' },
      { id: 'R3', kind: 'resistor', from: 'C', to: 'D', resistance: 1419, label: 'chart recorder' },
      { id: 'R4', kind: 'resistor', from: 'D', to: '0', resistance: 18, label: 'line back' },
    ],
    [
      setup('digital', amps('A1', 'digital-2000', '20 mA', 'B', ['R2.from'])),
      setup('old', amps('A1', 'analogue-2k', '25 mA', 'B', ['R2.from'])),
    ],
  ),
  job(
    'Resistor by voltmeter and ammeter',
    { asset: 'SL-057', order: 'SL-WO-2233', date: '2026-11-25', ambient: 21 },
    [
      {
        id: 'E1',
        kind: 'source',
        from: 'A',
        to: '0',
        emf: 6,
        internalResistance: 0.5,
        currentLimit: 0.1,
        label: 'bench supply',
      },
      { id: 'W1', kind: 'link', from: 'A', to: 'B', label: 'jumper' },
      {
        id: 'R1',
        kind: 'resistor',
        from: 'B',
        to: '0',
        resistance: 680,
        tolerance: 0.05,
        powerRating: 0.5,
        label: 'part from SL-057',
      },
    ],
    [
      setup(
        'across-part',
        volts('V1', 'analogue-2k', '10 V', 'B', '0'),
        amps('A1', 'digital-2000', '20 mA', 'A', ['W1.from']),
      ),
      setup(
        'across-both',
        volts('V1', 'analogue-2k', '10 V', 'A', '0'),
        amps('A1', 'digital-2000', '20 mA', 'A', ['W1.from']),
      ),
    ],
  ),
];

function job(
  title: string,
  head: JobRecord,
  elements: readonly Element[],
  setups: readonly Setup[],
  readings: readonly Reading[] = [],
): Job {
  const used = new Set([...setups.flatMap((s) => s.meters), ...readings].map(({ instrument }) => instrument));
  const instruments = [...builtInKit, plantMultimeter].map(instrumentForJob).filter(({ id }) => used.has(id));
  const record = { site: 'Saltmarsh Lift Station', ...head };
  return atItsVersion({
    format: 'usual-drag/job',
    version: 2,
    title,
    record,
    network: { elements },
    instruments,
    setups,
    ...(readings.length > 0 && { readings }),
  });
}

function amperes(id: string, range: string, end: string, shown: string, at: string, reversed = true): Reading {
  return {
    id,
    quantity: 'dc-current',
    instrument: 'plant-digital',
    range,
    node: '0',
    ends: [end],
    ...(reversed && { reversed }),
    observations: [{ shown, unit: 'mA', at: `2026-11-19T${at}:00Z` }],
    by: 'J. Marsh',
  };
}

function voltage(
  id: string,
  range: string,
  red: string,
  black: string,
  shown: string,
  unit: string,
  at: string,
): Reading {
  return {
    id,
    quantity: 'dc-voltage',
    instrument: 'plant-digital',
    range,
    red,
    black,
    observations: [{ shown, unit, at: `2026-11-19T${at}:00Z` }],
    by: 'J. Marsh',
  };
}

function setup(id: string, ...meters: Meter[]): Setup {
  return { id, meters };
}

function volts(id: string, instrument: string, range: string, red: string, black: string): VoltmeterPlacement {
  return { id, instrument, quantity: 'dc-voltage', range, red, black };
}

function amps(
  id: string,
  instrument: string,
  range: string,
  node: string,
  ends: string[],
  reversed = false,
): AmmeterPlacement {
  return { id, instrument, quantity: 'dc-current', range, node, ends, ...(reversed && { reversed }) };
}
