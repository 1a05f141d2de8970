import type { Element, Network, Resistor } from '../../network/index.ts';
import type { Bench } from '../fault-kind.ts';

/** Returns the element with an id; undefined if the network has none. */
export const elementIn = ({ elements }: Network, id: string | undefined): Element | undefined =>
  elements.find((one) => one.id === id);

/** Returns the bench with the elements of the same ids replaced. */
export const withElements = ({ network, instruments }: Bench, ...changed: readonly Element[]): Bench => ({
  instruments,
  network: {
    ...network,
    elements: network.elements.map((one) => changed.find(({ id }) => id === one.id) ?? one),
  },
});

/** Returns a resistor with another resistance, Ω, in place of its nominal and its measured one. */
export function withResistance(resistor: Resistor, resistance: number): Resistor {
  const { measuredResistance: _former, ...rest } = resistor;
  return { ...rest, resistance };
}
