import { replaceElement, type Element, type Network, type QuantityKey } from '../network/index.ts';
import { circuitOf } from './network-circuit.ts';
import { networkValues, type NetworkValues } from './network-values.ts';
import { solveCircuit } from './solve-circuit.ts';

/** A parameter: a quantity of an element, such as the EMF of E1. */
export interface SweepParameter {
  readonly element: string;
  readonly key: QuantityKey;
}

/** An output: of an element, or a node's potential. */
export type SweepOutput =
  { readonly element: string; readonly what: 'voltage' | 'current' | 'power' } | { readonly node: string };

/**
 * Returns a network with one quantity set to another value; the same network if it has no such quantity. The resistance of a
 * part that counts with its measured value is set there: the solver takes no other.
 */
export function withParameter(network: Network, { element, key }: SweepParameter, value: number): Network {
  const before = network.elements.find(({ id }) => id === element);
  if (!before) return network;
  const counted = key === 'resistance' && countsAsMeasured(network, before) ? 'measuredResistance' : key;
  return replaceElement(network, element, { ...before, [counted]: value });
}

/** Returns whether the solver takes a part's measured value. */
export const countsAsMeasured = ({ values }: Network, element: Element): boolean =>
  values === 'measured' && element.kind === 'resistor' && element.measuredResistance !== undefined;

/** Values evenly spread from one to the other, or by equal ratios where both are above zero and that is asked for. */
export function sweepValues(from: number, to: number, points: number, spread: 'even' | 'ratio' = 'even'): number[] {
  const ratio = spread === 'ratio' && from > 0 && to > 0;
  return Array.from({ length: points }, (_, k) => {
    const share = points === 1 ? 0 : k / (points - 1);
    if (share === 1) return to;
    return ratio ? from * (to / from) ** share : from + (to - from) * share;
  });
}

/** The network solved at every value of a parameter; null if it has no solution there. */
export function sweep(
  network: Network,
  parameter: SweepParameter,
  values: readonly number[],
): (NetworkValues | null)[] {
  return values.map((value) => {
    const at = withParameter(network, parameter, value);
    const named = circuitOf(at);
    const solved = solveCircuit(named.circuit);
    return solved.ok ? networkValues(at, named, solved.value) : null;
  });
}

/** A followed result out of solved values, V, A or W; null if nothing determines it. */
export const watchedValue = (values: NetworkValues | null, watched: SweepOutput): number | null =>
  values === null
    ? null
    : 'node' in watched
      ? (values.nodes[watched.node] ?? null)
      : (values.elements[watched.element]?.[watched.what] ?? null);
