import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import type { Element, Network } from '../network/index.ts';
import type { CircuitReading, VoltageReading } from './reading.ts';

/** The open terminal of a source that is read unloaded. No part can have this name. */
const openTerminal = (source: string): string => ` ${source} unloaded`;

/** A reading with the network that its meter is connected in. */
export interface Placed<R extends CircuitReading = CircuitReading> {
  readonly network: Network;
  readonly reading: R;
}

/**
 * Returns a reading with the network that it was taken in: for an unloaded reading the source alone, everything else lifted
 * off its `from` node; otherwise the network itself.
 *
 * @returns null if the source no longer exists or the reading is not at its nodes
 */
export function placedIn(network: Network, reading: CircuitReading): Placed | null {
  if (reading.quantity !== 'dc-voltage' || reading.unloaded === undefined) return { network, reading };
  const { unloaded: source, ...placed } = reading;
  const element = network.elements.find(({ id }) => id === source);
  if (!element || element.from === element.to || !isAcross(reading, element)) return null;
  const terminal = openTerminal(source);
  const moved = (node: string): string => (node === element.from ? terminal : node);
  return {
    network: withSourceAlone(network, element, terminal),
    reading: { ...placed, red: moved(reading.red), black: moved(reading.black) },
  };
}

const isAcross = ({ red, black }: VoltageReading, { from, to }: Element): boolean =>
  (red === from && black === to) || (red === to && black === from);

/** A current source elsewhere may have lost its return path with the source: it is disconnected. */
const withSourceAlone = (network: Network, source: Element, terminal: string): Network => ({
  ...network,
  reference: source.to,
  elements: network.elements.map((one): Element => {
    if (one.id === source.id) return { ...one, from: terminal };
    const { id, from, to } = one;
    return one.kind === 'current-source' ? { id, from, to, kind: 'switch', closed: false } : one;
  }),
});

/** A reading with the solved network that its meter is connected in. */
export interface PlacedSolved {
  readonly unloaded: Unloaded;
  readonly reading: CircuitReading;
}

const solvedAlone = new WeakMap<Unloaded, Map<string, Unloaded | null>>();

/** Returns the same as `placedIn` for a network that has been solved; each source alone is solved once. */
export function placedInSolved(unloaded: Unloaded, reading: CircuitReading): PlacedSolved | null {
  if (reading.quantity !== 'dc-voltage' || reading.unloaded === undefined) return { unloaded, reading };
  const placed = placedIn(unloaded.network, reading);
  if (!placed) return null;
  const known = solvedAlone.get(unloaded) ?? new Map<string, Unloaded | null>();
  solvedAlone.set(unloaded, known);
  let alone = known.get(reading.unloaded);
  if (alone === undefined) {
    const solved = solveUnloaded(placed.network);
    known.set(reading.unloaded, (alone = solved.ok ? solved.value : null));
  }
  return alone && { unloaded: alone, reading: placed.reading };
}
