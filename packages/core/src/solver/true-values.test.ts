import fc from 'fast-check';
import { type Network } from '../network/index.ts';
import { anyNetwork, soundNetwork } from '../test/random-network.ts';
import { solveLimited } from './limited-supply.ts';
import { circuitOf } from './network-circuit.ts';
import { networkValues, type NetworkValues } from './network-values.ts';
import { solveCircuit } from './solve-circuit.ts';
import { sourceViews } from './source-view.ts';
import { loopSums, nodeSums } from './sums.ts';
import { sweep, sweepValues, withParameter, watchedValue } from './sweep.ts';
import { read } from '../test/read-line.ts';
import { runs } from '../test/runs.ts';

function solve(network: Network): NetworkValues | null {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  return solved.ok ? networkValues(network, named, solved.value) : null;
}
const divider = read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');

test('currents at every node and voltages round every loop add up to nothing', () => {
  fc.assert(
    fc.property(anyNetwork, (network) => {
      const values = solve(network);
      if (!values) return;
      const largest = Math.max(0, ...Object.values(values.elements).map((of) => Math.abs(of.current ?? 0)));
      for (const { left } of nodeSums(network, values))
        if (left !== null) expect(Math.abs(left)).toBeLessThanOrEqual(1e-12 * largest);
      for (const { left, nodes, drops } of loopSums(network, values)) {
        expect(nodes).toHaveLength(drops.length + 1);
        expect(nodes[0]).toBe(nodes.at(-1));
        const size = Math.max(...drops.map((drop) => Math.abs(drop.voltage)));
        if (left !== null) expect(Math.abs(left)).toBeLessThanOrEqual(1e-9 * size + 1e-300);
      }
    }),
    { numRuns: runs(300) },
  );
});

test('as many loops as are independent: parts − nodes + pieces', () => {
  fc.assert(
    fc.property(soundNetwork, (network) => {
      const real = network.elements.filter(({ from, to }) => from !== to);
      const nodes = new Set(network.elements.flatMap(({ from, to }) => [from, to])).size;
      expect(loopSums(network, solve(network)!)).toHaveLength(real.length - nodes + 1);
    }),
  );
});

test('a node says what runs in and what runs out', () => {
  const sum = nodeSums(divider, solve(divider)!).find(({ node }) => node === 'B')!;
  expect(sum.into.map((flow) => flow.element)).toEqual(['R1']);
  expect(sum.out.map((flow) => flow.element)).toEqual(['R2', 'R3']);
  expect(sum.closes).toBe(true);
});

test('a source sees the rest of the network, open-circuit and loaded', () => {
  const views = sourceViews(read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k) || J1 1mA'));
  expect(views.ok && views.value.map(({ id }) => id)).toEqual(['E1', 'J1']);
  const [supply, current] = views.ok ? views.value : [];
  const network = 56_000 + (39_000 * 42_000) / 81_000;
  expect(supply!.equivalent).toBeCloseTo(network, 6);
  expect(supply!.openCircuit).toBe(24);
  expect(supply!.loaded! - (24 - 1.8 * supply!.current!)).toBeCloseTo(0, 12);
  expect(current!.equivalent).toBeCloseTo((1.8 * network) / (1.8 + network), 9);
  expect(current!.openCircuit).toBeNull();
});

test('a supply at its current limit becomes a current source', () => {
  const limited = solveLimited(read('E1 12V/0R5 <0.1A: R1 10'));
  expect(limited!.limited).toEqual([{ id: 'E1', holds: 'current', at: 0.1 }]);
  expect(limited!.values.elements.R1).toMatchObject({ voltage: 1, current: 0.1 });
  expect(solveLimited(read('E1 12V/0R5 <2A: R1 10'))).toBeNull();
});

test('a current source out of compliance holds its voltage', () => {
  const limited = solveLimited(read('J1 20mA <22V: R1 250 + R2 1419'));
  expect(limited!.limited).toEqual([{ id: 'J1', holds: 'voltage', at: 22 }]);
  expect(limited!.values.elements.R1!.current).toBeCloseTo(22 / 1669, 12);
});

test('two supplies in parallel: the one in its limit leaves the rest to the other', () => {
  const limited = solveLimited(read('E1 12V/0R1 <1A: R1 2 || E2 11V/0R1'))!;
  expect(limited.limited).toEqual([{ id: 'E1', holds: 'current', at: 1 }]);
  const across = limited.values.elements.R1!.voltage!;
  expect(across / 2).toBeCloseTo(1 + (11 - across) / 0.1, 9);
});

test('a sweep follows a result over a quantity', () => {
  const values = sweepValues(0, 20, 5);
  expect(values).toEqual([0, 5, 10, 15, 20]);
  expect(sweepValues(100, 10_000, 3, 'ratio')).toEqual([100, 1000, 10_000].map((v) => expect.closeTo(v, 9) as number));
  const swept = sweep(divider, { element: 'E1', key: 'emf' }, values);
  const across = swept.map((at) => watchedValue(at, { element: 'R2', what: 'voltage' })!);
  expect(across[0]).toBe(0);
  expect(across[4]! / across[1]!).toBeCloseTo(4, 12);
  expect(watchedValue(swept[4]!, { node: 'B' })).toBeCloseTo(across[4]!, 12);
  expect(watchedValue(null, { node: 'B' })).toBeNull();
  expect(withParameter(divider, { element: 'R9', key: 'resistance' }, 5)).toBe(divider);
});
