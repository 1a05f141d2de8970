import type { Element, Network, Resistor } from '../network/index.ts';
import type { CircuitFault, Hypothesis } from './fault.ts';

/** Factors that a part of the wrong decade is off by. */
const decades = [10, 0.1, 100, 0.01];

/**
 * Every fault that the parts and sources of a network may have, each by itself. `contact`, `out-of-tolerance`, `supply-value`
 * and `supply-limited` are without their value, which is fitted or chosen.
 */
export const possibleFaults = (network: Network): Hypothesis[] => [
  ...network.elements.flatMap(faultsOfElement),
  ...possibleSwaps(network),
];

/** The faults of one part or source; none if its two ends are one point. */
export function faultsOfElement(element: Element): Hypothesis[] {
  if (element.from === element.to) return [];
  const plain = (...faults: CircuitFault[]): Hypothesis[] =>
    faults.map((fault) => ({ fault, where: [element.id], value: null }));
  switch (element.kind) {
    case 'resistor':
      return [
        ...plain('open', 'short', 'contact'),
        ...decades.map((value): Hypothesis => ({ fault: 'decade', where: [element.id], value })),
        ...plain('out-of-tolerance'),
      ];
    case 'load':
      return plain('open', 'short', 'contact');
    case 'source':
      return [
        ...plain('open', 'contact', 'supply-off', 'supply-reversed'),
        ...(element.emf === 0 ? [] : plain('supply-value')),
        ...plain('supply-limited'),
      ];
    case 'current-source':
      return plain('supply-off', 'supply-reversed');
    case 'switch':
      return plain('switch', ...(element.closed ? (['contact'] as const) : []));
    case 'link':
      return plain('open', 'contact');
  }
}

/** Every two resistors of different value exchanged. */
function possibleSwaps({ elements }: Network): Hypothesis[] {
  const resistors = elements.filter((one): one is Resistor => one.kind === 'resistor');
  return resistors.flatMap((a, at) =>
    resistors
      .slice(at + 1)
      .filter((b) => a.resistance !== b.resistance)
      .map((b): Hypothesis => ({ fault: 'swapped', where: [a.id, b.id], value: null })),
  );
}
