import type { Network } from '../network/index.ts';
import { multiply, negate, toNumber, type DoubleDouble } from './linear/double-double.ts';
import type { NetworkCircuit } from './network-circuit.ts';
import type { CircuitSolution } from './linear/solve-linear.ts';

/** True values of an element; null if nothing determines the value. */
export interface ElementValues {
  /** V(from) − V(to), V. */
  readonly voltage: number | null;
  /** A from → to; out of `from` for a source or current source. */
  readonly current: number | null;
  /** W taken in by passive elements, given out by sources. */
  readonly power: number | null;
}

/** Values of a solved network by the names of its nodes and elements. */
export interface NetworkValues {
  /** V against the reference. */
  readonly nodes: Readonly<Record<string, number | null>>;
  readonly elements: Readonly<Record<string, ElementValues>>;
}

/** A solved circuit in the names and signs of its network, rounded once to doubles. */
export function networkValues(network: Network, named: NetworkCircuit, solution: CircuitSolution): NetworkValues {
  const nodes: Record<string, number | null> = {};
  named.nodeNames.forEach((name, number) => {
    nodes[name] = rounded(solution.potential(number));
  });
  const elements: Record<string, ElementValues> = {};
  network.elements.forEach((element, index) => {
    const branch = named.circuit.branches[index]!;
    const gives = element.kind === 'source' || element.kind === 'current-source';
    const voltage = solution.voltage(branch.from, branch.to);
    const through = solution.currents[index]!;
    const current = through && gives ? negate(through) : through;
    elements[element.id] = { voltage: rounded(voltage), current: rounded(current), power: power(voltage, current) };
  });
  return { nodes, elements };
}

function power(voltage: DoubleDouble | null, current: DoubleDouble | null): number | null {
  if (voltage?.hi === 0 || current?.hi === 0) return 0;
  return voltage && current && toNumber(multiply(voltage, current));
}

const rounded = (value: DoubleDouble | null): number | null => value && toNumber(value) + 0;
