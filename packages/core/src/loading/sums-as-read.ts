import { readingDoubt, type Instrument, type MeterQuantity, type Range } from '../instrument/index.ts';
import { loopSums, nodeSums } from '../solver/index.ts';
import { loadingMap, type MapPlace } from './loading-map.ts';
import type { Unloaded } from './solve-setup.ts';

/** One member of a sum, V or A, with the sign that it has in it. */
export interface ReadTerm {
  readonly element: string;
  readonly truth: number;
  readonly indicated: number;
}

/** A sum that closes in truth, as one meter reads its members one at a time. */
export interface SumAsRead {
  /** The node, or the nodes of the loop with the first again at the end. */
  readonly about: readonly string[];
  readonly terms: readonly ReadTerm[];
  /** What is left over as read, V or A; in truth nothing is. Loading or insertion makes all of it. */
  readonly gap: number;
  /** The gap as a share of what runs through the node, or of the largest voltage. */
  readonly relativeGap: number;
  /** Limit of what the instrument's own accuracy and resolution may add to or take from the gap. */
  readonly doubt: number;
}

/**
 * Currents at every node, or voltages round every loop, as one range of one instrument reads them one at a time.
 *
 * Each reading is taken in a different circuit, so they need not add up, however good the display is. Sums with a member that
 * nothing determines, or that is nothing throughout, are left out.
 */
export function sumsAsRead(
  unloaded: Unloaded,
  instrument: Instrument,
  range: Range,
  quantity: MeterQuantity,
): SumAsRead[] {
  const { network, values } = unloaded;
  const places = loadingMap(unloaded, quantity, range.resistance);
  const taken = (element: string): number => placeFor(unloaded, places, element)?.taken ?? 0;
  const sums =
    quantity === 'dc-current'
      ? nodeSums(network, values)
          .filter(({ left, into, out }) => left !== null && into.length + out.length > 2)
          .map(({ node, into, out }) => ({
            about: [node],
            terms: [
              ...into.map(({ element, current }) => ({ element, truth: current })),
              ...out.map(({ element, current }) => ({ element, truth: 0 - current })),
            ],
          }))
      : loopSums(network, values)
          .filter(({ left }) => left !== null)
          .map(({ nodes, drops }) => ({
            about: nodes,
            terms: drops.map(({ element, voltage }) => ({ element, truth: voltage })),
          }));
  return sums.flatMap(({ about, terms }): SumAsRead[] => {
    const read = terms.map((term): ReadTerm => ({ ...term, indicated: term.truth * (1 - taken(term.element)) }));
    const size = read.reduce((sum, { truth }) => sum + Math.max(0, truth), 0);
    if (size === 0) return [];
    // In truth the terms add up to nothing: what is left as read is what the meter took, summed without the large terms.
    const gap = read.reduce((sum, { element, truth }) => sum - truth * taken(element), 0);
    const doubt = read.reduce((sum, { indicated }) => {
      const { accuracy, resolution } = readingDoubt(instrument, range, indicated);
      return sum + accuracy + resolution;
    }, 0);
    return [{ about, terms: read, gap, relativeGap: gap / size, doubt }];
  });
}

function placeFor({ network }: Unloaded, places: readonly MapPlace[], id: string): MapPlace | undefined {
  const element = network.elements.find((candidate) => candidate.id === id)!;
  return places.find(({ across, inSeriesWith }) =>
    across ? across.includes(element.from) && across.includes(element.to) : inSeriesWith === id,
  );
}
