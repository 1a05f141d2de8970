import { readingUncertainty, type Instrument, type MeterQuantity, type Range } from '../instrument/index.ts';
import { isToleranced, replaceElement, spanOf, type Network } from '../network/index.ts';
import { loopSums, nodeSums } from '../solver/index.ts';
import { stateOn } from './corrected-value.ts';
import { loadingMap, type MapPoint } from './loading-map.ts';
import { solveUnloaded, type Unloaded } from './unloaded.ts';

/** One member of a sum, V or A, with the sign that it has in it. */
interface IndicatedTerm {
  readonly element: string;
  readonly truth: number;
  readonly indicated: number;
  /** Whether this range can be read there, with the leads put on for a positive indication. */
  readonly state: ReturnType<typeof stateOn>;
}

/** A sum that closes in truth, as one meter reads its members one at a time. */
export interface IndicatedSum {
  /** The node at which currents are summed; null for voltages round the loop of the terms' parts. */
  readonly node: string | null;
  readonly terms: readonly IndicatedTerm[];
  /** Remainder of the indicated values, V or A; null if one of them cannot be read. Loading or insertion causes all of it. */
  readonly gap: number | null;
  /** The gap as a share of what runs through the node, or of the largest voltage. */
  readonly relativeGap: number | null;
  /** Limits of what may add to or take from the gap, V or A: the instrument's accuracy, its last digit, */
  readonly accuracy: number;
  readonly resolution: number;
  /** and the parts' tolerances, which open no gap by themselves but change what the meter takes. */
  readonly tolerance: number;
}

/**
 * Currents at every node, or voltages round every loop, as one range of one instrument reads them one at a time.
 *
 * Each reading is taken in a different circuit, so they need not add up, however good the display is. Sums with a member that
 * nothing determines, or that is nothing throughout, are left out.
 */
export function indicatedSums(
  unloaded: Unloaded,
  instrument: Instrument,
  range: Range,
  quantity: MeterQuantity,
): IndicatedSum[] {
  const sums = gapsIn(unloaded, range, quantity);
  const swings = toleranceSwings(unloaded.network, range, quantity);
  return sums.map((sum): IndicatedSum => {
    const { node, terms, gap, size } = sum;
    const uncertainties = terms.map(({ indicated }) => readingUncertainty(instrument, range, indicated));
    const read = terms.map((term): IndicatedTerm => ({
      ...term,
      state: stateOn(instrument, range, Math.abs(term.indicated)),
    }));
    const isReadable = read.every(({ state }) => state === 'ok');
    return {
      node,
      terms: read,
      gap: isReadable ? gap : null,
      relativeGap: isReadable ? gap / size : null,
      accuracy: uncertainties.reduce((sum, { accuracy }) => sum + accuracy, 0),
      resolution: uncertainties.reduce((sum, { resolution }) => sum + resolution, 0),
      tolerance: swings.get(keyOf(sum)) ?? 0,
    };
  });
}

interface Gap {
  readonly node: string | null;
  readonly terms: readonly Omit<IndicatedTerm, 'state'>[];
  readonly gap: number;
  /** V or A that are there to share. */
  readonly size: number;
}

function gapsIn(unloaded: Unloaded, range: Range, quantity: MeterQuantity): Gap[] {
  const { network, values } = unloaded;
  const points = loadingMap(unloaded, quantity, range.resistance);
  const taken = (element: string): number => placeFor(unloaded, points, element)?.share ?? 0;
  const sums =
    quantity === 'dc-current'
      ? nodeSums(network, values)
          .filter(({ left, into, out }) => left !== null && into.length + out.length > 2)
          .map(({ node, into, out }) => ({
            node,
            terms: [
              ...into.map(({ element, current }) => ({ element, truth: current })),
              ...out.map(({ element, current }) => ({ element, truth: 0 - current })),
            ],
          }))
      : loopSums(network, values)
          .filter(({ left }) => left !== null)
          .map(({ drops }) => ({
            node: null,
            terms: drops.map(({ element, voltage }) => ({ element, truth: voltage })),
          }));
  return sums.flatMap(({ node, terms }): Gap[] => {
    const read = terms.map((term) => ({ ...term, indicated: term.truth * (1 - taken(term.element)) }));
    const size = read.reduce((sum, { truth }) => sum + Math.max(0, truth), 0);
    if (size === 0) return [];
    // In truth the terms add up to nothing: what is left as read is what the meter took, summed without the large terms.
    const gap = read.reduce((sum, { element, truth }) => sum - truth * taken(element), 0);
    return [{ node, terms: read, gap, size }];
  });
}

/** For each sum, by its key: how far each part's tolerance moves the gap, added up. */
function toleranceSwings(network: Network, range: Range, quantity: MeterQuantity): Map<string, number> {
  const swings = new Map<string, number>();
  for (const part of network.elements) {
    if (!isToleranced(network, part)) continue;
    const [low, high] = ([-1, 1] as const).map((side) => {
      const resistance = part.resistance + side * spanOf(part);
      const shifted = solveUnloaded(replaceElement(network, part.id, { ...part, resistance }));
      const gaps = shifted.ok ? gapsIn(shifted.value, range, quantity) : [];
      return new Map(gaps.map((sum) => [keyOf(sum), sum.gap]));
    }) as [Map<string, number>, Map<string, number>];
    for (const [key, gap] of high) {
      const other = low.get(key);
      if (other !== undefined) swings.set(key, (swings.get(key) ?? 0) + Math.abs(gap - other) / 2);
    }
  }
  return swings;
}

/** Loops of the same nodes are distinguished by their parts. */
const keyOf = ({ node, terms }: Gap): string => node ?? terms.map(({ element }) => element).join(' ');

function placeFor({ network }: Unloaded, points: readonly MapPoint[], id: string): MapPoint | undefined {
  const element = network.elements.find((candidate) => candidate.id === id)!;
  return points.find(({ across, inSeriesWith }) =>
    across ? across.includes(element.from) && across.includes(element.to) : inSeriesWith === id,
  );
}
