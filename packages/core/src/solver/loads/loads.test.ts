import fc from 'fast-check';
import type { Load, Network } from '../../network/index.ts';
import { loadedNetwork } from '../../test/random-network.ts';
import { read } from '../../test/read-line.ts';
import { toNumber } from '../linear/double-double.ts';
import type { LoadLaw } from '../circuit.ts';
import { currentAt, slopeAt, voltageAt } from './load-law.ts';
import { circuitOf } from '../network-circuit.ts';
import { networkValues } from '../network-values.ts';
import { quickCircuit } from '../quick-circuit.ts';
import { solveCircuit } from '../solve-circuit.ts';
import { portResistance } from '../linear/solve-linear.ts';
import { sweep } from '../sweep.ts';
import { exercised, runs } from '../../test/runs.ts';

function valuesOf(network: Network) {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  if (!solved.ok) throw new Error(solved.fault.code);
  return networkValues(network, named, solved.value);
}

/** The law of the format, written independently. */
function lawOf({ ratedVoltage, ratedCurrent, exponent = 1, polarised = false }: Load, voltage: number): number {
  if (polarised && voltage < 0) return 0;
  return ratedCurrent * Math.sign(voltage) * Math.abs(voltage / ratedVoltage) ** exponent;
}

test('in any network each load keeps its law, and every node its sum: there is one such solution only', () => {
  let [curved, blocked] = [0, 0];
  fc.assert(
    fc.property(loadedNetwork, (network) => {
      const { elements } = valuesOf(network);
      const most = Math.max(1e-12, ...Object.values(elements).map(({ current }) => Math.abs(current!)));
      const nodes = new Map<string, number>();
      for (const part of network.elements) {
        const { voltage, current } = elements[part.id]!;
        const out = part.kind === 'source' ? -current! : current!;
        nodes.set(part.from, (nodes.get(part.from) ?? 0) + out);
        nodes.set(part.to, (nodes.get(part.to) ?? 0) - out);
        if (part.kind !== 'load' || part.from === part.to) continue;
        // Where the law is steep without end, a voltage of nothing is as good as its current: then the other way about.
        const offCurrent = Math.abs(lawOf(part, voltage!) - current!) / most;
        const { exponent = 1, ratedVoltage, ratedCurrent } = part;
        const law = ratedVoltage * Math.sign(current!) * Math.abs(current! / ratedCurrent) ** (1 / exponent);
        const offVoltage = current === 0 ? Infinity : Math.abs(law - voltage!);
        expect(Math.min(offCurrent, offVoltage)).toBeLessThan(1e-9);
        if (part.polarised) expect(current).toBeGreaterThanOrEqual(0);
        if (part.polarised && current === 0) blocked += 1;
        if (exponent < 1 && current !== 0) curved += 1;
      }
      for (const sum of nodes.values()) expect(Math.abs(sum)).toBeLessThan(1e-9 * most);
    }),
    { numRuns: runs(400) },
  );
  expect(curved).toBeGreaterThan(exercised(200));
  expect(blocked).toBeGreaterThan(exercised(50));
});

test('a lamp behind a resistance stands where its curve meets the straight line, found by halving', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 48, noNaN: true }),
      fc.double({ min: 0.1, max: 500, noNaN: true }),
      fc.double({ min: 0.06, max: 1, noNaN: true }),
      (emf, resistance, exponent) => {
        const lamp = { ratedVoltage: 12, ratedCurrent: 0.3, exponent } as const;
        const { elements } = valuesOf({
          elements: [
            { id: 'E1', kind: 'source', from: 'A', to: '0', emf },
            { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance },
            { id: 'L1', kind: 'load', from: 'B', to: '0', ...lamp },
          ],
        });
        let [low, high] = [0, emf / resistance];
        for (let k = 0; k < 200; k += 1) {
          const middle = (low + high) / 2;
          if (12 * (middle / 0.3) ** (1 / exponent) + middle * resistance < emf) low = middle;
          else high = middle;
        }
        expect(Math.abs(elements.L1!.current! - low)).toBeLessThan(1e-12 * (emf / resistance));
      },
    ),
    { numRuns: runs(300) },
  );
});

test('the tangent is what the terminals see of a small change', () => {
  const network = read('E1 24V/1R8: R1 47 + (L1 12V 0.3A ^0.55 || L2 12V 0.12A ^0.1 || R2 220)');
  const { circuit, nodeNumber } = circuitOf(network);
  const probe = { id: 'J', kind: 'current' as const, from: nodeNumber.get('B')!, to: nodeNumber.get('0')! };
  const push = (current: number) => {
    const solved = solveCircuit({
      ...circuit,
      branches: [...circuit.branches, { ...probe, resistance: { hi: 0, lo: 0 }, emf: { hi: 0, lo: 0 }, current }],
    });
    if (!solved.ok) throw new Error(solved.fault.code);
    return toNumber(solved.value.voltage(probe.from, probe.to)!);
  };
  const solved = solveCircuit(circuit);
  if (!solved.ok) throw new Error(solved.fault.code);
  const { circuit: tangent } = solved.value;
  const open = { ...probe, kind: 'open' as const, resistance: { hi: 0, lo: 0 }, emf: { hi: 0, lo: 0 }, current: 0 };
  const looked = solveCircuit({ ...tangent, branches: [...tangent.branches, open] }, tangent.branches.length);
  if (!looked.ok) throw new Error(looked.fault.code);
  const differential = (push(-1e-6) - push(1e-6)) / 2e-6;
  expect(portResistance(looked.value.port!)! / differential).toBeCloseTo(1, 7);
});

