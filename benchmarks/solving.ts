import { circuitOf, networkValues, solveCircuit } from '@usual-drag/core/solver';
import { lusolve } from 'mathjs';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { duration, line, secondsOf } from './measure.ts';
import { mesh, nodeEquations } from './networks.ts';

/** Networks of three sizes, against two matrix libraries on the node equations. */
export function benchSolving(): void {
  console.log('\nSolving a network, against LU on its node equations (theirs/ours: above 1 we are faster)');
  for (const nodes of [10, 100, 1000]) {
    const network = mesh(nodes);
    const { matrix, right } = nodeEquations(network, nodes);
    const named = circuitOf(network);
    const ours = secondsOf(() => {
      const solved = solveCircuit(named.circuit);
      return solved.ok && networkValues(network, named, solved.value);
    });
    const dense = new Matrix(matrix);
    const column = Matrix.columnVector(right);
    const lu = secondsOf(() => new LuDecomposition(dense).solve(column));
    const mathjs = secondsOf(() => lusolve(matrix, right));
    const solved = solveCircuit(named.circuit);
    const reference = new LuDecomposition(dense).solve(column).get(0, 0);
    const value = solved.ok ? (solved.value.potential(named.nodeNumber.get('N1')!)?.hi ?? NaN) : NaN;
    const agree = Math.abs(value / reference - 1).toExponential(0);
    line(
      `  ${nodes} nodes, ${network.elements.length} parts (${duration(ours)})`,
      `ml-matrix ${(lu / ours).toFixed(2)}   mathjs ${(mathjs / ours).toFixed(2)}   (apart by ${agree})`,
    );
  }
}
