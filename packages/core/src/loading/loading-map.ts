import type { MeterQuantity } from '../instrument/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { attach, portResistance, resistanceBetween, solveCircuit } from '../solver/index.ts';
import { takenShare } from './range-ladder.ts';
import type { Unloaded } from './solve-setup.ts';

/** What one meter resistance does at one place of a network, no other meter connected. */
export interface MapPlace {
  /** Across: two nodes. In series: a part. */
  readonly across?: readonly [string, string];
  readonly inSeriesWith?: string;
  /** V or A. */
  readonly truth: number | null;
  readonly indicated: number | null;
  /** Ω; null where infinite. */
  readonly sourceResistance: number | null;
  /** Share of the true value that the meter takes, never below 0: the error is its negative. */
  readonly taken: number;
}

/**
 * The loading of a meter across every pair of nodes, or its insertion in every part, the worst first.
 *
 * Across, one reduction serves all pairs. Places where nothing can be read, such as nodes that nothing joins, are left out.
 */
export const loadingMap = (unloaded: Unloaded, quantity: MeterQuantity, meterResistance: number): MapPlace[] =>
  (quantity === 'dc-voltage' ? acrossPairs(unloaded, meterResistance) : inParts(unloaded, meterResistance)).sort(
    (a, b) => b.taken - a.taken,
  );

function acrossPairs({ network, named, solution }: Unloaded, meterResistance: number): MapPlace[] {
  const between = resistanceBetween(named.circuit);
  const nodes = nodesOf(network);
  if (!between) return [];
  return nodes.flatMap((a, i) =>
    nodes.slice(i + 1).flatMap((b): MapPlace[] => {
      const [from, to] = [named.nodeNumber.get(a)!, named.nodeNumber.get(b)!];
      const sourceResistance = between(from, to);
      const voltage = solution.voltage(from, to);
      if (sourceResistance === null || voltage === null) return [];
      // Red on the higher of the two, as one would put it.
      const truth = voltage.hi + voltage.lo;
      const taken = takenShare(sourceResistance, meterResistance, 'dc-voltage');
      const size = Math.abs(truth);
      return [
        { across: truth < 0 ? [b, a] : [a, b], truth: size, indicated: size * (1 - taken), sourceResistance, taken },
      ];
    }),
  );
}

function inParts(unloaded: Unloaded, meterResistance: number): MapPlace[] {
  const { network, named, values } = unloaded;
  return network.elements.flatMap((element): MapPlace[] => {
    if (element.from === element.to) return [];
    const opened = attach(named, [
      { id: ' ammeter', resistance: 0, from: element.from, to: { liftedEnds: [`${element.id}.from`] } },
    ]);
    const looked = solveCircuit(opened.circuit, network.elements.length);
    const truth = values.elements[element.id]!.current;
    if (!looked.ok || truth === null) return [];
    const sourceResistance = portResistance(looked.value.port!);
    const taken = takenShare(sourceResistance, meterResistance, 'dc-current');
    const size = Math.abs(truth);
    return [{ inSeriesWith: element.id, truth: size, indicated: size * (1 - taken), sourceResistance, taken }];
  });
}

/** A line for every part, for the drawing: what the meter would take across it or in it; nothing where it cannot be read. */
export function sharesByPart(network: Network, places: readonly MapPlace[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const { across, inSeriesWith, taken } of places) {
    if (inSeriesWith !== undefined) found.set(inSeriesWith, taken);
    else if (across)
      for (const { id, from, to } of network.elements)
        if (across.includes(from) && across.includes(to) && from !== to) found.set(id, taken);
  }
  return found;
}
