import type { InstrumentFunction, Range, ResistanceRange } from './instrument.ts';
import type { KitInstrument } from './kit.ts';

/** Tolerance of the resistance of every built-in range: 1 %, as data sheets give it for input resistances. */
const resistanceTolerance = 0.01;

/** The instruments of the kit of every new installation, by kind and property. */
export const builtInKit: readonly KitInstrument[] = [
  {
    id: 'analogue-20k',
    name: 'Analogue multimeter, 20 kΩ/V',
    display: 'analogue',
    functions: [
      analogueVolts(20_000, [0.5, 2.5, 10, 50, 250, 1000], 0.02),
      analogueCurrent(0.25, [50e-6, 500e-6, 5e-3, 50e-3, 0.5], 0.02, { jack: 'mA', fuse: 0.5 }, [
        {
          id: '10 A',
          fullScale: 10,
          resistance: 0.025,
          resistanceTolerance,
          accuracyOfRange: 0.02,
          divisions: 50,
          jack: '10 A',
        },
      ]),
    ],
    resistanceRanges: [needleOhms('R × 1', 2000, 0.075), needleOhms('R × 100', 200_000, 750e-6)],
  },
  {
    id: 'digital-2000',
    name: 'Handheld digital multimeter, 10 MΩ',
    display: 'digital',
    functions: [
      {
        quantity: 'dc-voltage',
        ranges: [
          digital('200 mV', 0.1999, 1e7, 1e-4, 0.005, 2, 'V'),
          digital('2 V', 1.999, 1e7, 1e-3, 0.005, 2, 'V'),
          digital('20 V', 19.99, 1e7, 0.01, 0.005, 2, 'V'),
          digital('200 V', 199.9, 1e7, 0.1, 0.005, 2, 'V'),
          digital('1000 V', 1000, 1e7, 1, 0.008, 2, 'V'),
        ],
      },
      {
        quantity: 'dc-current',
        ranges: [
          { ...digital('200 µA', 199.9e-6, 1000, 1e-7, 0.01, 2, 'mA'), fuse: 0.25 },
          { ...digital('2 mA', 1.999e-3, 100, 1e-6, 0.01, 2, 'mA'), fuse: 0.25 },
          { ...digital('20 mA', 19.99e-3, 10, 1e-5, 0.01, 2, 'mA'), fuse: 0.25 },
          { ...digital('200 mA', 0.1999, 1, 1e-4, 0.012, 2, 'mA'), fuse: 0.25 },
          { ...digital('10 A', 10, 0.02, 0.01, 0.02, 3, '10 A'), fuse: 10 },
        ],
      },
    ],
    resistanceRanges: [
      digitalOhms('200 Ω', 199.9, 1e-3, 0.1, 0.008, 3),
      digitalOhms('2 kΩ', 1999, 300e-6, 1, 0.008, 2),
      digitalOhms('20 kΩ', 19_990, 75e-6, 10, 0.008, 2),
      digitalOhms('200 kΩ', 199_900, 7.5e-6, 100, 0.008, 2),
      digitalOhms('2 MΩ', 1.999e6, 750e-9, 1000, 0.01, 3),
    ],
  },
  {
    id: 'analogue-2k',
    name: 'Old analogue multimeter, 2 kΩ/V',
    display: 'analogue',
    functions: [
      analogueVolts(2000, [2.5, 10, 50, 250], 0.03),
      analogueCurrent(0.5, [500e-6, 25e-3, 100e-3, 0.5], 0.03, { jack: 'mA', fuse: 1 }),
    ],
  },
  {
    id: 'bench-digital',
    name: 'Bench digital multimeter, over 10 GΩ on its lowest ranges',
    display: 'digital',
    functions: [
      {
        quantity: 'dc-voltage',
        ranges: [
          digital('200 mV', 0.199999, 2e10, 1e-6, 0.00012, 4, 'V'),
          digital('2 V', 1.99999, 2e10, 1e-5, 0.0001, 3, 'V'),
          digital('20 V', 19.9999, 1e7, 1e-4, 0.0001, 3, 'V'),
          digital('200 V', 199.999, 1e7, 1e-3, 0.00012, 3, 'V'),
          digital('1000 V', 1000, 1e7, 0.01, 0.00015, 3, 'V'),
        ],
      },
      {
        quantity: 'dc-current',
        ranges: [
          { ...digital('200 µA', 199.999e-6, 1000, 1e-9, 0.0005, 5, 'A'), fuse: 3 },
          { ...digital('2 mA', 1.99999e-3, 100, 1e-8, 0.0005, 4, 'A'), fuse: 3 },
          { ...digital('20 mA', 19.9999e-3, 10, 1e-7, 0.0005, 4, 'A'), fuse: 3 },
          { ...digital('200 mA', 0.199999, 1, 1e-6, 0.0006, 4, 'A'), fuse: 3 },
          { ...digital('2 A', 1.99999, 0.15, 1e-5, 0.001, 5, 'A'), fuse: 3 },
        ],
      },
    ],
    resistanceRanges: [
      digitalOhms('200 Ω', 199.999, 1e-3, 1e-3, 0.0003, 5),
      digitalOhms('2 kΩ', 1999.99, 1e-3, 0.01, 0.0002, 3),
      digitalOhms('20 kΩ', 19_999.9, 100e-6, 0.1, 0.0002, 3),
      digitalOhms('200 kΩ', 199_999, 10e-6, 1, 0.0002, 3),
    ],
    autoRange: { up: 1, down: 0.09 },
  },
  {
    id: 'panel-5a',
    name: 'Panel ammeter, 5 A at 75 mV',
    display: 'analogue',
    functions: [
      {
        quantity: 'dc-current',
        ranges: [
          {
            id: '5 A',
            fullScale: 5,
            resistance: 0.015,
            resistanceTolerance,
            accuracyOfRange: 0.015,
            divisions: 50,
            jack: 'studs',
          },
        ],
      },
    ],
  },
];

