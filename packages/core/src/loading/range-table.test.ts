import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { resistance, soundNetwork } from '../test/random-network.ts';
import { correctReading, otherMetersUncertainty } from './correction.ts';
import { requiredResistance } from './required-resistance.ts';
import { loadingShare, measurementPointOf, sourceResistanceUncertainty } from './measurement-point.ts';
import { bestRangeOptions, rangeTable } from './range-table.ts';
import type { Setup } from './setup.ts';
import { solveSetup } from './solve-setup.ts';
import { solveUnloaded } from './unloaded.ts';
import { read } from '../test/read-line.ts';

const old: Instrument = {
  id: 'old',
  display: 'analogue',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [2.5, 10, 50, 250].map((fullScale) => ({
        id: `${fullScale} V`,
        fullScale,
        resistance: 2000 * fullScale,
        accuracyOfRange: 0.03,
        divisions: 50,
      })),
    },
  ],
};
const divider = read('E1 24V/1R8: R1 56k 1% + (R2 39k 5% || R3 15k 5% + R4 27k 5%)');
const across = (instrument: string, range: string): Setup => ({
  id: 'S',
  meters: [{ id: 'V1', instrument, quantity: 'dc-voltage', range, red: 'B', black: '0' }],
});
const uncertainties = { sourceResistance: 0.03, meterResistance: 0.01 };
const solved = (network: Network) => {
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  return unloaded.value;
};

test('the old meter on the divider: by hand', () => {
  const point = measurementPointOf(solved(divider), [old], across('old', '10 V'), 'V1');
  if (!point.ok) throw new Error(point.fault.code);
  const below = (39_000 * 42_000) / 81_000;
  const truth = (24 * below) / (56_001.8 + below);
  const rs = (56_001.8 * below) / (56_001.8 + below);
  expect(point.value.ideal).toBeCloseTo(truth, 9);
  expect(point.value.sourceResistance).toBeCloseTo(rs, 6);
  const options = rangeTable(point.value, 'dc-voltage', [old], uncertainties);
  expect(options.map((option) => option.range.id)).toEqual(['2.5 V', '10 V', '50 V', '250 V']);
  const ten = options[1]!;
  const indicated = (truth * 20_000) / (20_000 + rs);
  expect(ten.indicated).toBeCloseTo(indicated, 9);
  expect(ten.relativeLoading).toBeCloseTo(-rs / (20_000 + rs), 12);
  expect(ten.uncorrected).toBeCloseTo(truth - indicated + 0.3 + 0.02, 9);
  expect(ten.corrected).toBeCloseTo((0.3 + 0.02) * (1 + rs / 20_000) + (truth * rs * 0.04) / (20_000 + rs), 9);
  expect(ten.deflection).toBeCloseTo(indicated / 10, 12);
  // The highest range drags least, but its class hides more: as read the third is best, corrected the first.
  const best = bestRangeOptions(options);
  expect(best.uncorrected!.range.id).toBe('50 V');
  expect(best.corrected!.range.id).toBe('2.5 V');
});

test('what goes over range, backwards or through a fuse is not recommended', () => {
  const fused: Instrument = {
    id: 'f',
    functions: [
      {
        quantity: 'dc-current',
        ranges: [
          { id: 'low', fullScale: 1e-3, resistance: 1, fuse: 0.5 },
          { id: 'mid', fullScale: 5, resistance: 0.1, fuse: 0.5 },
          { id: 'high', fullScale: 10, resistance: 0.01, resolution: 0.01 },
        ],
      },
    ],
  };
  const point = { ideal: 2, truth: 2, sourceResistance: 6 };
  const options = rangeTable(point, 'dc-current', [fused], uncertainties);
  expect(options.map((option) => option.state)).toEqual(['fuse-blown', 'fuse-blown', 'ok']);
  expect(bestRangeOptions(options).uncorrected!.range.id).toBe('high');
  const backwards = rangeTable({ ideal: -2, truth: -2, sourceResistance: 6 }, 'dc-voltage', [old], uncertainties);
  expect(backwards.every((option) => option.state === 'reversed')).toBe(true);
  expect(bestRangeOptions(backwards)).toEqual({ uncorrected: null, corrected: null });
  expect(rangeTable({ ideal: null, truth: null, sourceResistance: null }, 'dc-voltage', [old], uncertainties)).toEqual(
    [],
  );
});

