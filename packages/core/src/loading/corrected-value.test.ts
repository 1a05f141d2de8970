import fc from 'fast-check';
import type { Instrument, Range } from '../instrument/index.ts';
import { nodesOf } from '../network/index.ts';
import { resistance, soundNetwork } from '../test/random-network.ts';
import { read } from '../test/read-line.ts';
import { instrumentOf, solved } from '../test/solved.ts';
import { correctedValue, correctDisplay } from './corrected-value.ts';
import { correctionFromSource } from './loading-ratio.ts';
import { loadingShare, measurementPointOf } from './measurement-point.ts';
import { rangeTable } from './range-table.ts';
import type { Setup } from './setup.ts';
import { solveSetup } from './solve-setup.ts';

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
    {
      of: 'source',
      standard: expect.closeTo((14_860 * 0.03) / Math.sqrt(3), 9),
      contribution: expect.closeTo((0.743 * 0.03) / Math.sqrt(3), 12),
    },
    {
      of: 'meter',
      standard: expect.closeTo((20_000 * 0.01) / Math.sqrt(3), 9),
      contribution: expect.closeTo((0.743 * 0.01) / Math.sqrt(3), 12),
    },
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

test('a true value of 0 that other meters change cannot be corrected back to', () => {
  // A balanced bridge reads 0; an ammeter in one arm unbalances it.
  const network = read('E1 6V: (R1 1k + R2 1k) || (R3 1k + R4 1k)');
  const [mid, other] = nodesOf(network).filter((node) => node !== 'A' && node !== '0') as [string, string];
  const meter = instrumentOf([1e6, 50]);
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
  // 6 V behind 0.5 Ω, 680 Ω; the ammeter of 10 Ω is before the voltmeter's 20 kΩ.
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
      const instrument = instrumentOf([rv, ra]);
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
