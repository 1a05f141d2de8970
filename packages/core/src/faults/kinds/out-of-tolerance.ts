import { isToleranced } from '../../network/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements, withResistance } from './changed-bench.ts';

/** A resistor outside its tolerance; the value is its resistance, Ω, null before it is fitted. */
export type OutOfTolerance = FaultOf<'out-of-tolerance', number | null>;

/** A resistor is outside its tolerance. */
export const outOfTolerance: CircuitFaultKind<OutOfTolerance> = {
  of: 'circuit',
  changesPart: true,
  replacesTolerance: true,
  possible: ({ id, kind }) => (kind === 'resistor' ? [{ fault: 'out-of-tolerance', where: [id], value: null }] : []),
  tryable: (element, network) =>
    element.kind === 'resistor' && isToleranced(network, element)
      ? [
          {
            hypothesis: {
              fault: 'out-of-tolerance',
              where: [element.id],
              value: element.resistance * (1 + 2 * element.tolerance),
            },
            name: 'twice its tolerance too high',
          },
        ]
      : [],
  apply: (bench, { where: [id], value }) => {
    const element = elementIn(bench.network, id);
    return element?.kind === 'resistor' && value !== null ? withElements(bench, withResistance(element, value)) : bench;
  },
  sentence: ({ where: [id], value }) =>
    value === null
      ? `${id} is outside its tolerance.`
      : `${id} has ${formatQuantity(value, 'Ω', { digits: 3, trim: true })}, outside its tolerance.`,
  check: ({ where: [id] }) => `Switch the supply off, take ${id} out and measure it.`,
};
