import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { tolerancedParts } from '../uncertainty/index.ts';
import { expectationOf, type CircuitReading, type Reading } from '../readings/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { soundNetwork } from '../test/random-network.ts';
import { LaidOut } from './laid-out.ts';
import { meteredCircuit, ownMeterName } from './predictions/observed.ts';
import { exercised, runs } from '../test/runs.ts';

const meter: Instrument = {
  id: 'm',
  functions: [
    { quantity: 'dc-voltage', ranges: [{ id: 'V', fullScale: 1e9, resistance: 20_000 }] },
    { quantity: 'dc-current', ranges: [{ id: 'A', fullScale: 1e9, resistance: 5 }] },
  ],
};

/** A network whose resistances are a technician's, each with a tolerance, and a meter somewhere in it. */
const placed = fc
  .tuple(soundNetwork, fc.nat(), fc.nat(), fc.boolean(), fc.boolean())
  .map(([network, a, b, isVoltage, reversed]): { network: Network; reading: CircuitReading } => {
    const elements = network.elements.map((part) =>
      part.kind === 'resistor' ? { ...part, resistance: 10 + (part.resistance % 1000), tolerance: 0.05 } : part,
    );
    const nodes = nodesOf(network);
    const part = elements[a % elements.length]!;
    const side = b % 2 === 0 ? 'from' : 'to';
    const base = { id: 'M1', instrument: 'm', observations: [] };
    const reading: Reading = isVoltage
      ? { ...base, quantity: 'dc-voltage', range: 'V', red: nodes[a % nodes.length]!, black: nodes[b % nodes.length]! }
      : { ...base, quantity: 'dc-current', range: 'A', node: part[side], ends: [`${part.id}.${side}`], reversed };
    return { network: { elements }, reading: reading };
  });

const near = (found: number, wanted: number, size: number): boolean => Math.abs(found - wanted) <= 1e-8 * size;

test('a lone meter follows from the network laid out once, responses and all', () => {
  let compared = 0;
  fc.assert(
    fc.property(placed, ({ network, reading }) => {
      const { resistance } = meter.functions![reading.quantity === 'dc-voltage' ? 0 : 1]!.ranges[0] as {
        resistance: number;
      };
      const circuit = LaidOut.of(network)!.circuitWith(reading, ownMeterName, resistance);
      const wanted = meteredCircuit(network, [meter], reading)!;
      if (!circuit) return;
      compared += 1;
      expect(circuit.names).toEqual(wanted.names);
      const size = (values: Float64Array): number => Math.max(...values.map(Math.abs), 1e-6);
      expect(near(circuit.indicated, wanted.indicated, Math.max(60, Math.abs(wanted.indicated)))).toBe(true);
      for (const key of ['currents', 'effect', 'ports', 'resistances'] as const)
        expect(circuit[key].every((value, k) => near(value, wanted[key][k]!, size(wanted[key])))).toBe(true);
    }),
    { numRuns: runs(300) },
  );
  expect(compared).toBeGreaterThan(exercised(150));
});

test('what it indicates, and what tolerances make of that, is the expectation of a reading there', () => {
  let compared = 0;
  fc.assert(
    fc.property(placed, ({ network, reading }) => {
      const unloaded = solveUnloaded(network);
      const laidOut = LaidOut.of(network);
      if (!unloaded.ok || !laidOut) return;
      const off = new Map(tolerancedParts(network).map(({ branch, span }) => [network.elements[branch]!.id, span]));
      const spans = Float64Array.from(laidOut.names, (name) => off.get(name) ?? 0);
      const { resistance } = meter.functions![reading.quantity === 'dc-voltage' ? 0 : 1]!.ranges[0] as {
        resistance: number;
      };
      const found = laidOut.indicationOf(reading, resistance);
      const { expected, response } = expectationOf(unloaded.value, [meter], reading);
      if (found === null || expected === null || !response) return;
      compared += 1;
      const tolerance = Math.hypot(...response.slopes) / Math.sqrt(3);
      const size = Math.max(1, Math.abs(expected));
      expect(near(found, expected, size)).toBe(true);
      expect(near(laidOut.toleranceOf(reading, resistance, spans), tolerance, size)).toBe(true);
    }),
    { numRuns: runs(300) },
  );
  expect(compared).toBeGreaterThan(exercised(100));
});
