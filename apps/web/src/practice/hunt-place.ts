import { nodesOf, referenceOf, type Network } from '@usual-drag/core/network';
import type { BenchPlace } from '@usual-drag/core/practice';

/** Function of the meter of a hunt, and its place for each function. */
export interface HuntSpot {
  readonly quantity: BenchPlace['quantity'];
  readonly red: string;
  readonly black: string;
  /** Part that a current or a resistance is read of. */
  readonly part: string;
  /** Lead that the next rail is for. */
  readonly next: 'red' | 'black';
}

/** Returns the first place of a hunt: the first node to the reference. */
export function firstSpot(network: Network): HuntSpot {
  const black = referenceOf(network)!;
  const red = nodesOf(network).find((node) => node !== black) ?? black;
  const part = network.elements.find(({ kind }) => kind === 'resistor') ?? network.elements[0]!;
  return { quantity: 'dc-voltage', red, black, part: part.id, next: 'red' };
}

/** Returns the spot with a lead on a rail that was picked: the red one first, then the black one. */
export const withRail = (spot: HuntSpot, node: string): HuntSpot => ({
  ...spot,
  quantity: 'dc-voltage',
  [spot.next]: node,
  next: spot.next === 'red' ? 'black' : 'red',
});

/** Returns the spot at a part that was picked: across it for a voltage. A source is not taken out to be measured. */
export function withPart(spot: HuntSpot, network: Network, id: string): HuntSpot {
  const part = network.elements.find((one) => one.id === id)!;
  if (spot.quantity === 'dc-voltage') return { ...spot, red: part.from, black: part.to, next: 'red' };
  return spot.quantity === 'resistance' && part.kind !== 'resistor' ? spot : { ...spot, part: id };
}

/** Returns the place of a spot; null if nothing can be read there. */
export function placeOf({ quantity, red, black, part: id }: HuntSpot, network: Network): BenchPlace | null {
  const meter = { instrument: 'digital-2000', range: '' };
  const part = network.elements.find((one) => one.id === id);
  if (quantity === 'dc-voltage') return red === black ? null : { ...meter, quantity, red, black };
  if (!part) return null;
  if (quantity === 'resistance') return part.kind === 'resistor' ? { ...meter, quantity, element: id } : null;
  return { ...meter, quantity, node: part.from, ends: [`${id}.from`] };
}

/** Returns a spot in words. */
export function spotWords({ quantity, red, black, part }: HuntSpot): string {
  if (quantity === 'dc-voltage')
    return red === black ? 'Both leads on one node' : `Red lead on ${red}, black on ${black}`;
  return quantity === 'dc-current' ? `In series with ${part}` : `Across ${part}, taken out`;
}