/** Voltage ranges of a movement: the resistance is its sensitivity (Ω/V) times full scale. */
function analogueVolts(
  sensitivity: number,
  fullScales: readonly number[],
  accuracyOfRange: number,
): InstrumentFunction {
  return {
    quantity: 'dc-voltage',
    ranges: fullScales.map((fullScale) => ({
      id: `${fullScale} V`,
      fullScale,
      resistance: sensitivity * fullScale,
      resistanceTolerance,
      accuracyOfRange,
      divisions: 50,
      jack: 'V',
    })),
  };
}

/** Current ranges that all drop `burden` volts at full scale. */
function analogueCurrent(
  burden: number,
  fullScales: readonly number[],
  accuracyOfRange: number,
  jack: { readonly jack: string; readonly fuse: number },
  more: readonly Range[] = [],
): InstrumentFunction {
  const ranges = fullScales.map((fullScale) => ({
    id: fullScale < 1e-3 ? `${Math.round(fullScale * 1e6)} µA` : `${Math.round(fullScale * 1e3)} mA`,
    fullScale,
    resistance: Number((burden / fullScale).toPrecision(12)),
    resistanceTolerance,
    accuracyOfRange,
    divisions: 50,
    ...jack,
  }));
  return { quantity: 'dc-current', ranges: [...ranges, ...more] };
}

function digital(
  id: string,
  fullScale: number,
  resistance: number,
  resolution: number,
  accuracyOfReading: number,
  accuracyCounts: number,
  jack: string,
): Range {
  return { id, fullScale, resistance, resistanceTolerance, resolution, accuracyOfReading, accuracyCounts, jack };
}

function digitalOhms(
  id: string,
  fullScale: number,
  testCurrent: number,
  resolution: number,
  accuracyOfReading: number,
  accuracyCounts: number,
): ResistanceRange {
  return { id, fullScale, testCurrent, resolution, accuracyOfReading, accuracyCounts };
}

function needleOhms(id: string, fullScale: number, testCurrent: number): ResistanceRange {
  return { id, fullScale, testCurrent, accuracyOfRange: 0.05 };
}
