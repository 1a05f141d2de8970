import { spawnSync } from 'node:child_process';
import type { Element, Network } from '@usual-drag/core/network';
import { circuitOf, solveCircuit } from '@usual-drag/core/solver';
import { duration, line, secondsOf } from './measure.ts';

/** A sheet of resistors, a source between two corners, against SciPy's sparse LU where that is installed. */
export function benchGrid(): void {
  console.log('\nLarge networks, solved in refined double-doubles');
  const side = 100;
  const { circuit } = circuitOf(grid(side));
  const ladder = circuitOf(longLadder(10_000)).circuit;
  // In turns, and the best of each: the machine may be busy with something else at any one time.
  const scipy: { readonly seconds: number; readonly current: number }[] = [];
  let [ours, ladderTime] = [Infinity, Infinity];
  for (let turn = 0; turn < 3; turn += 1) {
    ours = Math.min(
      ours,
      secondsOf(() => solveCircuit(circuit), 1),
    );
    ladderTime = Math.min(
      ladderTime,
      secondsOf(() => solveCircuit(ladder), 0.5),
    );
    const ran = spawnSync('python3', ['-c', scipyGrid, String(side)], { encoding: 'utf8' });
    const [seconds = 0, current = 0] = (ran.stdout ?? '').trim().split(' ').map(Number);
    if (ran.status === 0 && seconds > 0) scipy.push({ seconds, current });
  }
  line(`  a grid of ${side} × ${side} nodes (${duration(ours)})`, `${ours.toFixed(2)} of 1 s`);
  line(`  a ladder of 10 000 rungs (${duration(ladderTime)})`, `${(ladderTime / ours).toFixed(2)} × the grid`);
  if (scipy.length === 0) return line('  SciPy', 'not here (Debian: python3-scipy): skipped');
  const seconds = Math.min(...scipy.map((run) => run.seconds));
  const solved = solveCircuit(circuit);
  const found = solved.ok ? -solved.value.currents[0]!.hi : NaN;
  const apart = Math.abs(scipy[0]!.current / found - 1).toExponential(0);
  line(
    `  SciPy's sparse LU of the grid (${duration(seconds)})`,
    `we take ${(ours / seconds).toFixed(2)} × as long   (apart by ${apart})`,
  );
}

function grid(side: number): Network {
  const elements: Element[] = [
    { id: 'E1', kind: 'source', from: 'N0', to: `N${side * side - 1}`, emf: 10, internalResistance: 1 },
  ];
  const resistor = (a: number, b: number): void => {
    elements.push({ id: `R${elements.length}`, kind: 'resistor', from: `N${a}`, to: `N${b}`, resistance: 1 });
  };
  for (let k = 0; k < side * side; k += 1) {
    if ((k + 1) % side !== 0) resistor(k, k + 1);
    if (k + side < side * side) resistor(k, k + side);
  }
  return { elements };
}

function longLadder(rungs: number): Network {
  const elements: Element[] = [{ id: 'E1', kind: 'source', from: 'N0', to: '0', emf: 10, internalResistance: 1 }];
  for (let k = 0; k < rungs; k += 1)
    elements.push(
      { id: `S${k}`, kind: 'resistor', from: `N${k}`, to: `N${k + 1}`, resistance: 1 },
      { id: `P${k}`, kind: 'resistor', from: `N${k + 1}`, to: '0', resistance: 100 },
    );
  return { elements };
}

/** The same grid's node equations; prints the median time of the solve alone, s, and the source's current, A. */
const scipyGrid = `
import sys, time
import numpy as np
from scipy.sparse import csc_matrix
from scipy.sparse.linalg import spsolve
side = int(sys.argv[1])
n = side * side
rows, columns, values = [], [], []
def join(a, b, g):
    for i, j, s in ((a, a, 1), (b, b, 1), (a, b, -1), (b, a, -1)):
        if i < n - 1 and j < n - 1:
            rows.append(i); columns.append(j); values.append(s * g)
for k in range(n):
    if (k + 1) % side: join(k, k + 1, 1.0)
    if k + side < n: join(k, k + side, 1.0)
join(0, n - 1, 1.0)
matrix = csc_matrix((values, (rows, columns)), shape=(n - 1, n - 1))
right = np.zeros(n - 1)
right[0] = 10.0
times = []
for _ in range(9):
    begun = time.perf_counter()
    v = spsolve(matrix, right)
    times.append(time.perf_counter() - begun)
print(sorted(times)[4], repr(float(10 - v[0])))
`;
