import fc from 'fast-check';
import type { Element, Network } from '../../network/index.ts';
import { adjacencyOf, dissectionOrder } from './dissection.ts';
import { divide, exactly, multiply } from './double-double.ts';
import { Elimination, planElimination } from './elimination.ts';
import { LargeMesh } from './large-mesh.ts';
import { circuitOf } from '../network-circuit.ts';
import { solveCircuit } from '../solve-circuit.ts';
import { portResistance } from './solve-linear.ts';
import { StarMesh } from './star-mesh.ts';
import { exercised, runs } from '../../test/runs.ts';

/** A sheet of equal resistors, rows by columns of nodes, with a probe between two of them. */
function sheet(rows: number, columns: number, probe: readonly [string, string]): Network {
  const elements: Element[] = [{ id: 'P', kind: 'resistor', from: probe[0], to: probe[1], resistance: 1 }];
  const resistor = (from: string, to: string): void => {
    elements.push({ id: `R${elements.length}`, kind: 'resistor', from, to, resistance: 1 });
  };
  for (let r = 0; r < rows; r += 1)
    for (let c = 0; c < columns; c += 1) {
      if (c + 1 < columns) resistor(`${r}_${c}`, `${r}_${c + 1}`);
      if (r + 1 < rows) resistor(`${r}_${c}`, `${r + 1}_${c}`);
    }
  return { elements };
}

/** Between two nodes of a rows × columns sheet of 1 Ω, by the eigenvectors of its two paths (Wu, J. Phys. A 37, 2004). */
function sheetResistance(rows: number, columns: number, a: readonly number[], b: readonly number[]): number {
  const wave = (k: number, n: number, x: number): number =>
    k === 0 ? Math.sqrt(1 / n) : Math.sqrt(2 / n) * Math.cos(((x + 0.5) * k * Math.PI) / n);
  let sum = 0;
  for (let i = 0; i < rows; i += 1)
    for (let j = 0; j < columns; j += 1) {
      if (i === 0 && j === 0) continue;
      const stiffness = 4 - 2 * Math.cos((i * Math.PI) / rows) - 2 * Math.cos((j * Math.PI) / columns);
      const apart = wave(i, rows, a[0]!) * wave(j, columns, a[1]!) - wave(i, rows, b[0]!) * wave(j, columns, b[1]!);
      sum += apart ** 2 / stiffness;
    }
  return sum;
}

test.each([
  [20, 30, [0, 0], [19, 29]],
  [25, 25, [12, 12], [12, 13]],
  [3, 200, [1, 0], [2, 150]],
] as const)('a sheet of %d by %d looks in as its eigenvectors say', (rows, columns, a, b) => {
  const { circuit } = circuitOf(sheet(rows, columns, [a.join('_'), b.join('_')]));
  const solved = solveCircuit(circuit, 0);
  if (!solved.ok) throw new Error(solved.fault.code);
  const wanted = sheetResistance(rows, columns, a, b);
  expect(Math.abs(portResistance(solved.value.port!)! / wanted - 1)).toBeLessThan(1e-12);
});

test('a ladder of a thousand rungs feeds its end by Fibonacci numbers', () => {
  // 1 Ω along, 1 Ω across: the far end's voltage is the source's over F(2n + 1), and twenty rungs suffice to see it.
  const rungs = 1000;
  const elements: Element[] = [{ id: 'E1', kind: 'source', from: 'N0', to: '0', emf: 1 }];
  for (let k = 0; k < rungs; k += 1)
    elements.push(
      { id: `S${k}`, kind: 'resistor', from: `N${k}`, to: `N${k + 1}`, resistance: 1 },
      { id: `P${k}`, kind: 'resistor', from: `N${k + 1}`, to: '0', resistance: 1 },
    );
  const { circuit, nodeNumber } = circuitOf({ elements });
  const solved = solveCircuit(circuit);
  if (!solved.ok) throw new Error(solved.fault.code);
  const golden = (1 + Math.sqrt(5)) / 2;
  expect(solved.value.currents[0]!.hi).toBeCloseTo(-(golden - 1), 14);
  for (const rung of [1, 5, 20])
    expect(solved.value.potential(nodeNumber.get(`N${rung}`)!)!.hi * golden ** (2 * rung)).toBeCloseTo(1, 12);
});

const resistances = fc.array(fc.double({ min: -3, max: 9, noNaN: true }), { minLength: 90, maxLength: 90 });

test('refined potentials are those of the reduction in double-doubles, from 1 mΩ to 1 GΩ', () => {
  let settledCount = 0;
  fc.assert(
    fc.property(resistances, fc.array(fc.nat(29), { minLength: 60, maxLength: 60 }), (decades, ends) => {
      const edges = decades.flatMap((decade, index) => {
        // A path through all thirty points, and sixty more edges anywhere.
        const [a, b] = index < 29 ? [index, index + 1] : [ends[index - 29] ?? 0, ends[(index * 7) % 60]!];
        return a === b ? [] : [{ a, b, g: divide(exactly(1), exactly(10 ** decade)) }];
      });
      const build = (): StarMesh => {
        const mesh = new StarMesh(30);
        edges.forEach(({ a, b, g }, index) =>
          mesh.join(a, b, g, index % 11 === 3 ? multiply(g, exactly(24)) : exactly(0)),
        );
        return mesh;
      };
      const large = new LargeMesh(30, build().edges(), [0, 29]);
      const whole = build().reduceTo([0, 29]);
      const [found, wanted] = [large.between(0), whole.between(0, 29)!];
      expect(Math.abs(found!.g.hi / wanted.g.hi - 1)).toBeLessThan(1e-13);
      const known = new Map([[0, exactly(5)]]);
      const v = large.potentials(known);
      if (!v) return;
      settledCount += 1;
      const exact = whole.potentials(known);
      for (let point = 0; point < 30; point += 1)
        expect(Math.abs(v.hi[point]! - exact.hi[point]! + (v.lo[point]! - exact.lo[point]!))).toBeLessThan(1e-18);
    }),
    { numRuns: runs(200) },
  );
  expect(settledCount).toBeGreaterThan(exercised(150));
});

test('every point comes once in the order, and a long path fills in next to nothing', () => {
  const points = 500;
  const from = Int32Array.from({ length: points - 1 }, (_, k) => k);
  const to = from.map((k) => k + 1);
  const order = dissectionOrder(points, adjacencyOf(points, from, to));
  expect([...order].sort((a, b) => a - b)).toEqual([...Array(points).keys()]);
  expect(planElimination(points, from, to).rows.length).toBeLessThan(2 * points);
});

test('a plan serves any values: a bridge by its closed form', () => {
  // Points 0 top, 1 left, 2 right, 3 bottom; the last two are left over.
  const plan = planElimination(4, Int32Array.from([0, 0, 1, 2, 1]), Int32Array.from([1, 2, 3, 3, 2]), [0, 3]);
  const elimination = new Elimination(plan);
  for (const [r1, r2, r3, r4, r5] of [
    [1, 2, 3, 4, 5],
    [1e-3, 1e6, 220, 47, 1e9],
  ] as const) {
    elimination.run([1 / r1, 1 / r2, 1 / r3, 1 / r4, 1 / r5]);
    // Star in the place of the upper delta r1 r2 r5.
    const sum = r1 + r2 + r5;
    const wanted = (r1 * r2) / sum + 1 / (1 / ((r1 * r5) / sum + r3) + 1 / ((r2 * r5) / sum + r4));
    expect(Math.abs(1 / elimination.lastConductance() / wanted - 1)).toBeLessThan(1e-14);
  }
});
