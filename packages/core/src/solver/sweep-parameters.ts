import {
  nodesOf,
  type Element,
  type Knob,
  type Network,
  type QuantityKey,
  type Unit,
  type Watched,
} from '@usual-drag/core';

/** A quantity that can be turned, with its name and what it stands at. */
export interface NamedKnob extends Knob {
  readonly name: string;
  readonly unit: Unit;
  readonly value: number;
}

/** A result that can be followed. */
export interface NamedResult {
  readonly name: string;
  readonly unit: Unit;
  readonly of: Watched;
}

const turnable: Readonly<Record<string, readonly (readonly [QuantityKey, Unit, string])[]>> = {
  source: [
    ['emf', 'V', 'EMF of'],
    ['internalResistance', 'Ω', 'inside'],
  ],
  resistor: [['resistance', 'Ω', 'resistance of']],
  'current-source': [['current', 'A', 'current of']],
  load: [['ratedCurrent', 'A', 'rated current of']],
};

/** Everything in a network that can be turned: what is there and not nought. */
export const knobsOf = (network: Network): NamedKnob[] =>
  network.elements.flatMap((element: Element) =>
    (turnable[element.kind] ?? []).flatMap(([key, unit, words]): NamedKnob[] => {
      const value = (element as unknown as Record<string, number | undefined>)[key];
      return value ? [{ element: element.id, key, unit, value, name: `${words} ${element.id}` }] : [];
    }),
  );

/** Everything that can be followed: voltage, current and power of every part, and every node's potential. */
export const resultsOf = (network: Network): NamedResult[] => [
  ...network.elements.flatMap(({ id }): NamedResult[] => [
    { name: `V across ${id}`, unit: 'V', of: { element: id, what: 'voltage' } },
    { name: `I through ${id}`, unit: 'A', of: { element: id, what: 'current' } },
    { name: `P of ${id}`, unit: 'W', of: { element: id, what: 'power' } },
  ]),
  ...nodesOf(network).map((node): NamedResult => ({ name: `potential of ${node}`, unit: 'V', of: { node } })),
];

/** What one would follow first: the voltage across the last resistor or lamp. */
export function firstResult(network: Network, results: readonly NamedResult[]): NamedResult {
  const last = network.elements.findLast(({ kind }) => kind === 'resistor' || kind === 'load');
  return results.find(({ name }) => name === `V across ${last?.id}`) ?? results[0]!;
}
