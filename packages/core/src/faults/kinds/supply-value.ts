import { formatQuantity } from '../../quantity/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';

/** A supply set to another voltage; the value is that of all its cells, V, null before it is fitted. */
export type SupplyValue = FaultOf<'supply-value', number | null>;

/** A source has another voltage than assumed. */
export const supplyValue: CircuitFaultKind<SupplyValue> = {
  of: 'circuit',
  changesPart: false,
  replacesTolerance: false,
  possible: (element) =>
    element.kind === 'source' && element.emf !== 0 ? [{ fault: 'supply-value', where: [element.id], value: null }] : [],
  tryable: (element) =>
    element.kind === 'source' && element.emf !== 0
      ? [
          {
            hypothesis: {
              fault: 'supply-value',
              where: [element.id],
              value: (element.emf * (element.cellsInSeries ?? 1)) / 2,
            },
            name: 'set to half',
          },
        ]
      : [],
  apply: (bench, { where: [id], value }) => {
    const element = elementIn(bench.network, id);
    return element?.kind === 'source' && value !== null
      ? withElements(bench, { ...element, emf: value / (element.cellsInSeries ?? 1) })
      : bench;
  },
  sentence: ({ where: [id], value }) =>
    value === null
      ? `${id} is set to another voltage.`
      : `${id} is set to ${formatQuantity(value, 'V', { digits: 4, trim: true })}.`,
  check: ({ where: [id] }) => `Read the voltage of ${id} at its terminals.`,
};
