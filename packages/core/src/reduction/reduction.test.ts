import fc from 'fast-check';
import { type Network } from '../network/index.ts';
import { circuitOf, networkValues, portResistance, solveCircuit, type NetworkValues } from '../solver/index.ts';
import { anyNetwork, resistance } from '../test/random-network.ts';
import { nodeEquations } from './node-equations.ts';
import { rebuild } from './rebuild.ts';
import { reduceNet, stageNetwork, type Reduction } from './reduce.ts';
import { resistanceNet, sourcesOf } from './resistance-net.ts';
import { writtenDown } from './rounding.ts';
import { superpose } from './superposition.ts';
import { read } from '../test/read-line.ts';
import { exercised, runs } from '../test/runs.ts';

function solve(network: Network): NetworkValues {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  if (!solved.ok) throw new Error(solved.fault.code);
  return networkValues(network, named, solved.value);
}
const reduce = (network: Network, digits?: number): Reduction =>
  reduceNet(
    resistanceNet(network, sourcesOf(network)[0]!),
    digits === undefined ? undefined : { how: 'round', digits },
  );
const told = ({ steps }: Reduction): string[] =>
  steps.map(
    ({ rule, parts, into }) => `${rule} ${parts.map((p) => p.id).join(',')} → ${into.map((p) => p.id).join(',')}`,
  );

const divider = read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');
const bridge = read('E1 10V/0R4: R1 350 @B R2 351.4 || R3 351.4 @C R4 350; @B R5 12k @C');

test('the inner loop first, then the outer ones', () => {
  const reduction = reduce(divider);
  expect(told(reduction)).toEqual(['series R3,R4 → R34', 'parallel R2,R34 → R234', 'series R1,R234 → R1234']);
  expect(reduction.equivalent).toBeCloseTo(56_000 + (39_000 * 42_000) / 81_000, 6);
  expect(reduction.steps[1]!.formulas).toEqual([
    '39 kΩ × 42 kΩ / (39 kΩ + 42 kΩ) = 20.22 kΩ'.replace(/ (?=[kΩ])/g, '\u00a0'),
    '1/(1/39 kΩ + 1/42 kΩ) = 20.22 kΩ'.replace(/ (?=[kΩ])/g, '\u00a0'),
  ]);
});

test('a bridge goes by a delta into a star', () => {
  const reduction = reduce(bridge);
  expect(reduction.steps.map((step) => step.rule)).toEqual(['delta-star', 'series', 'series', 'parallel', 'series']);
});

test('star and delta of equal arms are a third and threefold', () => {
  const star = reduce(read('E1 1V: R1 30 @P R2 30; @P R3 30 @Q R4 1 @0; @Q R5 1 @A'));
  expect(star.equivalent).not.toBeNull();
  const [step] = reduce(read('E1 1V: @A R1 30 @B R4 1 @0 || R2 30 @C R5 1; @B R3 30 @C')).steps;
  expect(step!.rule).toBe('delta-star');
  for (const arm of step!.into) expect(arm.resistance).toBeCloseTo(10, 12);
});

test('what hangs free, is shorted on itself or stands apart carries nothing', () => {
  const reduction = reduce(read('E1 5V: R1 1k; @A R2 10 @X R3 20 @Y; @A R4 5 @A; @P R5 1 @Q'));
  expect(reduction.steps.every((step) => step.rule === 'dead-end' || step.rule === 'series')).toBe(true);
  expect(reduction.steps.filter((step) => step.rule === 'dead-end').every((step) => step.into.length === 0)).toBe(true);
  expect(reduction.stages.at(-1)!.map((part) => part.id)).toEqual(['R1']);
  expect(reduction.equivalent).toBe(1000);
});

