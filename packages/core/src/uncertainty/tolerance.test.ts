import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { solveSetup, solveUnloaded, type Setup } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import { read } from '../test/read-line.ts';
import { contributions } from './contributions.ts';
import { sampleTolerance, type SampleSummary, type Sampling } from './sampling.ts';
import { toleranceModel, type ToleranceOutput, type ToleranceModel } from './tolerance-model.ts';
import { worstCase } from './worst-case.ts';
import { runs } from '../test/runs.ts';

const model = (
  network: Network,
  output: ToleranceOutput,
  setup: Setup | null = null,
  instruments: Instrument[] = [],
) => {
  const made = toleranceModel({ network, instruments, setup, output });
  if (!made) throw new Error('nothing to follow');
  return made;
};

function sampled(of: ToleranceModel, sampling: Partial<Sampling> = {}): SampleSummary {
  const run = sampleTolerance(of, { count: 100_000, seed: 7, spread: 'rectangular', ...sampling });
  for (let step = run.next(); ; step = run.next()) if (step.done) return step.value;
}

const divider = read('E1 10V: R1 1k 5% + R2 1k 5%');

test('a divider is worst with one arm high and the other low', () => {
  const worst = worstCase(model(divider, { element: 'R2', what: 'voltage' }));
  expect(worst.maximum).toBeCloseTo((10 * 1.05) / (1.05 + 0.95), 12);
  expect(worst.minimum).toBeCloseTo((10 * 0.95) / (1.05 + 0.95), 12);
  expect(worst.maximumAt).toEqual([false, true]);
  expect(worst.minimumAt).toEqual([true, false]);
  expect(worst.everyCorner).toBe(true);
});

test('a single resistor across a source spreads its current as 1/R does', () => {
  // I = 10/R, R even between 900 and 1100: mean 10·ln(11/9)/200, second moment 100/(900·1100).
  const found = sampled(model(read('E1 10V: R1 1k 10%'), { element: 'R1', what: 'current' }));
  const mean = (10 * Math.log(11 / 9)) / 200;
  const deviation = Math.sqrt(100 / (900 * 1100) - mean * mean);
  const standardError = deviation / Math.sqrt(100_000);
  expect(Math.abs(found.mean - mean)).toBeLessThan(5 * standardError);
  expect(Math.abs(found.deviation / deviation - 1)).toBeLessThan(0.01);
  expect(found.low).toBeCloseTo(10 / (1100 - 5), 5);
  expect(found.high).toBeCloseTo(10 / (900 + 5), 5);
  expect(found.minimum).toBeGreaterThanOrEqual(10 / 1100);
  expect(found.maximum).toBeLessThanOrEqual(10 / 900);
  expect(found.bins.reduce((a, b) => a + b)).toBe(100_000);
});

test('three standard deviations of a normal spread are the tolerance', () => {
  const found = sampled(model(read('J1 1A: R1 1k 3%'), { element: 'R1', what: 'voltage' }), { spread: 'normal' });
  expect(Math.abs(found.mean - 1000)).toBeLessThan(0.2);
  expect(Math.abs(found.deviation / 10 - 1)).toBeLessThan(0.015);
});

test('a seed draws the same again, another draws otherwise', () => {
  const of = model(divider, { element: 'R2', what: 'voltage' });
  expect(sampled(of, { count: 500 })).toEqual(sampled(of, { count: 500 }));
  expect(sampled(of, { count: 500, seed: 8 }).mean).not.toBe(sampled(of, { count: 500 }).mean);
});

test('it can be left off between batches', () => {
  const run = sampleTolerance(model(divider, { node: 'A' }), { count: 10_000, seed: 1, spread: 'rectangular' });
  expect(run.next()).toEqual({ done: false, value: 2000 });
  expect(run.next()).toEqual({ done: false, value: 4000 });
});

test('the part that contributes most comes first', () => {
  const [first, second] = contributions(
    model(read('E1 10V: R1 1k 10% + R2 1k 1%'), { element: 'R2', what: 'voltage' }),
  );
  expect([first!.id, second!.id]).toEqual(['R1', 'R2']);
  expect(first!.swing).toBeCloseTo(10 / 2.1 - 10 / 1.9, 12);
  expect(first!.share + second!.share).toBeCloseTo(1, 12);
});

