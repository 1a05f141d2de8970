import { rangesOf, type Instrument, type MeterQuantity } from '../instrument/index.ts';
import { parseLine } from '../network/index.ts';
import { solveSetup } from './solve-setup.ts';
import { solveUnloaded, type Unloaded } from './unloaded.ts';
import { indicatedSums } from './indicated-sums.ts';

function solved(line: string): Unloaded {
  const network = parseLine(line);
  if (!network.ok) throw new Error(network.fault.message);
  const unloaded = solveUnloaded(network.value);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  return unloaded.value;
}
const meter: Instrument = {
  id: 'm',
  display: 'analogue',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [{ id: 'v', fullScale: 50, resistance: 20_000, accuracyOfRange: 0.03, divisions: 50 }],
    },
    {
      quantity: 'dc-current',
      ranges: [{ id: 'a', fullScale: 1, resistance: 0.5, accuracyOfRange: 0.02, divisions: 50 }],
    },
  ],
};
const range = (quantity: MeterQuantity) => rangesOf(meter, quantity)[0]!;

test('branch currents read one at a time do not add up to the trunk, by what the meter takes in each', () => {
  const panel = solved('E1 2.1V/8m 6s: R1 0R22 @C (L1 12V 0.3A || L2 12V 120mA)');
  const [sum] = indicatedSums(panel, meter, range('dc-current'), 'dc-current').filter(({ node }) => node === 'C');
  const one = (node: string, end: string, reversed = false): number => {
    const setup = solveSetup(panel, [meter], {
      id: 'S',
      meters: [{ id: 'A', instrument: 'm', quantity: 'dc-current', range: 'a', node, ends: [end], reversed }],
    });
    if (!setup.ok) throw new Error(setup.fault.code);
    return setup.value.meters.A!.indicated!;
  };
  const trunk = one('C', 'R1.to', true);
  const branches = one('C', 'L1.from') + one('C', 'L2.from');
  expect(trunk).toBeLessThan(branches);
  expect(sum!.gap).toBeCloseTo(trunk - branches, 12);
  expect(sum!.terms.map(({ element }) => element)).toEqual(['R1', 'L1', 'L2']);
  expect(sum!.terms.reduce((total, { truth }) => total + truth, 0)).toBeCloseTo(0, 14);
  // Three readings, each to 2 % of 1 A and half of a fifth of a division.
  expect(sum!.accuracy).toBeCloseTo(3 * 0.02, 12);
  expect(sum!.resolution).toBeCloseTo(3 * 0.002, 12);
  expect(sum!.tolerance).toBe(0);
});

test('voltages read one at a time do not add up to the supply', () => {
  const divider = solved('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');
  const sums = indicatedSums(divider, meter, range('dc-voltage'), 'dc-voltage');
  expect(sums).toHaveLength(2);
  for (const { node, terms, gap } of sums) {
    expect(node).toBeNull();
    expect(gap!).toBeCloseTo(
      terms.reduce((total, { indicated }) => total + indicated, 0),
      9,
    );
    expect(Math.abs(gap!)).toBeGreaterThan(0.01);
  }
});

test('a meter that takes nothing leaves nothing', () => {
  const panel = solved('E1 12V/1: R1 10 @C (R2 20 || R3 30)');
  for (const sum of indicatedSums(panel, meter, { ...range('dc-current'), resistance: 0 }, 'dc-current'))
    expect(sum.gap).toBeCloseTo(0, 15);
});

test('tolerance moves the gap by what the meter takes more or less, part by part', () => {
  // The divider's three readings leave a gap of −V·R1∥R2/(R_m + R1∥R2) for each of its two arms; the ideal source's is right.
  const gap = (r1: number, r2: number): number => {
    const beside = (r1 * r2) / (r1 + r2);
    return (24 * beside) / (20_000 + beside);
  };
  const [sum] = indicatedSums(solved('E1 24V: R1 10k 5% + R2 15k 10%'), meter, range('dc-voltage'), 'dc-voltage');
  expect(Math.abs(sum!.gap!)).toBeCloseTo(gap(10_000, 15_000), 10);
  const one = (gap(10_500, 15_000) - gap(9500, 15_000)) / 2;
  const two = (gap(10_000, 16_500) - gap(10_000, 13_500)) / 2;
  expect(sum!.tolerance).toBeCloseTo(one + two, 10);
});

test('two parts in parallel make loops of the same nodes, told apart by their parts', () => {
  const network = solved('E1 24V: R1 10k + (R2 10k 10% || R3 10k)');
  const sums = indicatedSums(network, meter, range('dc-voltage'), 'dc-voltage');
  expect(sums.map(({ terms }) => terms.map(({ element }) => element).sort())).toEqual([
    ['E1', 'R1', 'R2'],
    ['E1', 'R1', 'R3'],
  ]);
  // Both contain the same voltages, so the tolerance of R2 opens both gaps alike.
  expect(sums[0]!.tolerance).toBeGreaterThan(0.001);
  expect(sums[1]!.tolerance).toBeCloseTo(sums[0]!.tolerance, 12);
});

test('a term that the range cannot read is named, and leaves no sum', () => {
  // 24 V on a range that ends at 10 V.
  const low = { ...range('dc-voltage'), fullScale: 10 };
  const [sum] = indicatedSums(solved('E1 24V: R1 10k + R2 15k'), meter, low, 'dc-voltage');
  expect(sum).toMatchObject({ gap: null, relativeGap: null });
  expect(sum!.terms.find(({ element }) => element === 'E1')!.state).toBe('over-range');
});