test('an ohmic load is the resistance that it always was', () => {
  const plain = read('E1 24V/1R8: R1 47 + L1 12V 0.3A');
  expect(circuitOf(plain).circuit.branches.every(({ law }) => law === undefined)).toBe(true);
  expect(valuesOf(plain).elements.L1).toEqual(valuesOf(read('E1 24V/1R8: R1 47 + R9 40')).elements.R9);
});

test('a polarised load the wrong way round is an open switch: what it alone joins is not determined', () => {
  const reversed: Network = {
    reference: '0',
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 12, internalResistance: 1 },
      { id: 'L1', kind: 'load', from: 'B', to: 'A', ratedVoltage: 12, ratedCurrent: 0.3, polarised: true },
      { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 100 },
    ],
  };
  expect(valuesOf(reversed).nodes.B).toBeNull();
  expect(valuesOf(reversed).elements.L1).toEqual({ voltage: null, current: 0, power: 0 });
  const driven: Network = {
    ...reversed,
    elements: [...reversed.elements, { id: 'J1', kind: 'current-source', from: 'B', to: '0', current: 0.02 }],
  };
  expect(valuesOf(driven).elements.L1!.current).toBeCloseTo(0.02, 12);
  const against: Network = {
    ...reversed,
    elements: [...reversed.elements, { id: 'J1', kind: 'current-source', from: '0', to: 'B', current: 0.02 }],
  };
  const solved = solveCircuit(circuitOf(against).circuit);
  expect(solved.ok ? 'solved' : solved.fault).toEqual({ code: 'current-source-open', where: ['J1'] });
});

test('a load that ideal sources hold takes what its law says at their voltage', () => {
  const { elements } = valuesOf(read('E1 6V: L1 12V 0.3A ^0.5 || L2 12V 0.1A ^0.2 polarised || R1 100'));
  expect(elements.L1!.current).toBeCloseTo(0.3 * Math.sqrt(0.5), 14);
  expect(elements.L2!.current).toBeCloseTo(0.1 * 0.5 ** 0.2, 14);
  expect(elements.E1!.current).toBeCloseTo(0.06 + 0.3 * Math.sqrt(0.5) + 0.1 * 0.5 ** 0.2, 14);
});

test('a dead network is dead, whatever its loads', () => {
  const { nodes, elements } = valuesOf(read('E1 0V/1: R1 10 + (L1 12V 0.3A ^0.1 || L2 12V 0.3A ^0.55 polarised)'));
  expect(Math.max(...Object.values(nodes).map((v) => Math.abs(v ?? 0)))).toBe(0);
  expect(elements.L1!.current).toBe(0);
});

test('quickly and with all digits it is the same working point', () => {
  fc.assert(
    fc.property(
      loadedNetwork,
      fc.array(fc.double({ min: 0.5, max: 2, noNaN: true }), { minLength: 24, maxLength: 24 }),
      (network, factors) => {
        const varied = network.elements.flatMap(({ kind }, index) => (kind === 'resistor' ? [index] : []));
        const ohms = varied.map(
          (index, k) => (network.elements[index] as { resistance: number }).resistance * factors[k]!,
        );
        const quick = quickCircuit(circuitOf(network).circuit, varied)!;
        quick.solve(ohms);
        const changed = {
          elements: network.elements.map((e, index) =>
            e.kind === 'resistor' ? { ...e, resistance: ohms[varied.indexOf(index)]! } : e,
          ),
        };
        const { elements } = valuesOf(changed);
        const most = Math.max(1e-9, ...Object.values(elements).map(({ voltage }) => Math.abs(voltage ?? 0)));
        const { circuit } = circuitOf(network);
        network.elements.forEach(({ id }, index) => {
          const { from, to } = circuit.branches[index]!;
          const wanted = elements[id]!.voltage;
          if (wanted !== null) expect(Math.abs(quick.voltage(from, to) - wanted)).toBeLessThan(1e-6 * most);
        });
      },
    ),
    { numRuns: runs(200) },
  );
});

test('a law, its inverse and its slope belong together', () => {
  const law: LoadLaw = {
    ratedVoltage: 12,
    ratedCurrent: 0.3,
    curve: { law: 'power', values: { exponent: 0.55 } },
    polarised: false,
  };
  for (const volts of [-30, -1, -1e-6, 0, 1e-3, 12, 48]) {
    expect(voltageAt(law, currentAt(law, volts))).toBeCloseTo(volts, 9);
    const at = currentAt(law, volts);
    if (volts !== 0)
      expect(
        (voltageAt(law, at * 1.0001) - voltageAt(law, at * 0.9999)) / (at * 0.0002) / slopeAt(law, at),
      ).toBeCloseTo(1, 6);
  }
  expect(slopeAt(law, 0)).toBe(0);
  expect(currentAt({ ...law, polarised: true }, -5)).toBe(0);
});

test('a sweep of the supply follows the curve of a lamp', () => {
  const network = read('E1 12V: L1 12V 0.3A ^0.55');
  const swept = sweep(network, { element: 'E1', key: 'emf' }, [0, 3, 12]);
  expect(swept.map((values) => values!.elements.L1!.current)).toEqual([0, 0.3 * 0.25 ** 0.55, 0.3]);
});
