import { isSource, type Element } from '../../network/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';
import { driven } from './driven.ts';

/** A source that supplies nothing. */
export type SupplyOff = FaultOf<'supply-off', null>;

const possible = (element: Element): readonly SupplyOff[] =>
  isSource(element) ? [{ fault: 'supply-off', where: [element.id], value: null }] : [];

/** A source is off: it drives nothing. */
export const supplyOff: CircuitFaultKind<SupplyOff> = {
  of: 'circuit',
  changesPart: false,
  replacesTolerance: false,
  possible,
  tryable: (element) => possible(element).map((hypothesis) => ({ hypothesis, name: 'switched off' })),
  apply: (bench, { where: [id] }) => {
    const element = elementIn(bench.network, id);
    return element
      ? withElements(
          bench,
          driven(element, () => 0),
        )
      : bench;
  },
  sentence: ({ where: [id] }) => `${id} is off.`,
  check: ({ where: [id] }) => `Read the voltage of ${id} at its terminals.`,
};