test('links, closed switches and ideal sources at rest are wires; open ones and current sources are not there', () => {
  const reduction = reduce(
    read('E1 5V: W1 link + S1 closed @B R1 1k @C E2 3V; @B S2 open @C; @B J1 1mA @C; @B R2 1k @C'),
  );
  expect(told(reduction)).toEqual(['parallel R1,R2 → R12']);
  expect(reduction.equivalent).toBe(500);
});

test('nothing between the terminals has no resistance to give; a wire has none', () => {
  expect(reduce(read('E1 5V: S1 open')).equivalent).toBeNull();
  expect(reduce(read('E1 5V/1: W1 link || R1 5')).equivalent).toBe(0);
  expect(rebuild(reduce(read('E1 5V: S1 open')))).toBeNull();
});

/** Returns the resistance seen from the source's terminals, by the solver: an oracle independent of the steps. */
function seen(network: Network): number | null {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit, 0);
  return solved.ok ? portResistance(solved.value.port!) : NaN;
}

const loaded = fc.tuple(anyNetwork, resistance, resistance).map(([network, emf, inside]): Network => {
  const passive = network.elements.filter((e) => e.kind === 'resistor' || e.kind === 'load' || e.kind === 'switch');
  const bottom = passive.at(-1)?.to ?? '0';
  return {
    elements: [
      { id: 'E9', kind: 'source', from: 'A', to: bottom === 'A' ? 'B' : bottom, emf, internalResistance: inside },
      ...passive,
    ],
  };
});

test('every step keeps the resistance that the source sees, and one part is left', () => {
  let compared = 0;
  fc.assert(
    fc.property(loaded, (network) => {
      const reduction = reduce(network);
      const { net, stages, equivalent, steps } = reduction;
      expect(stages).toHaveLength(steps.length + 1);
      expect(stages.at(-1)!.length).toBeLessThanOrEqual(1);
      if (net.top === net.bottom || equivalent === null) return;
      compared += 1;
      for (const stage of stages) {
        const here = seen(stageNetwork(reduction, stage))!;
        expect(Math.abs(here / equivalent - 1)).toBeLessThan(1e-12);
      }
      for (const step of steps)
        if (step.rule === 'parallel')
          expect(step.into[0]!.resistance).toBeLessThanOrEqual(Math.min(...step.parts.map((part) => part.resistance)));
    }),
    { numRuns: runs(400) },
  );
  expect(compared).toBeGreaterThan(exercised(200));
});

const apartFrom = (value: number, exact: number, largest: number): boolean =>
  Math.abs(value - exact) <= 1e-9 * Math.abs(exact) || Math.abs(value - exact) <= 1e-12 * largest;

test('the values rebuilt on the way up are those of the solver', () => {
  let compared = 0;
  fc.assert(
    fc.property(loaded, (network) => {
      const reduction = reduce(network);
      const { net } = reduction;
      if (net.top === net.bottom) return;
      const up = rebuild(reduction);
      if (!up) return;
      compared += 1;
      const values = solve(network).elements;
      const largest = (what: 'voltage' | 'current'): number =>
        Math.max(...Object.values(values).map((of) => Math.abs(of[what] ?? 0)));
      for (const { id } of net.parts) {
        const carried = up.carried.get(id)!;
        const solved = values[id]!;
        expect(apartFrom(carried.voltage, solved.voltage ?? 0, largest('voltage'))).toBe(true);
        expect(apartFrom(carried.current, solved.current ?? 0, largest('current'))).toBe(true);
      }
      for (const { lines } of up.steps)
        for (const line of lines) if (line.kind === 'check') expect(Math.abs(line.apart!)).toBeLessThan(1e-9);
    }),
    { numRuns: runs(400) },
  );
  expect(compared).toBeGreaterThan(exercised(150));
});

