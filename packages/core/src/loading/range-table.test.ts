import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { resistance, soundNetwork } from '../test/random-network.ts';
import { correctionFromSource } from './loading-ratio.ts';
import { requiredResistance } from './required-resistance.ts';
import {
  loadingShare,
  measurementPointOf,
  sourceResistanceUncertainty,
  type PointValues,
} from './measurement-point.ts';
import { bestRangeOptions, rangeIndications, rangeTable } from './range-table.ts';
import type { Setup } from './setup.ts';
import { solveSetup } from './solve-setup.ts';
import { read } from '../test/read-line.ts';
import { instrumentOf, solved } from '../test/solved.ts';
import { exercised, runs } from '../test/runs.ts';

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

test('the old meter on the divider: by hand', () => {
  const point = measurementPointOf(solved(divider), [old], across('old', '10 V'), 'V1');
  if (!point.ok) throw new Error(point.fault.code);
  const below = (39_000 * 42_000) / 81_000;
  const truth = (24 * below) / (56_001.8 + below);
  const rs = (56_001.8 * below) / (56_001.8 + below);
  expect(point.value.ideal).toBeCloseTo(truth, 9);
  expect(point.value.sourceResistance).toBeCloseTo(rs, 6);
  const options = rangeTable(point.value, 'dc-voltage', [old]);
  expect(options.map((option) => option.range.id)).toEqual(['2.5 V', '10 V', '50 V', '250 V']);
  const ten = options[1]!;
  const indicated = (truth * 20_000) / (20_000 + rs);
  expect(ten.indicated).toBeCloseTo(indicated, 9);
  expect(ten.relativeLoading).toBeCloseTo(-rs / (20_000 + rs), 12);
  expect(ten.uncorrected).toBeCloseTo(truth - indicated + 0.3 + 0.02, 9);
  // u² of the corrected value: class and a fifth of a division through 1 + R_s/R_m, and R_s off by the tolerances,
  // ∂R_s/∂R = (R_s/R)² of each arm seen from B.
  const lower = (42_000 / 81_000) ** 2;
  const upperArm = (rs / 56_001.8) ** 2 * 560;
  const lowerArm = (rs / below) ** 2;
  const parts = [upperArm, lowerArm * lower * 1950, lowerArm * (39 / 81) ** 2 * 750, lowerArm * (39 / 81) ** 2 * 1350];
  const reading = Math.hypot(0.3, 0.02) * (1 + rs / 20_000);
  const tolerances = (Math.hypot(...parts) * indicated) / 20_000;
  expect(ten.corrected).toBeCloseTo((2 * Math.hypot(reading, tolerances)) / Math.sqrt(3), 9);
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
  const pointWith = (values: PointValues) => ({
    ...values,
    correctionOn: correctionFromSource('dc-voltage', values.sourceResistance ?? 0, 0),
  });
  const options = rangeTable(pointWith(point), 'dc-current', [fused]);
  expect(options.map((option) => option.state)).toEqual(['fuse-blown', 'fuse-blown', 'ok']);
  expect(bestRangeOptions(options).uncorrected!.range.id).toBe('high');
  const backwards = rangeTable(pointWith({ ideal: -2, truth: -2, sourceResistance: 6 }), 'dc-voltage', [old]);
  expect(backwards.every((option) => option.state === 'reversed')).toBe(true);
  expect(bestRangeOptions(backwards)).toEqual({ uncorrected: null, corrected: null });
  expect(rangeIndications({ ideal: null, truth: null, sourceResistance: null }, 'dc-voltage', [old])).toEqual([]);
});

test('every range option is what solving the set-up afresh on that range gives, with another meter in', () => {
  let compared = 0;
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
        const instrument = instrumentOf(ohms);
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
          const options = rangeTable(point.value, quantity, [instrument]);
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
            compared += 1;
            const wanted = afresh.value.meters[meter]!.indicated!;
            const off = Math.abs(option.indicated - wanted);
            expect(off <= 1e-9 * Math.abs(wanted) || off <= 1e-12 * largest).toBe(true);
          });
        }
      },
    ),
    { numRuns: runs(200) },
  );
  expect(compared).toBeGreaterThan(exercised(400));
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

/** A range that reads everything without an error of its own. */
test('a fuse of another meter stays whole if it is whole in the set-up itself', () => {
  // 12 V over 24 Ω and two ammeters of 3.5 Ω: 387 mA. With one of them at 0 Ω it would be 436 mA, above the 400 mA fuse.
  const network = read('E1 12V: W1 link + R1 24');
  const fused: Instrument = {
    id: 'f',
    functions: [{ quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 0.4, resistance: 3.5, fuse: 0.4 }] }],
  };
  const setup: Setup = {
    id: 'S',
    meters: [
      { id: 'A1', instrument: 'f', quantity: 'dc-current', range: 'a', node: 'A', ends: ['W1.from'] },
      { id: 'A2', instrument: 'f', quantity: 'dc-current', range: 'a', node: 'B', ends: ['R1.from'] },
    ],
  };
  const point = measurementPointOf(solved(network), [fused], setup, 'A2');
  if (!point.ok) throw new Error(point.fault.code);
  const [option] = rangeTable(point.value, 'dc-current', [fused]);
  expect(option).toMatchObject({ state: 'ok', indicated: expect.closeTo(12 / 31, 12) });
  expect(point.value.correctionOn(option!.range)!.factor).toBeCloseTo(31 / 24, 12);
});

test('if the other meters leave nothing to read, no range leads back to the true value', () => {
  const point = { ideal: 0, truth: 1, sourceResistance: 100, correctionOn: () => null };
  const options = rangeTable(point, 'dc-voltage', [old]);
  expect(options.map(({ corrected }) => corrected)).toEqual([null, null, null, null]);
  expect(bestRangeOptions(options)).toMatchObject({ corrected: null, uncorrected: { range: { id: '2.5 V' } } });
});
