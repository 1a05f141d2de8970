import { findRange, type Instrument } from '../../instrument/index.ts';
import { isLinear, type Unloaded } from '../../loading/index.ts';
import { expectationOf, type CircuitReading, type Expectation } from '../../readings/index.ts';
import { tolerancedParts } from '../../uncertainty/index.ts';
import { LaidOut } from '../laid-out.ts';

/** Returns the reading of a meter at a place, and its uncertainty from the tolerances. */
export type Elsewhere = (place: CircuitReading) => { readonly value: number; readonly tolerance: number };

/** Returns the readings of meters at any place of a solved network: of a lone meter from the network laid out once, of others by solving. */
export function elsewhereIn(unloaded: Unloaded, instruments: readonly Instrument[]): Elsewhere {
  const { network } = unloaded;
  const laidOut = isLinear(unloaded) ? LaidOut.of(network) : null;
  const off = new Map(tolerancedParts(network).map(({ branch, span }) => [network.elements[branch]!.id, span]));
  const spans = Float64Array.from(laidOut?.names ?? [], (name) => off.get(name) ?? 0);
  return (place) => {
    const range = findRange(
      instruments.find(({ id }) => id === place.instrument)!,
      place.quantity,
      place.range,
    )!;
    const isAlone = (place.alongside ?? []).length === 0;
    const found = isAlone ? laidOut?.readingOf(place, range.resistance, spans) : null;
    if (!found) {
      const expectation = expectationOf(unloaded, instruments, place);
      return { value: expectation.expected ?? 0, tolerance: toleranceOf(expectation) };
    }
    const isBlown = place.quantity === 'dc-current' && Math.abs(found.indicated) > (range.fuse ?? Infinity);
    return isBlown ? { value: 0, tolerance: 0 } : { value: found.indicated + 0, tolerance: found.tolerance };
  };
}

/** Returns the standard uncertainty of an expected value from the parts' tolerances, V or A. */
export const toleranceOf = ({ response }: Expectation): number =>
  response === null ? 0 : Math.hypot(...response.slopes) / Math.sqrt(3);
