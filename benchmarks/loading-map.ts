import { loadedBy, loadingPoints, loadingShares, solveUnloaded } from '@usual-drag/core/loading';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { duration, line, secondsOf } from './measure.ts';
import { mesh, nodeEquations } from './networks.ts';

/** The loading map of a network for many ranges, against a dense solve for each place and range. */
export function benchLoadingMap(): void {
  const nodes = 40;
  const ranges = Array.from({ length: 60 }, (_, k) => 10 ** (3 + k / 10));
  const network = mesh(nodes);
  const solved = solveUnloaded(network);
  if (!solved.ok) throw new Error(solved.fault.code);
  const map = secondsOf(() => {
    const points = loadingPoints(solved.value, 'dc-voltage');
    return ranges.map((resistance) => loadingShares(points, 'dc-voltage', resistance));
  });
  const breaks = secondsOf(() => {
    const points = loadingPoints(solved.value, 'dc-current');
    return ranges.map((resistance) => loadingShares(points, 'dc-current', resistance));
  });

  const { matrix, right } = nodeEquations(network, nodes);
  const column = Matrix.columnVector(right);
  const afresh = (a: number, b: number, resistance: number): number => {
    const loaded = new Matrix(matrix);
    const g = 1 / resistance;
    loaded.set(a, a, loaded.get(a, a) + g);
    loaded.set(b, b, loaded.get(b, b) + g);
    loaded.set(a, b, loaded.get(a, b) - g);
    loaded.set(b, a, loaded.get(b, a) - g);
    const v = new LuDecomposition(loaded).solve(column);
    return v.get(a, 0) - v.get(b, 0);
  };
  const [one, other] = [3, 27];
  const points = loadingPoints(solved.value, 'dc-voltage');
  const pair = [`N${one + 1}`, `N${other + 1}`];
  const ours = loadedBy(points, 'dc-voltage', ranges[7]!).find(({ across }) =>
    pair.every((node) => across!.includes(node)),
  )!;
  const apart = Math.abs(Math.abs(afresh(one, other, ranges[7]!)) / ours.indicated - 1).toExponential(0);
  const solves = points.length * ranges.length;
  const each = secondsOf(() => afresh(one, other, ranges[7]!));

  console.log(`\nThe loading map of ${nodes} nodes by ${ranges.length} ranges: ${solves} readings`);
  line(`  all pairs (${duration(map)})`, `${(map / 0.005).toFixed(2)} of 5 ms`);
  line(
    `  ml-matrix, ${solves} × one solve afresh (${duration(each)})`,
    `${((solves * each) / map).toFixed(0)} × as long   (apart by ${apart})`,
  );
  line(`  a break in every part (${duration(breaks)})`, `${(breaks / map).toFixed(2)} × all pairs`);
}
