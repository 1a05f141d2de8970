import fc from 'fast-check';
import type { Network } from '../network/index.ts';
import { agrees, solveExactly } from '../test/exact-solution.ts';
import { anyNetwork, soundNetwork } from '../test/random-network.ts';
import { circuitOf } from './network-circuit.ts';
import { networkValues, type NetworkValues } from './network-values.ts';
import { solveCircuit } from './solve-circuit.ts';
import { runs } from '../test/runs.ts';

function solve(network: Network): NetworkValues | null {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  return solved.ok ? networkValues(network, named, solved.value) : null;
}

function expectExact(network: Network): void {
  const exact = solveExactly(network);
  const computed = solve(network);
  expect(computed === null).toBe(exact === null);
  if (!computed || !exact) return;
  const values = Object.values(computed.elements);
  const largest = (pick: 'voltage' | 'current'): number => Math.max(...values.map((of) => Math.abs(of[pick] ?? 0)));
  for (const [node, potential] of Object.entries(computed.nodes))
    expect([node, potential, agrees(potential, exact.potential(node), largest('voltage'))]).toEqual([
      node,
      potential,
      true,
    ]);
  for (const element of network.elements) {
    const of = computed.elements[element.id]!;
    const gives = element.kind === 'source' || element.kind === 'current-source';
    const through = of.current === null ? null : gives ? -of.current : of.current;
    expect([element.id, of, agrees(of.voltage, exact.voltage(element.id), largest('voltage'))]).toEqual([
      element.id,
      of,
      true,
    ]);
    expect([element.id, of, agrees(through, exact.current(element.id), largest('current'))]).toEqual([
      element.id,
      of,
      true,
    ]);
  }
}

test('agrees with exact fractions on networks of every kind, nulls and contradictions included', () => {
  fc.assert(fc.property(anyNetwork, expectExact), { numRuns: runs(600) });
});

test('agrees with exact fractions on meshes of real sources from 1 mΩ to 1 GΩ', () => {
  fc.assert(fc.property(soundNetwork, expectExact), { numRuns: runs(200) });
});

test('a bridge off balance by one part in 10¹² keeps nine digits of its offset', () => {
  expectExact({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10, internalResistance: 0.4 },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 350 },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 350 * (1 + 1e-12) },
      { id: 'R3', kind: 'resistor', from: 'A', to: 'C', resistance: 350 },
      { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 350 },
    ],
  });
  const offset = solve({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10 },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 1000 },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 1000.000000001 },
      { id: 'R3', kind: 'resistor', from: 'A', to: 'C', resistance: 1000 },
      { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 1000 },
      { id: 'R5', kind: 'resistor', from: 'B', to: 'C', resistance: 1e9 },
    ],
  })!.elements.R5!.voltage!;
  // 10 V · δ/4 for a small δ, δ being the exact step of that double from 1000.
  const delta = (1000.000000001 - 1000) / 1000;
  expect(offset / ((10 * delta) / 4)).toBeCloseTo(1, 5);
});
