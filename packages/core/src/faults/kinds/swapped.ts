import type { Element, Network, Resistor } from '../../network/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';

/** Two resistors that are exchanged. */
export type Swapped = FaultOf<'swapped', null>;

/** The resistors of another value among some elements. */
const othersThan = (one: Element, among: readonly Element[]): Resistor[] =>
  one.kind === 'resistor'
    ? among.filter(
        (other): other is Resistor =>
          other.kind === 'resistor' && other.id !== one.id && other.resistance !== one.resistance,
      )
    : [];

const faultOf = (one: Element, other: Resistor): Swapped => ({
  fault: 'swapped',
  where: [one.id, other.id],
  value: null,
});

const after = ({ elements }: Network, element: Element): readonly Element[] =>
  elements.slice(elements.indexOf(element) + 1);

/** Two resistors are in each other’s places. */
export const swapped: CircuitFaultKind<Swapped> = {
  of: 'circuit',
  changesPart: true,
  replacesTolerance: false,
  possible: (element, network) => othersThan(element, after(network, element)).map((other) => faultOf(element, other)),
  tryable: (element, { elements }) =>
    othersThan(element, elements).map((other) => ({
      hypothesis: faultOf(element, other),
      name: `exchanged with ${other.id}`,
    })),
  apply: (bench, { where }) => {
    const [a, b] = where.map((id) => elementIn(bench.network, id));
    return a?.kind === 'resistor' && b?.kind === 'resistor'
      ? withElements(bench, { ...b, id: a.id, from: a.from, to: a.to }, { ...a, id: b.id, from: b.from, to: b.to })
      : bench;
  },
  sentence: ({ where: [a, b] }) => `${a} and ${b} are exchanged.`,
  check: ({ where: [a, b] }) => `Switch the supply off, and compare the bands of ${a} and ${b} with the drawing.`,
};
