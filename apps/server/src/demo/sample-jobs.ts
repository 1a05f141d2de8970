import {
  instrumentForJob,
  type AmmeterPlacement,
  type Element,
  type Job,
  type Meter,
  type Setup,
  type VoltmeterPlacement,
} from '@usual-drag/core';
import { builtInKit } from '../instruments/built-in-kit.ts';

/** The jobs of the Saltmarsh Lift Station that the demo starts with; each shows one thing plainly. */
export const sampleJobs: readonly Job[] = [
  job(
    'Float-level divider',
    [
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
      {
        id: 'R1',
        kind: 'resistor',
        from: 'A',
        to: 'B',
        resistance: 56_000,
        tolerance: 0.01,
        powerRating: 0.25,
        measuredResistance: 56_210,
        label: 'top arm',
      },
      {
        id: 'R2',
        kind: 'resistor',
        from: 'B',
        to: '0',
        resistance: 39_000,
        tolerance: 0.05,
        powerRating: 0.25,
        measuredResistance: 38_700,
        label: 'bottom arm',
      },
      {
        id: 'R3',
        kind: 'resistor',
        from: 'B',
        to: 'C',
        resistance: 15_000,
        tolerance: 0.05,
        powerRating: 0.25,
        measuredResistance: 15_320,
        label: 'upper float',
      },
      {
        id: 'R4',
        kind: 'resistor',
        from: 'C',
        to: '0',
        resistance: 27_000,
        tolerance: 0.05,
        powerRating: 0.25,
        label: 'lower float',
      },
    ],
    [
      setup('S-1', volts('V1', 'analogue-2k', '10 V', 'B', '0')),
      setup('S-2', amps('A1', 'analogue-20k', '500 µA', 'A', ['R1.from'])),
      setup(
        'S-3',
        volts('V1', 'digital-2000', '20 V', 'B', '0'),
        amps('A1', 'analogue-20k', '500 µA', 'B', ['R3.from']),
      ),
    ],
  ),
  job(
    'Beacon and sounder panel',
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
      { id: 'L1', kind: 'load', from: 'C', to: '0', ratedVoltage: 12, ratedCurrent: 0.3, label: 'beacon lamp' },
      {
        id: 'L2',
        kind: 'load',
        from: 'C',
        to: '0',
        ratedVoltage: 12,
        ratedCurrent: 0.12,
        polarised: true,
        label: 'sounder',
      },
    ],
    [
      setup('trunk', amps('A1', 'analogue-20k', '500 mA', 'C', ['R1.to'], true)),
      setup('beacon', amps('A1', 'analogue-20k', '500 mA', 'C', ['L1.from'])),
      setup('sounder', amps('A1', 'analogue-20k', '500 mA', 'C', ['L2.from'])),
    ],
  ),
  job(
    'Sluice-gate strain bridge',
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

function job(title: string, elements: readonly Element[], setups: readonly Setup[]): Job {
  const used = new Set(setups.flatMap((s) => s.meters.map((m) => m.instrument)));
  const instruments = builtInKit.filter(({ id }) => used.has(id)).map(instrumentForJob);
  return { format: 'usual-drag/job', version: 1, title, network: { elements }, instruments, setups };
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