const kit = (resistances: readonly number[]): Instrument => ({
  id: 'k',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: resistances.map((r, index) => ({ id: `v${index}`, fullScale: 1000, resistance: r })),
    },
    {
      quantity: 'dc-current',
      ranges: resistances.map((r, index) => ({ id: `a${index}`, fullScale: 1000, resistance: r })),
    },
  ],
});

test('every range option is what solving the set-up afresh on that range gives, with another meter in', () => {
  fc.assert(
    fc.property(
      soundNetwork,
      fc.array(resistance, { minLength: 1, maxLength: 4 }),
      fc.nat(),
      fc.nat(),
      (network, ohms, a, b) => {
        const unloaded = solved(network);
        const nodes = nodesOf(network);
        const [red, black] = [nodes[a % nodes.length]!, nodes[b % nodes.length]!];
        if (red === black) return;
        const element = network.elements[b % network.elements.length]!;
        const instrument = kit(ohms);
        const setup = (volts: string, amps: string): Setup => ({
          id: 'S',
          meters: [
            { id: 'V1', instrument: 'k', quantity: 'dc-voltage', range: volts, red, black },
            {
              id: 'A1',
              instrument: 'k',
              quantity: 'dc-current',
              range: amps,
              node: element.from,
              ends: [`${element.id}.from`],
            },
          ],
        });
        for (const [meter, quantity, letter] of [
          ['V1', 'dc-voltage', 'v'],
          ['A1', 'dc-current', 'a'],
        ] as const) {
          const point = measurementPointOf(unloaded, [instrument], setup('v0', 'a0'), meter);
          if (!point.ok) throw new Error(point.fault.code);
          const options = rangeTable(point.value, quantity, [instrument], uncertainties);
          const largest = Math.max(
            ...Object.values(unloaded.values.elements).map((of) =>
              Math.abs(of[meter === 'V1' ? 'voltage' : 'current'] ?? 0),
            ),
          );
          options.forEach((option, index) => {
            const afresh = solveSetup(
              unloaded,
              [instrument],
              meter === 'V1' ? setup(`${letter}${index}`, 'a0') : setup('v0', `${letter}${index}`),
            );
            if (!afresh.ok) throw new Error(afresh.fault.code);
            const wanted = afresh.value.meters[meter]!.indicated!;
            const off = Math.abs(option.indicated - wanted);
            expect(off <= 1e-9 * Math.abs(wanted) || off <= 1e-12 * largest).toBe(true);
          });
        }
      },
    ),
    { numRuns: 200 },
  );
});

test('looking into a place blows no fuse of a meter that is connected beside it', () => {
  const network = read('E1 6V/0R5: W1 link + R1 680');
  const fused: Instrument = {
    id: 'f',
    functions: [{ quantity: 'dc-current', ranges: [{ id: '10 mA', fullScale: 0.01, resistance: 10, fuse: 0.1 }] }],
  };
  const setup: Setup = {
    id: 'S',
    meters: [
      { id: 'V1', instrument: 'old', quantity: 'dc-voltage', range: '10 V', red: 'B', black: '0' },
      { id: 'A1', instrument: 'f', quantity: 'dc-current', range: '10 mA', node: 'A', ends: ['W1.from'] },
    ],
  };
  const point = measurementPointOf(solved(network), [old, fused], setup, 'V1');
  if (!point.ok) throw new Error(point.fault.code);
  expect(point.value.ideal).toBeCloseTo((6 * 680) / 690.5, 12);
  expect(point.value.sourceResistance).toBeCloseTo((680 * 10.5) / 690.5, 10);
});

