import fc from 'fast-check';
import { solveUnloaded } from '../../loading/index.ts';
import { Draw } from './draw.ts';
import { drawCircuit, places, shapes } from './practice-circuit.ts';
import { levels } from './problem.ts';
import { reckon, twoDigits } from './twist.ts';
import { groupsOf, treeOfNetwork, treeSeenFrom } from '../worked-tree.ts';

const circuit = fc.record({ seed: fc.integer(), level: fc.constantFrom(...levels), place: fc.constantFrom(...places) });

test('worked out on paper without a slip, every part carries what solving the network gives it', () => {
  fc.assert(
    fc.property(circuit, ({ seed, level, place }) => {
      const draw = new Draw(seed);
      const network = drawCircuit(draw, draw.pick(shapes[level]), place);
      const { tree, emf } = treeOfNetwork(network)!;
      const { parts, resistance } = reckon(tree, emf);
      const solved = solveUnloaded(network);
      if (!solved.ok) throw new Error(solved.fault.code);
      const { elements } = solved.value.values;
      for (const [id, { voltage, current }] of parts) {
        expect(voltage / elements[id]!.voltage!).toBeCloseTo(1, 9);
        expect(current / elements[id]!.current!).toBeCloseTo(1, 9);
      }
      expect(emf / resistance / elements.E1!.current!).toBeCloseTo(1, 9);
      // The last voltage by what is left is the same.
      const left = reckon(tree, emf, { kind: 'rounded-early', place: 1e6, bySubtraction: true });
      for (const [id, { voltage }] of left.parts) expect(voltage / elements[id]!.voltage!).toBeCloseTo(1, 9);
    }),
  );
});

test('each slip at one group changes what depends on it', () => {
  const network = drawCircuit(new Draw(3), { series: ['part', { parallel: ['part', 'part'] }] }, places[2]!);
  const { tree, emf } = treeOfNetwork(network)!;
  const [inner, outer] = groupsOf(tree) as [ReturnType<typeof groupsOf>[0], ReturnType<typeof groupsOf>[0]];
  const [r1, r2, r3] = network.elements.flatMap((one) => (one.kind === 'resistor' ? [one.resistance] : [])) as [
    number,
    number,
    number,
  ];
  const ohms = (kind: Parameters<typeof reckon>[2]) => reckon(tree, emf, kind).resistance;
  expect(ohms({ kind: 'added-parallel', groups: [inner] })).toBeCloseTo(r1 + r2 + r3, 9);
  expect(ohms({ kind: 'reciprocal-not-inverted', groups: [inner] })).toBeCloseTo(r1 + 1 / r2 + 1 / r3, 9);
  expect(ohms({ kind: 'reciprocals-of-series', groups: [outer] })).toBeCloseTo(1 / (1 / r1 + 1 / r2 + 1 / r3), 9);
  const share = (r2 * r3) / (r2 + r3);
  const inverted = reckon(tree, emf, { kind: 'divider-inverted', groups: [outer] });
  expect(inverted.parts.get('R1')!.voltage).toBeCloseTo((emf * share) / (r1 + share), 9);
  const rounded = reckon(tree, emf, { kind: 'rounded-early', place: 0 });
  expect(rounded.resistance).toBeCloseTo(r1 + twoDigits(share), 9);
});

test('a bridge is no tree, several sources are none, and two nodes see through the source', () => {
  const bridge = ['AB', 'B0', 'AC', 'C0', 'BC'].map((ends, k) => ({
    id: `R${k + 1}`,
    kind: 'resistor' as const,
    from: ends[0]!,
    to: ends[1]!,
    resistance: 100,
  }));
  const source = { id: 'E1', kind: 'source' as const, from: 'A', to: '0', emf: 10 };
  expect(treeOfNetwork({ elements: [source, ...bridge] })).toBeNull();
  expect(treeOfNetwork({ elements: [source, { ...source, id: 'E2' }, ...bridge.slice(0, 2)] })).toBeNull();
  expect(treeOfNetwork({ elements: [{ ...source, internalResistance: 1 }, ...bridge.slice(0, 2)] })).toBeNull();
  const seen = treeSeenFrom({ elements: [source, ...bridge.slice(0, 2)] }, 'B', '0');
  expect(reckon(seen!, 1).resistance).toBeCloseTo(50, 12);
});
