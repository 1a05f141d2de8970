import type { KitInstrument, Range, ResistanceRange } from '@usual-drag/core/instrument';

const volts = (id: string, fullScale: number, resolution: number): Range => ({
  id,
  fullScale,
  resistance: 1e7,
  resolution,
  accuracyOfReading: 0.00015,
  accuracyCounts: 4,
  jack: 'V',
});
const amps = (id: string, fullScale: number, resolution: number, resistance: number, fuse: number): Range => ({
  id,
  fullScale,
  resistance,
  resolution,
  accuracyOfReading: 0.0005,
  accuracyCounts: 5,
  jack: fuse > 1 ? '3 A' : 'mA',
  fuse,
});
const ohms = (id: string, fullScale: number, resolution: number, testCurrent: number): ResistanceRange => ({
  id,
  fullScale,
  testCurrent,
  resolution,
  accuracyOfReading: 0.0003,
  accuracyCounts: 3,
});

/** The simulated multimeter as an instrument of the kit: what it does to a circuit, and how well it reads. */
export const simulatedMultimeter: KitInstrument = {
  id: 'simulated-multimeter',
  name: 'Simulated multimeter, over the network',
  display: 'digital',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        volts('100 mV', 0.12, 1e-6),
        volts('1 V', 1.2, 1e-5),
        volts('10 V', 12, 1e-4),
        volts('100 V', 120, 1e-3),
        volts('1000 V', 1000, 1e-2),
      ],
    },
    {
      quantity: 'dc-current',
      ranges: [
        amps('1 mA', 0.0012, 1e-8, 100, 0.63),
        amps('10 mA', 0.012, 1e-7, 10, 0.63),
        amps('100 mA', 0.12, 1e-6, 1, 0.63),
        amps('3 A', 3, 1e-5, 0.06, 3.15),
      ],
    },
  ],
  resistanceRanges: [
    ohms('1 kΩ', 1200, 0.01, 1e-3),
    ohms('10 kΩ', 12_000, 0.1, 1e-4),
    ohms('100 kΩ', 120_000, 1, 1e-5),
    ohms('1 MΩ', 1.2e6, 10, 5e-6),
    ohms('10 MΩ', 1.2e7, 100, 5e-7),
  ],
  autoRange: { up: 1, down: 0.09 },
  assetTag: 'SL-230',
  notes:
    'No meter: a program that answers like one, on the simulated bench of the open job. npm run instrument starts another.',
};
