import fc from 'fast-check';
import type { Instrument, Range } from '../instrument/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { resistance, soundNetwork } from '../test/random-network.ts';
import { correctedValue, correctDisplay } from './corrected-value.ts';
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

/** A range that reads everything without an error of its own. */
const perfect = (resistance: number): Range => ({ id: 'r', fullScale: 1e12, resistance });

test('a display is corrected back to the true value', () => {
  fc.assert(
    fc.property(resistance, resistance, fc.double({ min: 1e-6, max: 1e3, noNaN: true }), (rs, rm, truth) => {
      for (const quantity of ['dc-voltage', 'dc-current'] as const) {
        const indicated = truth * (1 - loadingShare(rs, rm, quantity));
        const corrected = correctDisplay({ id: 'i' }, perfect(rm), indicated, correctionFromSource(quantity, rs, 0));
        if (!corrected.ok) throw new Error(corrected.fault);
        const { value, uncertainty } = corrected.value;
        if (loadingShare(rs, rm, quantity) < 0.999) expect(Math.abs(value / truth - 1)).toBeLessThan(1e-12);
        expect(uncertainty).toBe(0);
      }
    }),
  );
  const at = correctionFromSource('dc-voltage', 14_860, 0.03)({ resistance: 20_000, resistanceTolerance: 0.01 })!;
  expect(at.factor).toBeCloseTo(1.743, 12);
  expect(at.contributions).toEqual([
    { of: 'source', contribution: expect.closeTo((0.743 * 0.03) / Math.sqrt(3), 12) },
    { of: 'meter', contribution: expect.closeTo((0.743 * 0.01) / Math.sqrt(3), 12) },
  ]);
  expect(correctionFromSource('dc-current', 0, 0)({ resistance: 5 })).toBeNull();
});

test('a display that cannot exist is not corrected: over range, beyond the fuse, below zero on a needle', () => {
  const on = correctionFromSource('dc-voltage', 1000, 0);
  const range: Range = { id: 'r', fullScale: 10, resistance: 10_000, fuse: 20 };
  const faultOf = (instrument: Instrument, display: number) => {
    const made = correctDisplay(instrument, range, display, on);
    return made.ok ? made.value.value : made.fault;
  };
  expect(faultOf({ id: 'd' }, 12)).toBe('over-range');
  expect(faultOf({ id: 'd' }, 21)).toBe('fuse-blown');
  expect(faultOf({ id: 'd' }, -9)).toBeCloseTo(-9.9, 12);
  expect(faultOf({ id: 'a', display: 'analogue' }, -9)).toBe('reversed');
});

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

test('a true value of 0 that other meters change cannot be corrected back to', () => {
  // A balanced bridge reads 0; an ammeter in one arm unbalances it.
  const network = read('E1 6V: (R1 1k + R2 1k) || (R3 1k + R4 1k)');
  const [mid, other] = nodesOf(network).filter((node) => node !== 'A' && node !== '0') as [string, string];
  const meter = kit([1e6, 50]);
  const setup: Setup = {
    id: 'S',
    meters: [
      { id: 'V1', instrument: 'k', quantity: 'dc-voltage', range: 'v0', red: mid, black: other },
      { id: 'A1', instrument: 'k', quantity: 'dc-current', range: 'a1', node: 'A', ends: ['R1.from'] },
    ],
  };
  const point = measurementPointOf(solved(network), [meter], setup, 'V1');
  if (!point.ok) throw new Error(point.fault.code);
  expect(point.value.truth).toBe(0);
  expect(rangeTable(point.value, 'dc-voltage', [meter]).map(({ corrected }) => corrected)).toEqual([null, null]);
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
  const correction = point.value.correctionOn({ resistance: 20_000, resistanceTolerance: 0.02 })!;
  expect(indicated * correction.factor).toBeCloseTo(truth, 9);
  // T/E = R/(R + 0.5)·(1 + 10.5·(1/R + 1/R_V)) + 10.5·… by differences of the closed form.
  const factor = (ohms: number, volts: number): number => {
    const parallel = 1 / (1 / ohms + 1 / volts);
    return ohms / (ohms + 0.5) / (parallel / (parallel + 10.5));
  };
  const slope = (at: (by: number) => number, by: number): number => (at(by) - at(-by)) / 2 / by;
  const byPart = Math.abs(slope((by) => factor(680 + by, 20_000), 0.01)) * 34;
  const byMeter = Math.abs(slope((by) => factor(680, 20_000 + by), 1)) * 400;
  expect(correction.contributions.map(({ of }) => of)).toEqual(['R1', 'meter']);
  expect(correction.contributions[0]!.contribution).toBeCloseTo(byPart / Math.sqrt(3), 9);
  expect(correction.contributions[1]!.contribution).toBeCloseTo(byMeter / Math.sqrt(3), 9);
  const u = correctedValue(correction, { instrument: { id: 'm' }, range: perfect(1), value: indicated }).uncertainty;
  expect(u).toBeCloseTo((2 * indicated * Math.hypot(byPart, byMeter)) / Math.sqrt(3), 9);
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
        const corrected = point.value.correctionOn({ resistance: quantity === 'dc-voltage' ? rv : ra });
        const size = Math.max(Math.abs(truth), Math.abs(indicated));
        if (corrected) expect(Math.abs(indicated * corrected.factor - truth)).toBeLessThanOrEqual(1e-7 * size);
      }
    }),
  );
});

test('if the other meters leave nothing to read, no range leads back to the true value', () => {
  const point = { ideal: 0, truth: 1, sourceResistance: 100, correctionOn: () => null };
  const options = rangeTable(point, 'dc-voltage', [old]);
  expect(options.map(({ corrected }) => corrected)).toEqual([null, null, null, null]);
  expect(bestRangeOptions(options)).toMatchObject({ corrected: null, uncorrected: { range: { id: '2.5 V' } } });
});
