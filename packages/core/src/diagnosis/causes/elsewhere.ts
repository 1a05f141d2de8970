import { findRange, type Instrument, type Range } from '../../instrument/index.ts';
import { isLinear, type Unloaded } from '../../loading/index.ts';
import { expectationOf, type CircuitReading, type Expectation } from '../../readings/index.ts';
import { tolerancedParts } from '../../uncertainty/index.ts';
import { LaidOut } from '../laid-out.ts';

/** Returns the reading of a meter at a place, and its uncertainty from the tolerances. */
export type Elsewhere = (place: CircuitReading) => { readonly value: number; readonly tolerance: number };

/** Returns the indication of a meter at a place, V or A. */
export type Indications = (place: CircuitReading) => number;

/** Returns the readings of meters at any place of a solved network; each that was asked for is kept. */
export function elsewhereIn(unloaded: Unloaded, instruments: readonly Instrument[]): Elsewhere {
  const { network } = unloaded;
  const laidOut = laidOutOf(unloaded);
  const off = new Map(tolerancedParts(network).map(({ branch, span }) => [network.elements[branch]!.id, span]));
  const spans = Float64Array.from(laidOut?.names ?? [], (name) => off.get(name) ?? 0);
  const known = new Map<Range, Map<string, ReturnType<Elsewhere>>>();
  const at = (place: CircuitReading, range: Range): ReturnType<Elsewhere> => {
    const indicated = aloneAt(laidOut, place, range);
    if (laidOut === null || indicated === null) {
      const expectation = expectationOf(unloaded, instruments, place);
      return { value: expectation.expected ?? 0, tolerance: toleranceOf(expectation) };
    }
    if (isBlown(indicated, place, range)) return { value: 0, tolerance: 0 };
    return { value: indicated, tolerance: laidOut.toleranceOf(place, range.resistance, spans) };
  };
  return (place) => {
    const range = rangeOf(place, instruments);
    if (!isAlone(place)) return at(place, range);
    let onRange = known.get(range);
    if (!onRange) known.set(range, (onRange = new Map()));
    const key = keyOf(place);
    let found = onRange.get(key);
    if (!found) onRange.set(key, (found = at(place, range)));
    return found;
  };
}

/** Returns the indications of meters at any place of a solved network. */
export function indicationsIn(unloaded: Unloaded, instruments: readonly Instrument[]): Indications {
  const laidOut = laidOutOf(unloaded);
  return (place) => {
    const range = rangeOf(place, instruments);
    const indicated = aloneAt(laidOut, place, range);
    if (indicated === null) return expectationOf(unloaded, instruments, place).expected ?? 0;
    return isBlown(indicated, place, range) ? 0 : indicated;
  };
}

/** A network laid out once for every lone meter; null if a load has a curve. */
const laidOutOf = (unloaded: Unloaded): LaidOut | null => (isLinear(unloaded) ? LaidOut.of(unloaded.network) : null);

const rangeOf = (place: CircuitReading, instruments: readonly Instrument[]): Range =>
  findRange(
    instruments.find(({ id }) => id === place.instrument)!,
    place.quantity,
    place.range,
  )!;

const isAlone = ({ alongside }: CircuitReading): boolean => alongside === undefined || alongside.length === 0;

/** Indication of a lone meter before its fuse blows, V or A; null if its circuit has to be solved by itself. */
function aloneAt(laidOut: LaidOut | null, place: CircuitReading, { resistance }: Range): number | null {
  const indicated = laidOut && isAlone(place) ? laidOut.indicationOf(place, resistance) : null;
  // + 0: no negative zero.
  return indicated === null ? null : indicated + 0;
}

const isBlown = (amps: number, { quantity }: CircuitReading, { fuse = Infinity }: Range): boolean =>
  quantity === 'dc-current' && Math.abs(amps) > fuse;

/** Names the place of a lone meter. */
const keyOf = (place: CircuitReading): string =>
  place.quantity === 'dc-voltage'
    ? `${place.red} ${place.black}`
    : `${place.node} ${place.ends.join()} ${place.reversed ?? false}`;

/** Returns the standard uncertainty of an expected value from the parts' tolerances, V or A. */
export const toleranceOf = ({ response }: Expectation): number =>
  response === null ? 0 : Math.hypot(...response.slopes) / Math.sqrt(3);