test('the uncertainty of the source resistance covers every corner of the tolerances', () => {
  const setup = across('old', '10 V');
  const uncertainty = sourceResistanceUncertainty(divider, [old], setup, 'V1');
  const found: number[] = [];
  for (let corner = 0; corner < 16; corner += 1) {
    const shifted: Network = {
      elements: divider.elements.map((element, index) =>
        element.kind === 'resistor'
          ? {
              ...element,
              resistance: element.resistance * (1 + ((corner >> (index - 1)) & 1 ? 1 : -1) * element.tolerance!),
            }
          : element,
      ),
    };
    const point = measurementPointOf(solved(shifted), [old], setup, 'V1');
    if (point.ok) found.push(point.value.sourceResistance!);
  }
  const [low, high] = [Math.min(...found), Math.max(...found)];
  expect(uncertainty).toBeCloseTo((high - low) / (high + low), 12);
  expect(sourceResistanceUncertainty(read('E1 5V/1: R1 10 + R2 10'), [old], across('old', '10 V'), 'V1')).toBe(0);
});

test('what would be enough: the error at that resistance is the one asked for; ten times is about nine per cent', () => {
  for (const quantity of ['dc-voltage', 'dc-current'] as const)
    for (const error of [0.001, 0.01, 0.2])
      expect(loadingShare(15_000, requiredResistance(15_000, error, quantity), quantity)).toBeCloseTo(error, 12);
  expect(loadingShare(1000, 10_000, 'dc-voltage')).toBeCloseTo(1 / 11, 12);
  expect(loadingShare(null, 5, 'dc-current')).toBe(0);
  expect(loadingShare(0, 5, 'dc-voltage')).toBe(0);
});

/** A place with nothing but its source resistance known. */
const alone = (sourceResistance: number) => ({ ideal: null, truth: null, sourceResistance });

test('a reading is corrected back to the true value', () => {
  fc.assert(
    fc.property(resistance, resistance, fc.double({ min: 1e-6, max: 1e3, noNaN: true }), (rs, rm, truth) => {
      for (const quantity of ['dc-voltage', 'dc-current'] as const) {
        const indicated = truth * (1 - loadingShare(rs, rm, quantity));
        const corrected = correctReading(indicated, 0, alone(rs), rm, quantity, {
          sourceResistance: 0,
          meterResistance: 0,
        })!;
        if (loadingShare(rs, rm, quantity) < 0.999) expect(Math.abs(corrected.value / truth - 1)).toBeLessThan(1e-12);
        expect(corrected.uncertainty).toBe(0);
      }
    }),
  );
  expect(correctReading(3.65, 0.32, alone(14_860), 20_000, 'dc-voltage', uncertainties)!.value).toBeCloseTo(
    3.65 * 1.743,
    6,
  );
  expect(correctReading(1, 0, alone(0), 0, 'dc-current', uncertainties)).toEqual({ value: 1, uncertainty: 0 });
  expect(correctReading(1, 0, alone(0), 5, 'dc-current', uncertainties)).toBeNull();
});

