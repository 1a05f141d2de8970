import { builtInKit, instrumentForJob } from '@usual-drag/core/instrument';
import { atItsVersion, newCircuit, type Job } from '@usual-drag/core/job';
import type { Element } from '@usual-drag/core/network';
import type { Reading } from '@usual-drag/core/readings';
import { plantMultimeter } from './plant-multimeter.ts';

const day = '2026-11-26';
const by = 'J. Marsh';

/** Ohmmeter readings of the loose resistors. */
const measured = [
  ['R1', '46.88'],
  ['R2', '68.21'],
  ['R3', '99.73'],
].map(([element, shown], index): Reading => ({
  id: `M${index + 1}`,
  quantity: 'resistance',
  instrument: 'digital-2000',
  range: '200 Ω',
  element: element!,
  observations: [{ shown: shown!, unit: 'Ω', at: `${day}T08:${40 + 2 * index}:00Z` }],
  by,
}));

const series: Job = atItsVersion({
  format: 'usual-drag/job',
  version: 2,
  title: 'Pump resistors in series',
  record: { site: 'Saltmarsh Lift Station', asset: 'SL-066', order: 'SL-WO-2236', by, date: day, ambient: 20.5 },
  network: {
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 3, internalResistance: 0.4, label: 'bench supply' },
      resistor('R1', 47, 46.88, 'A', 'B'),
      resistor('R2', 68, 68.21, 'B', 'C'),
      resistor('R3', 100, 99.73, 'C', '0'),
    ],
    values: 'measured',
  },
  instruments: [...builtInKit, plantMultimeter]
    .filter(({ id }) => ['plant-digital', 'bench-digital', 'digital-2000'].includes(id))
    .map(instrumentForJob),
  readings: [
    ...measured,
    volts('M4', 'A', 'B', '0.6535', '09:02'),
    volts('M5', 'B', 'C', '0.9508', '09:04'),
    volts('M6', 'C', '0', '1.3902', '09:06'),
    amps('M7', 'A', 'R1.from', '13.79', '09:12'),
  ],
});

const parallel = rebuilt('Pump resistors in parallel', 'E1: R1 || R2 || R3', [
  volts('M4', 'A', '0', '2.9458', '09:31'),
  amps('M5', 'A', 'E1.from', '122.35', '09:36'),
  amps('M6', 'A', 'R1.from', '59.82', '09:41'),
  amps('M7', 'A', 'R2.from', '41.74', '09:45'),
  amps('M8', 'A', 'R3.from', '28.86', '09:49'),
]);

const combined = rebuilt('Pump resistors combined', 'E1: R1 + (R2 || R3)', [
  volts('M4', 'A', 'B', '1.6021', '10:12'),
  volts('M5', 'B', '0', '1.3843', '10:14'),
  amps('M6', 'A', 'R1.from', '33.28', '10:20'),
  amps('M7', 'B', 'R2.from', '19.83', '10:26'),
  amps('M8', 'B', 'R3.from', '13.63', '10:31'),
]);

/**
 * An order of three circuits from the same resistors. The mA jack of the meter has 2.4 Ω instead of its 1.8 Ω: the circuit in series
 * agrees, the currents in parallel do not, and a fit to all circuits finds the resistance.
 */
export const sampleOrder: readonly Job[] = [series, parallel, combined];

function rebuilt(title: string, line: string, readings: readonly Reading[]): Job {
  const parts = series.network.elements.map(({ id }) => ({ id, role: id }));
  const made = newCircuit(series, { title, parts, line, date: day });
  if (!made.ok) throw new Error(made.fault.message);
  return { ...made.value, readings: [...(made.value.readings ?? []), ...readings] };
}

function resistor(id: string, resistance: number, measuredResistance: number, from: string, to: string): Element {
  const rating = { tolerance: 0.01, powerRating: 0.6 };
  return { id, kind: 'resistor', from, to, resistance, ...rating, measuredResistance };
}

function volts(id: string, red: string, black: string, shown: string, at: string): Reading {
  const observations = [{ shown, unit: 'V', at: `${day}T${at}:00Z` }];
  return { id, quantity: 'dc-voltage', instrument: 'bench-digital', range: '20 V', red, black, observations, by };
}

/** Current out of a node; the one of the trunk is taken at the supply and has the opposite sign there. */
function amps(id: string, node: string, end: string, shown: string, at: string): Reading {
  const observations = [{ shown, unit: 'mA', at: `${day}T${at}:00Z` }];
  const trunk = end.startsWith('E1') && { reversed: true };
  return {
    id,
    quantity: 'dc-current',
    instrument: 'plant-digital',
    range: '500 mA',
    node,
    ends: [end],
    ...trunk,
    observations,
    by,
  };
}
