import type { Instrument } from '@usual-drag/core/instrument';
import { solveUnloaded } from '@usual-drag/core/loading';
import { compareReadings, type Reading } from '@usual-drag/core/readings';
import { makePlan } from '@usual-drag/core/plan';
import { duration, line, secondsOf } from './measure.ts';
import { mesh } from './networks.ts';

const meter: Instrument = {
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [20, 200].map((volts) => ({
        id: `${volts} V`,
        fullScale: volts * 0.9995,
        resistance: 1e7,
        resolution: volts / 2000,
        accuracyOfReading: 0.005,
        accuracyCounts: 2,
      })),
    },
    {
      quantity: 'dc-current',
      ranges: [0.002, 0.2, 10].map((amps) => ({
        id: `${amps} A`,
        fullScale: amps * 0.9995,
        resistance: 0.2 / amps,
        resolution: amps / 2000,
        accuracyOfReading: 0.01,
      })),
    },
  ],
};

/** 100 readings compared, and a plan made, on a network of 40 nodes; both against solving that network once. */
export function benchReadings(): void {
  const bare = mesh(40);
  const network = {
    ...bare,
    elements: bare.elements.map((part) => (part.kind === 'resistor' ? { ...part, tolerance: 0.05 } : part)),
  };
  const parts = network.elements.filter(({ kind }) => kind === 'resistor');
  const readings = Array.from({ length: 100 }, (_, k): Reading => {
    const part = parts[k % parts.length]!;
    const taken = { id: `M${k + 1}`, instrument: 'm', observations: [{ shown: '1.23', unit: k % 2 ? 'V' : 'mA' }] };
    return k % 2
      ? { ...taken, quantity: 'dc-voltage', range: '20 V', red: part.from, black: part.to }
      : { ...taken, quantity: 'dc-current', range: '0.2 A', node: part.from, ends: [`${part.id}.from`] };
  });
  console.log(`\nReadings on 40 nodes, ${parts.length} parts with a tolerance`);
  const solve = secondsOf(() => solveUnloaded(network));
  const compare = secondsOf(() => compareReadings({ network, instruments: [meter], readings }), 0.5);
  const plan = secondsOf(() => makePlan({ network, instruments: [meter] }), 0.5);
  line(
    `  100 readings compared (${duration(compare)})`,
    `${(compare / solve).toFixed(0)} × solving it once   ${(compare / 0.05).toFixed(2)} of 50 ms`,
  );
  line(
    `  a plan for every part (${duration(plan)})`,
    `${(plan / solve).toFixed(0)} × solving it once   ${(plan / 0.1).toFixed(2)} of 100 ms`,
  );
}