test('the way up: the supply, what each part keeps, the sums, and the last share by what is left', () => {
  const { steps } = rebuild(reduce(divider))!;
  expect(steps.map(({ lines }) => lines.map((line) => line.title.replace(/\u00a0/g, ' ')))).toEqual([
    ['Supply', 'At its terminals', 'by what is left'],
    ['R1 keeps 314.9 µA', 'R234 keeps 314.9 µA', 'check', 'R234 by what is left'],
    ['R2 keeps 6.367 V', 'R34 keeps 6.367 V', 'check', 'R34 by what is left'],
    ['R3 keeps 151.6 µA', 'R4 keeps 151.6 µA', 'check', 'R4 by what is left'],
  ]);
  expect(steps[0]!.lines[0]!.value).toBeCloseTo(24 / (76_222.2222 + 1.8), 10);
});

test('rounded on the way, the same steps drift, and the sums show by how much', () => {
  const rough = reduce(divider, 2);
  expect(rough.steps.map((step) => step.into[0]!.resistance)).toEqual([42_000, 20_000, 76_000]);
  const fine = reduce(divider, 12);
  expect(Math.abs(fine.equivalent! / reduce(divider).equivalent! - 1)).toBeLessThan(1e-10);
  expect(told(rough)).toEqual(told(fine));
});

test('numbers are written down as a hand does it', () => {
  expect(writtenDown(20_222.2, { how: 'round', digits: 3 })).toBe(20_200);
  expect(writtenDown(0.0016789, { how: 'truncate', digits: 3 })).toBe(0.00167);
  expect(writtenDown(-0.0016789, { how: 'truncate', digits: 3 })).toBe(-0.00167);
  expect(writtenDown(9.9999, { how: 'truncate', digits: 2 })).toBe(9.9);
  expect(writtenDown(9.9999, { how: 'round', digits: 2 })).toBe(10);
  expect(writtenDown(1 / 3, { how: 'exact', digits: 2 })).toBe(1 / 3);
});

test('contributions of the sources add up to the whole', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyNetwork, (network) => {
      const named = circuitOf(network);
      const whole = solveCircuit(named.circuit);
      if (!whole.ok) return;
      const { elements } = networkValues(network, named, whole.value);
      const parts = superpose(network);
      // Two current sources in one line: alone, neither has a way back.
      if (!parts.ok) return expect(parts.fault.code).toBe('current-source-open');
      if (parts.value.length === 0) return;
      compared += 1;
      const largest = Math.max(
        ...parts.value.flatMap(({ values }) => Object.values(values.elements).map((of) => Math.abs(of.current ?? 0))),
      );
      for (const [id, { current }] of Object.entries(elements)) {
        const shares = parts.value.map(({ values }) => values.elements[id]!.current);
        if (current === null) continue;
        const sum = shares.reduce<number>((total, share) => total + share!, 0);
        expect(apartFrom(sum, current, largest)).toBe(true);
      }
    }),
    { numRuns: runs(200) },
  );
  expect(compared).toBeGreaterThan(exercised(60));
});

test('the node equations of a network, with the solved values in them, add up to nothing', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyNetwork, (network) => {
      const named = circuitOf(network);
      const solved = solveCircuit(named.circuit);
      if (!solved.ok) return;
      const values = networkValues(network, named, solved.value);
      for (const { terms, sum } of nodeEquations(network, values)) {
        if (sum === null) continue;
        compared += 1;
        const size = Math.max(0, ...terms.map((term) => Math.abs(term.value!)));
        expect(Math.abs(sum)).toBeLessThanOrEqual(1e-9 * size + 1e-300);
      }
    }),
    { numRuns: runs(200) },
  );
  expect(compared).toBeGreaterThan(exercised(200));
  const equations = nodeEquations(bridge, solve(bridge));
  expect(equations.map((equation) => equation.terms.map((term) => term.symbol).join(' + '))).toEqual([
    '(V(A) − E1)/r(E1) + (V(A) − V(B))/R1 + (V(A) − V(C))/R3',
    '(V(B) − V(A))/R1 + V(B)/R2 + (V(B) − V(C))/R5',
    '(V(C) − V(A))/R3 + V(C)/R4 + (V(C) − V(B))/R5',
  ]);
});
