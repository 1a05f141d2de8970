import { isSource, type Element } from '../../network/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';
import { driven } from './driven.ts';

/** A source with its terminals exchanged. */
export type SupplyReversed = FaultOf<'supply-reversed', null>;

const possible = (element: Element): readonly SupplyReversed[] =>
  isSource(element) ? [{ fault: 'supply-reversed', where: [element.id], value: null }] : [];

/** A source is connected with reversed polarity. */
export const supplyReversed: CircuitFaultKind<SupplyReversed> = {
  of: 'circuit',
  changesPart: false,
  replacesTolerance: false,
  possible,
  tryable: (element) => possible(element).map((hypothesis) => ({ hypothesis, name: 'connected the other way round' })),
  apply: (bench, { where: [id] }) => {
    const element = elementIn(bench.network, id);
    return element
      ? withElements(
          bench,
          driven(element, (own) => -own),
        )
      : bench;
  },
  sentence: ({ where: [id] }) => `${id} is connected the other way round.`,
  check: ({ where: [id] }) => `Read the voltage of ${id} at its terminals, with its sign.`,
};
