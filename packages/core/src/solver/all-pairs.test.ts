import fc from 'fast-check';
import type { Network } from '../network/index.ts';
import { anyNetwork } from '../test/random-network.ts';
import { resistanceBetween } from './all-pairs.ts';
import { toNumber, type DoubleDouble } from './linear/double-double.ts';
import { attach, circuitOf } from './network-circuit.ts';
import { solveCircuit } from './solve-circuit.ts';
import { portResistance } from './linear/solve-linear.ts';
import { runs } from '../test/runs.ts';

const ohms = (found: DoubleDouble | null): number | null => found && toNumber(found);

test('between any two nodes it is what looking in there one by one gives, from milliohms to gigohms', () => {
  fc.assert(
    fc.property(anyNetwork, (network) => {
      // Current sources at rest are open: taken out, so that looking in has nothing to route.
      const passive: Network = {
        elements: network.elements.map((e) =>
          e.kind === 'current-source' ? { id: e.id, kind: 'switch', from: e.from, to: e.to, closed: false } : e,
        ),
      };
      const named = circuitOf(passive);
      const between = resistanceBetween(named.circuit);
      if (!between) return;
      const nodes = named.nodeNames;
      for (let a = 0; a < nodes.length; a += 1)
        for (let b = a + 1; b < nodes.length; b += 1) {
          const probed = attach(named, [{ id: 'probe', resistance: 1, from: nodes[a]!, to: nodes[b]! }]);
          const looked = solveCircuit(probed.circuit, passive.elements.length);
          if (!looked.ok) throw new Error(looked.fault.code);
          const wanted = portResistance(looked.value.port!);
          const found = ohms(between(a, b));
          if (wanted === null) expect(found).toBeNull();
          else expect(Math.abs(found! - wanted)).toBeLessThanOrEqual(1e-12 * wanted);
        }
    }),
    { numRuns: runs(400) },
  );
});

test('a long ladder of equal rungs looks like the golden ratio', () => {
  const elements: Network['elements'][number][] = [];
  for (let k = 0; k < 60; k += 1)
    elements.push(
      { id: `S${k}`, kind: 'resistor', from: `N${k}`, to: `N${k + 1}`, resistance: 1 },
      { id: `P${k}`, kind: 'resistor', from: `N${k + 1}`, to: '0', resistance: 1 },
    );
  const named = circuitOf({ elements });
  const between = resistanceBetween(named.circuit)!;
  expect(ohms(between(named.nodeNumber.get('N0')!, named.nodeNumber.get('0')!))).toBeCloseTo(
    (1 + Math.sqrt(5)) / 2,
    12,
  );
});

test('across the edges of a cube: 7/12, 3/4 and 5/6 of an edge', () => {
  const corner = (k: number): string => `C${k}`;
  const elements = [0, 1, 2, 3, 4, 5, 6, 7].flatMap((k) =>
    [1, 2, 4]
      .filter((bit) => (k & bit) === 0)
      .map((bit) => ({
        id: `R${k}_${bit}`,
        kind: 'resistor' as const,
        from: corner(k),
        to: corner(k | bit),
        resistance: 1,
      })),
  );
  const named = circuitOf({ elements });
  const between = resistanceBetween(named.circuit)!;
  const at = (k: number): number => named.nodeNumber.get(corner(k))!;
  expect(ohms(between(at(0), at(1)))).toBeCloseTo(7 / 12, 13);
  expect(ohms(between(at(0), at(3)))).toBeCloseTo(3 / 4, 13);
  expect(ohms(between(at(0), at(7)))).toBeCloseTo(5 / 6, 13);
});
