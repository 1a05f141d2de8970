import type { Element, Network } from '@usual-drag/core/network';
import { circuitOf, solveCircuit, toNumber } from '@usual-drag/core/solver';
import { LuDecomposition, Matrix } from 'ml-matrix';
import { line } from './measure.ts';
import { mesh, nodeEquations } from './networks.ts';

const jobs = 1000;
const nodes = 10;
const wanted = 1e-9;

/**
 * In how many of many random jobs a plain LU of the node equations misses nine digits: of a node's potential, and of what a
 * voltmeter of 10 MΩ takes there, found as the difference of two solutions.
 */
export function benchLuMisses(): void {
  console.log(`\nWhere the plain LU of ${jobs} random networks of ${nodes} nodes misses 1e-9`);
  for (const [what, spread] of [
    ['resistances of 10 Ω to 1 MΩ', 1],
    ['resistances of 1 mΩ to 1 GΩ', 2.4],
  ] as const) {
    let [potentials, errors, unsolved] = [0, 0, 0];
    for (let seed = 1; seed <= jobs; seed += 1) {
      const network = widened(mesh(nodes, seed), spread);
      const loaded: Network = {
        ...network,
        elements: [...network.elements, { id: 'V1', kind: 'resistor', from: 'N1', to: '0', resistance: 1e7 }],
      };
      const [ours, withMeter] = [potentialOf(network), potentialOf(loaded)];
      const [theirs, theirsWith] = [luPotential(network), luPotential(loaded)];
      if (ours === null || withMeter === null) unsolved += 1;
      else {
        if (!isNear(theirs, toNumber(ours))) potentials += 1;
        const error = ours.hi - withMeter.hi + (ours.lo - withMeter.lo);
        if (!isNear(theirs - theirsWith, error)) errors += 1;
      }
    }
    line(
      `  ${what}`,
      `a potential in ${potentials}, a loading error in ${errors}${unsolved > 0 ? `, ${unsolved} without a solution` : ''}`,
    );
  }
}

const isNear = (found: number, right: number): boolean => Math.abs(found - right) <= wanted * Math.abs(right);

function potentialOf(network: Network) {
  const { circuit, nodeNumber } = circuitOf(network);
  const solved = solveCircuit(circuit);
  return solved.ok ? solved.value.potential(nodeNumber.get('N1')!) : null;
}

function luPotential(network: Network): number {
  const { matrix, right } = nodeEquations(network, nodes);
  return new LuDecomposition(new Matrix(matrix)).solve(Matrix.columnVector(right)).get(0, 0);
}

/** The same network with its resistances further apart, by ratio about 3.2 kΩ. */
const widened = (network: Network, spread: number): Network => ({
  ...network,
  elements: network.elements.map((part): Element =>
    part.kind === 'resistor' ? { ...part, resistance: 10 ** (3 + spread * (Math.log10(part.resistance) - 3.5)) } : part,
  ),
});