test('a part that works by its measured value is known', () => {
  const network: Network = {
    values: 'measured',
    elements: divider.elements.map((e) => (e.id === 'R1' ? { ...e, measuredResistance: 1010 } : e)),
  };
  expect(model(network, { element: 'R2', what: 'voltage' }).parts.map(({ id }) => id)).toEqual(['R2']);
});

const meter: Instrument = {
  id: 'm',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: 'r', fullScale: 10, resistance: 20_000 }] },
    { quantity: 'dc-current', ranges: [{ id: 'r', fullScale: 1, resistance: 50 }] },
  ],
};
const both: Setup = {
  id: 'S',
  meters: [
    { id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: 'r', red: 'B', black: '0' },
    { id: 'A1', instrument: 'm', quantity: 'dc-current', range: 'r', node: 'A', ends: ['R1.from'], reversed: true },
  ],
};

/** Three to nine resistors with tolerances, on a source, some across others. */
const toleranced = fc
  .array(fc.tuple(fc.double({ min: 10, max: 1e5, noNaN: true }), fc.constantFrom(0.01, 0.05, 0.2)), {
    minLength: 3,
    maxLength: 9,
  })
  .map((list): Network => ({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 2 },
      ...list.map(([resistance, tolerance], k) => ({
        id: `R${k + 1}`,
        kind: 'resistor' as const,
        from: 'ABCAB'[k % 5]!,
        to: 'BC000'[k % 5]!,
        resistance,
        tolerance,
      })),
    ],
  }));

test('the worst cases of indications are those of every corner solved with the meters in', () => {
  fc.assert(
    fc.property(toleranced, fc.constantFrom('V1', 'A1'), (network, id) => {
      const worst = worstCase(model(network, { meter: id }, both, [meter]));
      let [minimum, maximum] = [Infinity, -Infinity];
      const resistors = network.elements.filter((e) => e.kind === 'resistor');
      for (let corner = 0; corner < 1 << resistors.length; corner += 1) {
        const at: Network = {
          elements: network.elements.map((e) => {
            const bit = resistors.indexOf(e as (typeof resistors)[number]);
            if (e.kind !== 'resistor') return e;
            return { ...e, resistance: e.resistance * (1 + ((corner >> bit) & 1 ? 1 : -1) * e.tolerance!) };
          }),
        };
        const unloaded = solveUnloaded(at);
        const solved = unloaded.ok && solveSetup(unloaded.value, [meter], both);
        if (!solved || !solved.ok) throw new Error('unsolved');
        const { indicated } = solved.value.meters[id]!;
        minimum = Math.min(minimum, indicated!);
        maximum = Math.max(maximum, indicated!);
      }
      expect(Math.abs(worst.minimum - minimum)).toBeLessThan(1e-9 * Math.abs(minimum));
      expect(Math.abs(worst.maximum - maximum)).toBeLessThan(1e-9 * Math.abs(maximum));
    }),
    { numRuns: runs(25) },
  );
});

test('beyond sixteen parts the search is as good as the known worst corner of a ladder, and says that it searched', () => {
  const rungs = 10;
  const network = read(
    `E1 10V: ${Array.from({ length: rungs }, () => '1k 5% + (2k 5% || ').join('')}1k 5%${')'.repeat(rungs)}`,
  );
  const last = network.elements.at(-1)!;
  const worst = worstCase(model(network, { element: last.id, what: 'voltage' }));
  expect(worst.everyCorner).toBe(false);
  // Series arms low, shunt arms high let the most through to the end.
  const at: Network = {
    elements: network.elements.map((e, k) =>
      e.kind === 'resistor' ? { ...e, resistance: e.resistance * (k % 2 === 1 && e !== last ? 0.95 : 1.05) } : e,
    ),
  };
  const solved = solveUnloaded(at);
  if (!solved.ok) throw new Error('unsolved');
  expect(worst.maximum).toBeCloseTo(solved.value.values.elements[last.id]!.voltage!, 12);
});

test('a result that nothing determines has no tolerance', () => {
  const network = read('E1 10V: R1 1k 5%');
  const apart = { elements: [...network.elements, { ...network.elements[1]!, id: 'R9', from: 'X', to: 'Y' }] };
  expect(toleranceModel({ network: apart, instruments: [], setup: null, output: { node: 'X' } })).toBeNull();
  expect(toleranceModel({ network, instruments: [], setup: null, output: { meter: 'V1' } })).toBeNull();
});
