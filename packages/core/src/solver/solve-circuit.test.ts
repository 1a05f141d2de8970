import type { Element, Network } from '../network/index.ts';
import { circuitOf } from './network-circuit.ts';
import { networkValues } from './network-values.ts';
import { solveCircuit } from './solve-circuit.ts';

const E = (id: string, from: string, to: string, emf: number, internalResistance = 0): Element => ({
  id,
  kind: 'source',
  from,
  to,
  emf,
  internalResistance,
});
const R = (id: string, from: string, to: string, resistance: number): Element => ({
  id,
  kind: 'resistor',
  from,
  to,
  resistance,
});
const W = (id: string, from: string, to: string): Element => ({ id, kind: 'link', from, to });
const S = (id: string, from: string, to: string, closed: boolean): Element => ({
  id,
  kind: 'switch',
  from,
  to,
  closed,
});
const J = (id: string, from: string, to: string, current: number): Element => ({
  id,
  kind: 'current-source',
  from,
  to,
  current,
});

function solve(...elements: Element[]) {
  const network: Network = { elements };
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  return solved.ok ? networkValues(network, named, solved.value) : solved.fault;
}

function values(...elements: Element[]) {
  const solved = solve(...elements);
  if ('code' in solved) throw new Error(solved.code);
  return solved;
}

test('cells in series add and in parallel share', () => {
  const battery: Element = {
    id: 'E1',
    kind: 'source',
    from: 'A',
    to: '0',
    emf: 2.1,
    internalResistance: 0.03,
    cellsInSeries: 6,
    cellsInParallel: 2,
  };
  // 12.6 V behind 6·0.03/2 = 0.09 Ω, into 12.51 Ω: 1 A.
  const { elements } = values(battery, R('R1', 'A', '0', 12.51));
  expect(elements.E1!.current).toBeCloseTo(1, 14);
  expect(elements.E1!.voltage).toBeCloseTo(12.51, 13);
});

test('the current in a link that is the only way is known', () => {
  const { elements } = values(E('E1', 'A', '0', 10), W('W1', 'A', 'B'), R('R1', 'B', '0', 5));
  expect(elements.W1).toEqual({ voltage: 0, current: 2, power: 0 });
  expect(elements.E1!.power).toBe(20);
});

test('nothing determines how two links in parallel share a current', () => {
  const { elements } = values(E('E1', 'A', '0', 10), W('W1', 'A', 'B'), W('W2', 'A', 'B'), R('R1', 'B', '0', 5));
  expect(elements.W1!.current).toBeNull();
  expect(elements.W2!.power).toBe(0);
  expect(elements.R1!.current).toBe(2);
});

test('equal ideal sources in parallel are allowed, and their shares unknown', () => {
  const { elements } = values(E('E1', 'A', '0', 10), E('E2', 'A', '0', 10), R('R1', 'A', '0', 5));
  expect(elements.E1).toEqual({ voltage: 10, current: null, power: null });
});

test('0.1 V and 0.2 V in series are not in conflict with 0.3 V, though doubles say so', () => {
  expect(values(E('E1', 'B', '0', 0.1), E('E2', 'A', 'B', 0.2), E('E3', 'A', '0', 0.3)).nodes.A).toBeCloseTo(0.3, 15);
});

test('unequal ideal sources in parallel contradict each other: the loop is named, and what is tied to it', () => {
  const apart = [E('E2', 'C', 'D', 3), R('R1', 'A', 'C', 10), R('R2', 'D', '0', 10)];
  expect(solve(...apart, E('E1', 'A', '0', 5), E('E8', 'B', '0', 12), E('E9', 'B', '0', 12.5))).toEqual({
    code: 'source-conflict',
    where: ['E1', 'E8', 'E9'],
    loop: ['E8', 'E9'],
  });
});

test('an ideal source shorted by links and a closed switch is a contradiction', () => {
  expect(solve(E('E1', 'A', '0', 9), W('W1', 'A', 'B'), S('S1', 'B', '0', true))).toEqual({
    code: 'source-conflict',
    where: ['E1', 'W1', 'S1'],
    loop: ['E1', 'W1', 'S1'],
  });
  expect(values(E('E1', 'A', '0', 9), W('W1', 'A', 'B'), S('S1', 'B', '0', false)).elements.S1!.voltage).toBe(9);
});

test('a disjoint set without a path to the reference has no potentials, but its own voltages', () => {
  const { nodes, elements } = values(
    E('E1', 'A', '0', 9, 1),
    R('R1', 'A', '0', 8),
    E('E2', 'C', 'D', 6, 1),
    R('R2', 'C', 'D', 2),
  );
  expect(nodes).toMatchObject({ A: 8, C: null, D: null });
  expect(elements.R2).toEqual({ voltage: 4, current: 2, power: 8 });
});

test('a switch that is open between two disjoint sets carries nothing and its voltage is unknown', () => {
  const { elements } = values(
    E('E1', 'A', '0', 9, 1),
    R('R1', 'A', '0', 8),
    R('R2', 'C', 'D', 2),
    S('S1', 'A', 'C', false),
  );
  expect(elements.S1).toEqual({ voltage: null, current: 0, power: 0 });
});

test('a part with both ends on one node has no voltage across it', () => {
  const { elements } = values(
    E('E1', 'A', '0', 9, 1),
    R('R1', 'A', '0', 8),
    R('R2', 'A', 'A', 2),
    E('E2', '0', '0', 6, 3),
  );
  expect(elements.R2).toEqual({ voltage: 0, current: 0, power: 0 });
  expect(elements.E2).toEqual({ voltage: 0, current: 2, power: 0 });
});

test('a current source drives its current whatever the resistance', () => {
  const { elements, nodes } = values(J('J1', 'A', '0', 0.0128), R('R1', 'A', 'B', 250), R('R2', 'B', '0', 18));
  expect(nodes.A).toBeCloseTo(0.0128 * 268, 15);
  expect(elements.J1!.current).toBe(0.0128);
  expect(elements.J1!.power).toBeCloseTo(0.0128 ** 2 * 268, 15);
});

test.each([
  ['behind an open switch', [J('J9', 'A', 'B', 0.01), S('S1', 'B', '0', false)]],
  ['to a dead end', [J('J9', 'A', 'B', 0.01)]],
  ['against an unequal one in series', [J('J9', 'A', 'B', 0.01), J('J10', 'B', '0', 0.02)]],
])('a current source %s has no way back', (_, extra) => {
  expect(solve(E('E1', 'A', '0', 9, 1), R('R1', 'A', '0', 8), ...extra)).toEqual({
    code: 'current-source-open',
    where: ['J9'],
  });
});

test('equal current sources in series are one', () => {
  const { elements } = values(J('J1', 'A', 'B', 0.01), J('J2', 'B', '0', 0.01), R('R1', 'A', '0', 100));
  expect(elements.R1!.voltage).toBeCloseTo(1, 15);
  expect(elements.J1).toEqual({ voltage: null, current: 0.01, power: null });
});

test('measured values are taken where the job says so', () => {
  const measured: Element = { id: 'R1', kind: 'resistor', from: 'A', to: '0', resistance: 100, measuredResistance: 50 };
  const network: Network = { values: 'measured', elements: [E('E1', 'A', '0', 10), measured] };
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  expect(solved.ok && networkValues(network, named, solved.value).elements.R1!.current).toBe(0.2);
});

test('values too far apart to compute are a fault, not a wrong number', () => {
  expect(solve(E('E1', 'A', '0', 1e308, 1e-308), R('R1', 'A', '0', 1e-308))).toMatchObject({ code: 'out-of-range' });
});
