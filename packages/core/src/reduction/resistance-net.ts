import { commonPoints, type CurrentSource, type Element, type Network, type Source } from '../network/index.ts';
import { circuitOf, elementBranch, toNumber, type NetworkCircuit } from '../solver/index.ts';

/** A resistance between two points of a network that is being broken down. */
export interface Part {
  readonly id: string;
  readonly from: string;
  readonly to: string;
  /** Ω, above zero. */
  readonly resistance: number;
}

/** Resistances between points as seen by a source, and the two points that it feeds. */
export interface ResistanceNet {
  readonly source: Source | CurrentSource;
  /** Point of the source's + terminal, and of its other one. */
  readonly top: string;
  readonly bottom: string;
  readonly parts: readonly Part[];
}

/** The sources of a network, voltage sources first: the first is the one that a network is broken down for. */
export function sourcesOf(network: Network): (Source | CurrentSource)[] {
  const voltage = network.elements.filter((e) => e.kind === 'source');
  return [...voltage, ...network.elements.filter((e) => e.kind === 'current-source')];
}

/**
 * Returns the network seen by one source with all others at rest: a voltage source at rest is its internal resistance, an ideal
 * one a wire, a current source is open. Points joined by wires are one, called by the first of their names.
 *
 * @param tangent  the network's circuit with loads that are not ohmic as tangents; left out if all are ohmic
 */
export function resistanceNet(
  network: Network,
  source: Source | CurrentSource,
  tangent: NetworkCircuit = circuitOf(network),
): ResistanceNet {
  const others = network.elements.filter((element) => element.id !== source.id);
  const wired: Network = { elements: others.map((element) => (isWire(element) ? asLink(element) : element)) };
  const point = new Map(
    commonPoints({ elements: [...wired.elements, { ...open, from: source.from, to: source.to }] }).flatMap((group) => {
      const name = group.find((node) => node === source.from || node === source.to) ?? group[0]!;
      return group.map((node) => [node, name] as const);
    }),
  );
  const parts = network.elements.flatMap((element, index): Part[] => {
    const branch = tangent.circuit.branches[index]!;
    if (element.id === source.id || branch.kind !== 'resistance') return [];
    const [from, to] = [point.get(element.from)!, point.get(element.to)!];
    return [{ id: element.id, from, to, resistance: toNumber(branch.resistance) }];
  });
  return { source, top: point.get(source.from)!, bottom: point.get(source.to)!, parts };
}

const isWire = (element: Element): boolean => elementBranch(element, 0, 1).kind === 'ideal';
const asLink = ({ id, from, to }: Element): Element => ({ id, kind: 'link', from, to });
const open = { id: ' ', kind: 'switch', closed: false } as const;
