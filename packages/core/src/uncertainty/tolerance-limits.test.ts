import fc from 'fast-check';
import { anyNetwork } from '../test/random-network.ts';
import { circuitOf, quickCircuit, solveCircuit } from '../solver/index.ts';
import { toleranceLimits, toleranceResponse, type CircuitOutput } from './tolerance-limits.ts';
import { exercised, runs } from '../test/runs.ts';

const tolerances = fc.array(fc.double({ min: 0.001, max: 0.2, noNaN: true }), { minLength: 12, maxLength: 12 });

test('every corner is what solving afresh at that corner gives, for voltages and currents', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyNetwork, tolerances, fc.nat(), (network, shares, pick) => {
      const { circuit } = circuitOf(network);
      const whole = solveCircuit(circuit);
      if (!whole.ok) return;
      const toleranced = network.elements
        .flatMap((part, branch) => (part.kind === 'resistor' ? [{ branch, resistance: part.resistance }] : []))
        .slice(0, 5)
        .map(({ branch, resistance }, k) => ({ branch, resistance, span: resistance * shares[k]! }));
      const output: CircuitOutput =
        pick % 2 ? { from: pick % circuit.nodes, to: circuit.reference } : { branch: pick % circuit.branches.length };
      const response = toleranceResponse(circuit, toleranced, output);
      const quick = quickCircuit(
        circuit,
        toleranced.map(({ branch }) => branch),
      );
      if (!response || !quick || toleranced.length === 0) return;
      const at = (resistances: number[]): number => {
        quick.solve(resistances);
        return output.branch === undefined ? quick.voltage(output.from, output.to) : quick.current(output.branch);
      };
      const nominal = at(toleranced.map(({ resistance }) => resistance));
      const corners = response.atCorners();
      expect(corners.length).toBe(1 << toleranced.length);
      const afresh = [...corners.keys()].map((corner) =>
        at(toleranced.map(({ resistance, span }, k) => resistance + ((corner >> k) & 1 ? span : -span))),
      );
      // What is lost in plain doubles is lost against the largest voltage of the circuit, over the smallest resistance.
      const nodes = Array.from({ length: circuit.nodes }, (_, node) => whole.value.potential(node)?.hi ?? 0);
      const volts = Math.max(
        ...nodes.map(Math.abs),
        ...network.elements.map((e) => (e.kind === 'source' ? Math.abs(e.emf) : 0)),
        1e-3,
      );
      const largestOhms = Math.max(...toleranced.map(({ resistance }) => resistance));
      const driven = Math.max(
        0,
        ...network.elements.map((e) => (e.kind === 'current-source' ? Math.abs(e.current) : 0)),
      );
      const spread = volts + driven * largestOhms;
      const smallest = Math.min(
        ...circuit.branches.flatMap(({ kind, resistance }) => (kind === 'resistance' ? [resistance.hi] : [])),
      );
      const size = Math.max(...afresh.map(Math.abs), Math.abs(nominal), 1e-30);
      const noise = output.branch === undefined ? spread : spread / smallest;
      afresh.forEach((wanted, corner) =>
        expect(Math.abs(nominal + corners[corner]! - wanted)).toBeLessThanOrEqual(1e-8 * size + 1e-10 * noise),
      );
      const { low, high } = toleranceLimits(nominal, [response]);
      expect(low).toBeLessThanOrEqual(Math.min(...afresh) + 1e-8 * size + 1e-10 * noise);
      expect(high).toBeGreaterThanOrEqual(Math.max(...afresh) - 1e-8 * size - 1e-10 * noise);
      compared += 1;
    }),
    { numRuns: runs(300) },
  );
  expect(compared).toBeGreaterThan(exercised(100));
});

/** A ladder of as many toleranced resistors as wanted, 1 % each, and what its far end gives. */
function ladder(rungs: number) {
  const elements = Array.from({ length: rungs }, (_, k) => [
    { id: `S${k}`, kind: 'resistor' as const, from: `N${k}`, to: `N${k + 1}`, resistance: 100 + 7 * k },
    { id: `P${k}`, kind: 'resistor' as const, from: `N${k + 1}`, to: '0', resistance: 900 + 31 * k },
  ]).flat();
  const { circuit, nodeNumber } = circuitOf({
    elements: [{ id: 'E1', kind: 'source', from: 'N0', to: '0', emf: 10 }, ...elements],
  });
  const toleranced = elements.map(({ resistance }, k) => ({ branch: k + 1, span: resistance * 0.01 }));
  return { circuit, toleranced, output: { from: nodeNumber.get(`N${rungs}`)!, to: nodeNumber.get('0')! } };
}

test('beyond sixteen parts the first-order changes are added up: each slope is the difference quotient', () => {
  const { circuit, toleranced, output } = ladder(10);
  expect(toleranced).toHaveLength(20);
  const outputs: readonly CircuitOutput[] = [output, { branch: 20 }, { branch: 0 }];
  for (const looked of outputs) {
    const response = toleranceResponse(circuit, toleranced, looked)!;
    const quick = quickCircuit(
      circuit,
      toleranced.map(({ branch }) => branch),
    )!;
    const at = (part: number, change: number): number => {
      quick.solve(
        toleranced.map(
          ({ branch, span }, k) => circuit.branches[branch]!.resistance.hi + (k === part ? change * span : 0),
        ),
      );
      return looked.branch === undefined ? quick.voltage(looked.from, looked.to) : quick.current(looked.branch);
    };
    const nominal = at(-1, 0);
    const quotients = toleranced.map((_, k) => (at(k, 1e-3) - at(k, -1e-3)) / 2e-3);
    quotients.forEach((wanted, k) => expect(response.slopes[k]! / nominal).toBeCloseTo(wanted / nominal, 8));
    const span = quotients.reduce((sum, slope) => sum + Math.abs(slope), 0);
    const { low, high } = toleranceLimits(nominal, [response]);
    expect((high - low) / 2 / span).toBeCloseTo(1, 6);
    expect((high + low) / 2).toBeCloseTo(nominal, 14);
  }
});

test('a sum of outputs stands at one corner for all its terms', () => {
  const { circuit, toleranced, output } = ladder(3);
  const end = toleranceResponse(circuit, toleranced, output)!;
  expect(toleranceLimits(0, [end, end], [1, -1])).toEqual({ low: 0, high: 0 });
  const twice = toleranceLimits(2, [end, end], [1, 1]);
  const once = toleranceLimits(1, [end]);
  expect(twice.high).toBeCloseTo(2 * once.high, 12);
  expect(toleranceLimits(5, [])).toEqual({ low: 5, high: 5 });
});