test('with voltmeter and ammeter both in, the corrected value is the true one with neither: by hand', () => {
  // 6 V behind 0.5 Ω, 680 Ω; the ammeter has 10 Ω and stands before the voltmeter's 20 kΩ.
  const network = read('E1 6V/0R5: W1 link + R1 680 5%');
  const meter: Instrument = {
    id: 'm',
    functions: [
      { quantity: 'dc-voltage', ranges: [{ id: 'v', fullScale: 10, resistance: 20_000 }] },
      { quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 0.02, resistance: 10 }] },
    ],
  };
  const setup: Setup = {
    id: 'S',
    meters: [
      { id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: 'v', red: 'B', black: '0' },
      { id: 'A1', instrument: 'm', quantity: 'dc-current', range: 'a', node: 'A', ends: ['W1.from'] },
    ],
  };
  const point = measurementPointOf(solved(network), [meter], setup, 'V1');
  if (!point.ok) throw new Error(point.fault.code);
  const both = 1 / (1 / 680 + 1 / 20_000);
  const indicated = (6 * both) / (both + 10.5);
  const truth = (6 * 680) / 680.5;
  const corrected = correctReading(indicated, 0.01, point.value, 20_000, 'dc-voltage', uncertainties)!;
  expect(corrected.value).toBeCloseTo(truth, 9);
  // The factor of the ammeter is 1 + 10/(680 + 0.5): 5 % of the part and 1 % of the ammeter move it by so much.
  const factor = (ohms: number, ammeter: number): number => 1 + ammeter / (ohms + 0.5);
  const byPart = Math.abs(factor(680 * 1.05, 10) - factor(680 * 0.95, 10)) / 2;
  const byMeter = (factor(680, 10.1) - factor(680, 9.9)) / 2;
  const otherMeters = otherMetersUncertainty(solved(network), [meter], setup, 'V1', 0.01);
  expect(otherMeters).toBeCloseTo((byPart + byMeter) / factor(680, 10), 9);
  const unsure = correctReading(indicated, 0.01, point.value, 20_000, 'dc-voltage', { ...uncertainties, otherMeters })!;
  expect(unsure.uncertainty - corrected.uncertainty).toBeCloseTo(truth * otherMeters, 9);
  expect(otherMetersUncertainty(solved(network), [meter], { ...setup, meters: [setup.meters[0]!] }, 'V1', 0.01)).toBe(
    0,
  );
});

test('every meter of a set-up is corrected back to what is there with none', () => {
  fc.assert(
    fc.property(soundNetwork, resistance, resistance, fc.nat(), fc.nat(), (network, rv, ra, a, b) => {
      const unloaded = solved(network);
      const nodes = nodesOf(network);
      const [red, black] = [nodes[a % nodes.length]!, nodes[b % nodes.length]!];
      if (red === black) return;
      const element = network.elements[b % network.elements.length]!;
      const instrument = kit([rv, ra]);
      const setup: Setup = {
        id: 'S',
        meters: [
          { id: 'V', instrument: 'k', quantity: 'dc-voltage', range: 'v0', red, black },
          {
            id: 'A',
            instrument: 'k',
            quantity: 'dc-current',
            range: 'a1',
            node: element.from,
            ends: [`${element.id}.from`],
          },
        ],
      };
      const values = solveSetup(unloaded, [instrument], setup);
      if (!values.ok) return;
      for (const { id, quantity } of setup.meters) {
        const { indicated, true: truth } = values.value.meters[id]!;
        const point = measurementPointOf(unloaded, [instrument], setup, id);
        if (!point.ok || indicated === null || truth === null) continue;
        const scale = Math.max(...Object.values(unloaded.values.nodes).map((v) => Math.abs(v ?? 0)));
        // Where next to nothing of the true value is left to be read, nothing leads back to it.
        if (quantity === 'dc-voltage' && Math.abs(indicated) < 1e-6 * scale) continue;
        if (Math.abs(indicated) < 1e-6 * Math.abs(truth)) continue;
        const corrected = correctReading(indicated, 0, point.value, quantity === 'dc-voltage' ? rv : ra, quantity, {
          sourceResistance: 0,
          meterResistance: 0,
        });
        const size = Math.max(Math.abs(truth), Math.abs(indicated));
        if (corrected) expect(Math.abs(corrected.value - truth)).toBeLessThanOrEqual(1e-7 * size);
      }
    }),
  );
});

test('where the other meters leave nothing to read, no range leads back to the true value', () => {
  const options = rangeTable({ ideal: 0, truth: 1, sourceResistance: 100 }, 'dc-voltage', [old], uncertainties);
  expect(options.map(({ corrected }) => corrected)).toEqual([null, null, null, null]);
  expect(bestRangeOptions(options)).toMatchObject({ corrected: null, uncorrected: { range: { id: '2.5 V' } } });
});
