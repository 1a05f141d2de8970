import fc from 'fast-check';
import { anyNetwork, resistance } from '../test/random-network.ts';
import { toNumber } from './linear/double-double.ts';
import { circuitOf } from './network-circuit.ts';
import { quickCircuit } from './quick-circuit.ts';
import { solveCircuit } from './solve-circuit.ts';
import { exercised, runs } from '../test/runs.ts';

test('solved again with other resistances it gives what solving afresh gives, in networks of every kind', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyNetwork, fc.array(resistance, { minLength: 12, maxLength: 12 }), (network, others) => {
      const { circuit, nodeNames } = circuitOf(network);
      const varied = network.elements.flatMap(({ kind }, index) => (kind === 'resistor' ? [index] : []));
      const quick = quickCircuit(circuit, varied);
      const changed = {
        elements: network.elements.map((e, index) =>
          e.kind === 'resistor' ? { ...e, resistance: others[varied.indexOf(index)]! } : e,
        ),
      };
      const solved = solveCircuit(circuitOf(changed).circuit);
      if (!solved.ok) return;
      quick!.solve(others);
      const { voltage, currents } = solved.value;
      const nodes = [...nodeNames.keys()];
      const volts = nodes.map((node) => voltage(node, 0));
      // Where sources cancel, what is left of them in doubles is some 1e-18: nothing, beside volts and milliamperes.
      const largest = Math.max(...volts.map((v) => Math.abs(v?.hi ?? 0)), 1e-6);
      const most = Math.max(...currents.map((i) => Math.abs(i?.hi ?? 0)), 1e-6);
      for (const node of nodes) {
        const wanted = volts[node];
        const found = quick!.voltage(node, 0);
        if (wanted == null) expect(found).toBeNaN();
        else expect(Math.abs(found - toNumber(wanted))).toBeLessThanOrEqual(1e-9 * largest);
      }
      // A difference of potentials over a small resistance, a source's own included, loses digits in doubles: against the
      // largest it is right.
      const resistances = circuitOf(changed).circuit.branches.map(({ resistance }) => toNumber(resistance));
      const sharpest = Math.min(...resistances.filter((ohms) => ohms > 0), 1e9);
      currents.forEach((wanted, branch) => {
        const found = quick!.current(branch);
        if (wanted === null) expect(found).toBeNaN();
        else expect(Math.abs(found - toNumber(wanted))).toBeLessThanOrEqual(1e-7 * most + (1e-12 * largest) / sharpest);
      });
      compared += 1;
    }),
    { numRuns: runs(400) },
  );
  expect(compared).toBeGreaterThan(exercised(100));
});

test('the current of an ideal source, and of a link between two branches, follow from what they feed', () => {
  const { circuit } = circuitOf({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12 },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 100 },
      { id: 'W1', kind: 'link', from: 'A', to: 'B' },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 100 },
    ],
  });
  const quick = quickCircuit(circuit, [1, 3])!;
  quick.solve([24, 6]);
  expect(quick.current(2)).toBeCloseTo(2, 12);
  expect(quick.current(0)).toBeCloseTo(-2.5, 12);
});
