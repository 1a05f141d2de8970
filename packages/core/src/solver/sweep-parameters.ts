import { nodesOf, type Element, type Network, type QuantityKey } from '../network/index.ts';
import type { Unit } from '../quantity/index.ts';
import { solverKind } from './by-kind.ts';
import { countsAsMeasured, type SweepOutput, type SweepParameter } from './sweep.ts';

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

/** Returns every quantity of a network that can be a parameter: those that are specified and not 0. */
export const sweepParametersOf = (network: Network): NamedParameter[] =>
  network.elements.flatMap((element: Element) =>
    solverKind(element.kind).variables.flatMap(([key, unit, words]): NamedParameter[] => {
      const counted = key === 'resistance' && countsAsMeasured(network, element) ? 'measuredResistance' : key;
      const value = (element as unknown as Record<string, number | undefined>)[counted];
      if (!value) return [];
      return [{ element: element.id, key, unit, value, name: `${words} ${element.id}${ofEachCell(element, key)}` }];
    }),
  );

/** A stack has one value for all of its cells: what is varied is each cell, not the whole. */
function ofEachCell(element: Element, key: QuantityKey): string {
  if (element.kind !== 'source') return '';
  const { cellsInSeries = 1, cellsInParallel = 1 } = element;
  const cells = key === 'emf' ? cellsInSeries : cellsInSeries * cellsInParallel;
  return cells > 1 ? `, each of ${cells} cells` : '';
}

/** Everything that can be an output: voltage, current and power of every part, and every node's potential. */
export const sweepOutputsOf = (network: Network): NamedOutput[] => [
  ...network.elements.flatMap(({ id }): NamedOutput[] => [
    { name: `V across ${id}`, unit: 'V', of: { element: id, what: 'voltage' } },
    { name: `I through ${id}`, unit: 'A', of: { element: id, what: 'current' } },
    { name: `P of ${id}`, unit: 'W', of: { element: id, what: 'power' } },
  ]),
  ...nodesOf(network).map((node): NamedOutput => ({ name: `potential of ${node}`, unit: 'V', of: { node } })),
];

/** Returns the result that is most often looked at: the voltage across the last resistor or lamp. */
export function firstOutput(network: Network, results: readonly NamedOutput[]): NamedOutput {
  const last = network.elements.findLast(({ kind }) => kind === 'resistor' || kind === 'load');
  return results.find(({ name }) => name === `V across ${last?.id}`) ?? results[0]!;
}
