import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';

/** A switch in the other position. */
export type Switch = FaultOf<'switch', null>;

/** A switch is in the other position. */
export const switchFault: CircuitFaultKind<Switch> = {
  of: 'circuit',
  changesPart: false,
  replacesTolerance: false,
  possible: ({ id, kind }) => (kind === 'switch' ? [{ fault: 'switch', where: [id], value: null }] : []),
  tryable: (element) =>
    element.kind === 'switch'
      ? [
          {
            hypothesis: { fault: 'switch', where: [element.id], value: null },
            name: element.closed ? 'open' : 'closed',
          },
        ]
      : [],
  apply: (bench, { where: [id] }) => {
    const element = elementIn(bench.network, id);
    return element?.kind === 'switch' ? withElements(bench, { ...element, closed: !element.closed }) : bench;
  },
  sentence: ({ where: [id] }) => `${id} is in the other position.`,
  check: ({ where: [id] }) => `Look at the position of ${id}.`,
};
