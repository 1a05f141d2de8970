import { nodesOf, type Element, type Network, type QuantityKey } from '../network/index.ts';
import type { Unit } from '../quantity/index.ts';
import type { SweepOutput, SweepParameter } from './sweep.ts';

/** A quantity that can be a parameter, with its name and its value. */
export interface NamedParameter extends SweepParameter {
  readonly name: string;
  readonly unit: Unit;
  readonly value: number;
}

/** A result that can be an output. */
export interface NamedOutput {
  readonly name: string;
  readonly unit: Unit;
  readonly of: SweepOutput;
}

const parameterKeys: Readonly<Record<string, readonly (readonly [QuantityKey, Unit, string])[]>> = {
  source: [
    ['emf', 'V', 'EMF of'],
    ['internalResistance', 'Ω', 'inside'],
  ],
  resistor: [['resistance', 'Ω', 'resistance of']],
  'current-source': [['current', 'A', 'current of']],
  load: [['ratedCurrent', 'A', 'rated current of']],
};

/** Everything in a network that can be a parameter: what is there and not nought. */
export const sweepParametersOf = (network: Network): NamedParameter[] =>
  network.elements.flatMap((element: Element) =>
    (parameterKeys[element.kind] ?? []).flatMap(([key, unit, words]): NamedParameter[] => {
      const value = (element as unknown as Record<string, number | undefined>)[key];
      return value ? [{ element: element.id, key, unit, value, name: `${words} ${element.id}` }] : [];
    }),
  );

/** Everything that can be an output: voltage, current and power of every part, and every node's potential. */
export const sweepOutputsOf = (network: Network): NamedOutput[] => [
  ...network.elements.flatMap(({ id }): NamedOutput[] => [
    { name: `V across ${id}`, unit: 'V', of: { element: id, what: 'voltage' } },
    { name: `I through ${id}`, unit: 'A', of: { element: id, what: 'current' } },
    { name: `P of ${id}`, unit: 'W', of: { element: id, what: 'power' } },
  ]),
  ...nodesOf(network).map((node): NamedOutput => ({ name: `potential of ${node}`, unit: 'V', of: { node } })),
];

/** What one would look at first: the voltage across the last resistor or lamp. */
export function firstOutput(network: Network, results: readonly NamedOutput[]): NamedOutput {
  const last = network.elements.findLast(({ kind }) => kind === 'resistor' || kind === 'load');
  return results.find(({ name }) => name === `V across ${last?.id}`) ?? results[0]!;
}
