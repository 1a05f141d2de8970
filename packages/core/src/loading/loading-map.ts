import type { MeterQuantity } from '../instrument/index.ts';
import { nodesOf, type Element, type Network } from '../network/index.ts';
import {
  attach,
  breakResistance,
  portResistance,
  resistanceBetween,
  solveCircuit,
  toNumber,
  type PairResistance,
} from '../solver/index.ts';
import { loadingShare } from './measurement-point.ts';
import { isLinear, type Unloaded } from './unloaded.ts';

/** Place for a meter, and its values with no other meter connected. */
export interface LoadingPoint {
  /** Two nodes for a voltmeter; null for an ammeter. */
  readonly across: readonly [string, string] | null;
  /** A part for an ammeter; null for a voltmeter. */
  readonly inSeriesWith: string | null;
  /** V or A, never below 0: red is put on the higher of the two. */
  readonly truth: number;
  /** Ω; null if infinite. */
  readonly sourceResistance: number | null;
}

/** Effect of one meter resistance at a place. */
export interface MapPoint extends LoadingPoint {
  /** V or A. */
  readonly indicated: number;
  /** Share of the true value that the meter takes, never below 0: the error is its negative. */
  readonly share: number;
}

/**
 * The loading of a meter across every pair of nodes, or its insertion in every part, the worst first. Where loads are not
 * ohmic each place is solved with the meter in, as long as they are few.
 */
export function loadingMap(unloaded: Unloaded, quantity: MeterQuantity, meterResistance: number): MapPoint[] {
  const points = loadedBy(loadingPoints(unloaded, quantity), quantity, meterResistance);
  if (isLinear(unloaded) || points.length > mostSolved) return points;
  return points.map((point) => solvedWith(unloaded, point, meterResistance)).sort((a, b) => b.share - a.share);
}

/** Places up to which each is solved by itself. */
const mostSolved = 200;

/** Returns the effect of a meter at a place, with the network solved with it. */
function solvedWith({ network, named }: Unloaded, point: MapPoint, resistance: number): MapPoint {
  const { across, inSeriesWith, truth } = point;
  const meter = across
    ? { id: ' meter', resistance, from: across[0], to: across[1] }
    : {
        id: ' meter',
        resistance,
        from: network.elements.find(({ id }) => id === inSeriesWith)!.from,
        to: { liftedEnds: [`${inSeriesWith!}.from`] },
      };
  const loaded = attach(named, [meter]);
  const solved = solveCircuit(loaded.circuit);
  if (!solved.ok || truth === 0) return point;
  const [from, to] = (across ?? []).map((node) => loaded.nodeNumber.get(node)!);
  const read =
    from === undefined || to === undefined
      ? solved.value.currents[network.elements.length]!
      : solved.value.voltage(from, to);
  if (!read) return point;
  const indicated = Math.abs(toNumber(read));
  return { ...point, indicated, share: Math.max(0, 1 - indicated / truth) };
}

/**
 * Every place for a meter, the one where it drags most first: the order is the same for every meter resistance.
 *
 * One reduction serves all of them; where loads are not ohmic it is that of their tangents, so what a meter does there holds
 * to first order. Places where nothing can be read, such as nodes that nothing joins, are left out.
 */
export function loadingPoints(unloaded: Unloaded, quantity: MeterQuantity): LoadingPoint[] {
  const between = resistanceBetween(unloaded.tangent.circuit);
  if (!between) return [];
  if (quantity === 'dc-current')
    return inParts(unloaded, between).sort((a, b) => size(a.sourceResistance) - size(b.sourceResistance));
  return acrossPairs(unloaded, between).sort((a, b) => size(b.sourceResistance) - size(a.sourceResistance));
}

const size = (resistance: number | null): number => resistance ?? Infinity;

/** Returns the effects of a meter of one resistance at several places. */
export function loadedBy(
  points: readonly LoadingPoint[],
  quantity: MeterQuantity,
  meterResistance: number,
): MapPoint[] {
  const share = loadingShares(points, quantity, meterResistance);
  return points.map(({ across, inSeriesWith, truth, sourceResistance }, index) => ({
    across,
    inSeriesWith,
    truth,
    sourceResistance,
    share: share[index]!,
    indicated: truth * (1 - share[index]!),
  }));
}

/** The shares alone, in the order of the places: what many ranges need. */
export function loadingShares(
  points: readonly LoadingPoint[],
  quantity: MeterQuantity,
  meterResistance: number,
): Float64Array {
  const share = new Float64Array(points.length);
  for (let k = 0; k < share.length; k += 1)
    share[k] = loadingShare(points[k]!.sourceResistance, meterResistance, quantity);
  return share;
}

function acrossPairs({ network, named, solution }: Unloaded, between: PairResistance): LoadingPoint[] {
  const nodes = nodesOf(network);
  const points: LoadingPoint[] = [];
  nodes.forEach((a, i) => {
    for (let j = i + 1; j < nodes.length; j += 1) {
      const b = nodes[j]!;
      const [from, to] = [named.nodeNumber.get(a)!, named.nodeNumber.get(b)!];
      const resistance = between(from, to);
      const voltage = solution.voltage(from, to);
      if (resistance === null || voltage === null) continue;
      points.push({
        across: voltage.hi < 0 ? [b, a] : [a, b],
        inSeriesWith: null,
        truth: Math.abs(toNumber(voltage)),
        sourceResistance: toNumber(resistance),
      });
    }
  });
  return points;
}

function inParts(unloaded: Unloaded, between: PairResistance): LoadingPoint[] {
  const { network, tangent, values } = unloaded;
  return network.elements.flatMap((element, index): LoadingPoint[] => {
    const current = values.elements[element.id]!.current;
    if (element.from === element.to || current === null) return [];
    const branch = tangent.circuit.branches[index]!;
    const sourceResistance =
      branch.kind === 'resistance'
        ? breakResistance(branch.resistance, between(branch.from, branch.to)!)
        : lookIntoBreak(unloaded, element);
    if (sourceResistance === undefined) return [];
    return [{ across: null, inSeriesWith: element.id, truth: Math.abs(current), sourceResistance }];
  });
}

/** Returns the resistance seen from a break in a part without resistance of its own, Ω; undefined if it cannot be opened. */
function lookIntoBreak({ network, tangent }: Unloaded, { id, from }: Element): number | null | undefined {
  const meter = { id: ' ammeter', resistance: 0, from, to: { liftedEnds: [`${id}.from`] } };
  const looked = solveCircuit(attach(tangent, [meter]).circuit, network.elements.length);
  return looked.ok ? portResistance(looked.value.port!) : undefined;
}

/** A line for every part, for the drawing: what the meter would take across it or in it; nothing if it cannot be read. */
export function sharesByPart(network: Network, points: readonly MapPoint[]): Map<string, number> {
  const found = new Map<string, number>();
  for (const { across, inSeriesWith, share } of points) {
    if (inSeriesWith !== null) found.set(inSeriesWith, share);
    else if (across)
      for (const { id, from, to } of network.elements)
        if (across.includes(from) && across.includes(to) && from !== to) found.set(id, share);
  }
  return found;
}
