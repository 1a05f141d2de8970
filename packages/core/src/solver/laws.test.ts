import fc from 'fast-check';
import type { Element, Network } from '../network/index.ts';
import { nodesOf } from '../network/index.ts';
import { soundNetwork } from '../test/random-network.ts';
import { circuitOf } from './network-circuit.ts';
import { networkValues, type NetworkValues } from './network-values.ts';
import { solveCircuit } from './solve-circuit.ts';
import { portResistance } from './linear/solve-linear.ts';

function solve(network: Network): NetworkValues {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  if (!solved.ok) throw new Error(solved.fault.code);
  return networkValues(network, named, solved.value);
}

const gives = (element: Element): boolean => element.kind === 'source' || element.kind === 'current-source';

test('ΣI = 0 at every node', () => {
  fc.assert(
    fc.property(soundNetwork, (network) => {
      const { elements } = solve(network);
      for (const node of nodesOf(network)) {
        let sum = 0;
        let size = 0;
        for (const element of network.elements) {
          const leaving = elements[element.id]!.current! * (gives(element) ? -1 : 1);
          if (element.from === element.to) continue;
          if (element.from === node) sum += leaving;
          if (element.to === node) sum -= leaving;
          if (element.from === node || element.to === node) size += Math.abs(leaving);
        }
        expect(Math.abs(sum)).toBeLessThanOrEqual(1e-13 * size);
      }
    }),
  );
});

test('ΣV = 0 round every loop: each voltage is a difference of two potentials', () => {
  fc.assert(
    fc.property(soundNetwork, (network) => {
      const { nodes, elements } = solve(network);
      const size = Math.max(...Object.values(nodes).map((v) => Math.abs(v!)));
      for (const { id, from, to } of network.elements)
        expect(Math.abs(elements[id]!.voltage! - (nodes[from]! - nodes[to]!))).toBeLessThanOrEqual(1e-13 * size);
    }),
  );
});

test('ΣP: what the sources give is what the parts take', () => {
  fc.assert(
    fc.property(soundNetwork, (network) => {
      const { elements } = solve(network);
      let sum = 0;
      let size = 0;
      for (const element of network.elements) {
        const power = elements[element.id]!.power!;
        sum += gives(element) ? -power : power;
        size += Math.abs(power);
      }
      expect(Math.abs(sum)).toBeLessThanOrEqual(1e-12 * size);
    }),
  );
});

test('superposition: all sources together are the sum of each alone', () => {
  fc.assert(
    fc.property(soundNetwork, (network) => {
      const whole = solve(network);
      const alone = network.elements
        .filter((e) => e.kind === 'source')
        .map((source) =>
          solve({
            reference: nodesOf(network)[0]!,
            elements: network.elements.map((e) => (e.kind === 'source' && e.id !== source.id ? { ...e, emf: 0 } : e)),
          }),
        );
      for (const { id } of network.elements) {
        const parts = alone.map((values) => values.elements[id]!.current!);
        const sum = parts.reduce((a, b) => a + b, 0);
        const size = parts.reduce((a, b) => a + Math.abs(b), 0);
        expect(Math.abs(sum - (alone.length ? whole.elements[id]!.current! : 0))).toBeLessThanOrEqual(1e-12 * size);
      }
    }),
  );
});

test('reciprocity: what a current at one pair of nodes does at another, it does the other way about', () => {
  fc.assert(
    fc.property(soundNetwork, (network) => {
      const passive = network.elements.map((e) => (e.kind === 'source' ? { ...e, emf: 0 } : e));
      const nodes = nodesOf(network);
      if (nodes.length < 3) return;
      const [a, b, c, d] = [nodes[0]!, nodes[1]!, nodes[nodes.length - 1]!, nodes[nodes.length - 2]!];
      const drive = (from: string, to: string, atFrom: string, atTo: string): number => {
        const source: Element = { id: 'drive', kind: 'current-source', from, to, current: 1 };
        const { nodes: v } = solve({ elements: [source, ...passive] });
        return v[atFrom]! - v[atTo]!;
      };
      const [one, other] = [drive(a, b, c, d), drive(c, d, a, b)];
      const size = Math.abs(drive(a, b, a, b)) + Math.abs(drive(c, d, c, d));
      expect(Math.abs(one - other)).toBeLessThanOrEqual(1e-13 * size);
    }),
  );
});

const ladder = (sections: number): Network => ({
  elements: [
    { id: 'E', kind: 'source', from: 'N0', to: '0', emf: 1 },
    ...Array.from({ length: sections }, (_, i): Element[] => [
      { id: `S${i}`, kind: 'resistor', from: `N${i}`, to: `N${i + 1}`, resistance: 1 },
      { id: `P${i}`, kind: 'resistor', from: `N${i + 1}`, to: '0', resistance: 1 },
    ]).flat(),
  ],
});

test('a ladder of equal resistors draws a current of two neighbouring Fibonacci numbers', () => {
  // n sections of 1 Ω look like F(2n+1)/F(2n) Ω; for 10 sections 10946/6765.
  expect(solve(ladder(10)).elements.E!.current).toBeCloseTo(6765 / 10946, 15);
  // The far end of a long one: every section divides by φ², to the last of 40.
  const far = solve(ladder(40)).nodes;
  const golden = (1 + Math.sqrt(5)) / 2;
  expect(far.N20! / far.N19!).toBeCloseTo(1 / golden ** 2, 12);
});

test('a cube of 1 Ω edges looks like 5/6 Ω across its diagonal', () => {
  const corners = [0, 1, 2, 3, 4, 5, 6, 7];
  const edges = corners.flatMap((a) => [1, 2, 4].filter((bit) => (a & bit) === 0).map((bit) => [a, a | bit] as const));
  const named = circuitOf(
    {
      elements: edges.map(([a, b], i): Element => ({
        id: `R${i}`,
        kind: 'resistor',
        from: `C${a}`,
        to: `C${b}`,
        resistance: 1,
      })),
    },
    [{ id: 'meter', resistance: 1e6, from: 'C0', to: 'C7' }],
  );
  const solved = solveCircuit(named.circuit, 12);
  expect(solved.ok && portResistance(solved.value.port!)).toBeCloseTo(5 / 6, 15);
});

test('a grid of a thousand nodes is solved, and its sums close', () => {
  const side = 32;
  const name = (x: number, y: number): string => `n${x}_${y}`;
  const elements: Element[] = [
    { id: 'E', kind: 'source', from: name(0, 0), to: name(side - 1, side - 1), emf: 10, internalResistance: 1 },
  ];
  for (let x = 0; x < side; x += 1)
    for (let y = 0; y < side; y += 1) {
      if (x + 1 < side)
        elements.push({ id: `h${x}_${y}`, kind: 'resistor', from: name(x, y), to: name(x + 1, y), resistance: 100 });
      if (y + 1 < side)
        elements.push({ id: `v${x}_${y}`, kind: 'resistor', from: name(x, y), to: name(x, y + 1), resistance: 100 });
    }
  const values = solve({ elements });
  // By symmetry the other two corners are half-way.
  const half = values.nodes[name(0, 0)]! / 2;
  expect(values.nodes[name(0, side - 1)]! / half).toBeCloseTo(1, 13);
  expect(values.nodes[name(side - 1, 0)]! / half).toBeCloseTo(1, 13);
});
