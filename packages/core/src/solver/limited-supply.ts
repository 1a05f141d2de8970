import type { CurrentSource, Element, Network, Source } from '../network/index.ts';
import { circuitOf } from './network-circuit.ts';
import { networkValues, type NetworkValues } from './network-values.ts';
import { solveCircuit } from './solve-circuit.ts';

/** Share by which a source must pass its setting to be within its limit again. */
const settingNoise = 1e-12;

/** A source that cannot give what it is set to, and what it really does. */
interface LimitedSource {
  readonly id: string;
  /** `current`: a supply that holds its current limit. `voltage`: a current source at the end of its compliance. */
  readonly holds: 'current' | 'voltage';
  /** A or V that it holds. */
  readonly at: number;
}

/** Values of a network with its limited sources. */
export interface LimitedValues {
  readonly limited: readonly LimitedSource[];
  readonly values: NetworkValues;
}

/**
 * Returns the values of a network with supplies at their current limit or current sources out of compliance: the supply
 * turns into a current source, the current source into a voltage source.
 *
 * One source at a time is limited, the worst first, until all are within their limits; one that would be within them again
 * goes back.
 *
 * @returns null if no source is limited, or no state of the sources agrees with itself
 */
export function solveLimited(network: Network): LimitedValues | null {
  const limits = new Map<string, LimitedSource>();
  for (let round = 0; round < 2 * network.elements.length + 2; round += 1) {
    const real: Network = { ...network, elements: network.elements.map((e) => giveWay(e, limits.get(e.id))) };
    const named = circuitOf(real);
    const solved = solveCircuit(named.circuit);
    if (!solved.ok) return null;
    const values = networkValues(real, named, solved.value);
    const recovered = network.elements.find((e) => limits.has(e.id) && withinAgain(e, limits.get(e.id)!, values));
    if (recovered) {
      limits.delete(recovered.id);
      continue;
    }
    const worst = network.elements
      .filter((e) => !limits.has(e.id))
      .map((element) => ({ element, by: excess(element, values) }))
      .reduce<{ element: Element; by: number } | null>((most, next) => (next.by > (most?.by ?? 1) ? next : most), null);
    if (!worst) return limits.size === 0 ? null : { limited: [...limits.values()], values };
    limits.set(worst.element.id, limitOf(worst.element as Source | CurrentSource, values));
  }
  return null;
}

/** Returns the ratio of a source's current to its limit; 0 without a limit. */
function excess(element: Element, values: NetworkValues): number {
  const of = values.elements[element.id]!;
  const [asked, limit] =
    element.kind === 'source'
      ? [of.current, element.currentLimit]
      : element.kind === 'current-source'
        ? [of.voltage, element.compliance]
        : [null, undefined];
  if (asked === null || limit === undefined || asked === 0) return 0;
  return Math.abs(asked) / limit;
}

function limitOf(element: Source | CurrentSource, values: NetworkValues): LimitedSource {
  const of = values.elements[element.id]!;
  return element.kind === 'source'
    ? { id: element.id, holds: 'current', at: Math.sign(of.current!) * element.currentLimit! }
    : { id: element.id, holds: 'voltage', at: Math.sign(of.voltage!) * element.compliance! };
}

function giveWay(element: Element, limit: LimitedSource | undefined): Element {
  if (!limit) return element;
  const { id, from, to } = element;
  return limit.holds === 'current'
    ? { id, from, to, kind: 'current-source', current: limit.at }
    : { id, from, to, kind: 'source', emf: limit.at };
}

/** A limited source that would now have to give more than it is set to has no reason to be limited. */
function withinAgain(element: Element, limit: LimitedSource, values: NetworkValues): boolean {
  const of = values.elements[element.id]!;
  if (element.kind === 'source') {
    const open = element.emf * (element.cellsInSeries ?? 1);
    const inside = ((element.internalResistance ?? 0) * (element.cellsInSeries ?? 1)) / (element.cellsInParallel ?? 1);
    const would = open - inside * limit.at;
    return of.voltage !== null && (of.voltage - would) * Math.sign(limit.at) > settingNoise * Math.abs(open);
  }
  return (
    element.kind === 'current-source' &&
    of.current !== null &&
    (of.current - element.current) * Math.sign(element.current) > settingNoise * Math.abs(element.current)
  );
}
