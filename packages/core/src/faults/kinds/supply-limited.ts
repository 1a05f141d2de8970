import { solveUnloaded } from '../../loading/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';

/** A supply at its current limit; the value is the limit, A, null before it is fitted. */
export type SupplyLimited = FaultOf<'supply-limited', number | null>;

/** A supply limits its current. */
export const supplyLimited: CircuitFaultKind<SupplyLimited> = {
  of: 'circuit',
  changesPart: false,
  replacesTolerance: false,
  possible: ({ id, kind }) => (kind === 'source' ? [{ fault: 'supply-limited', where: [id], value: null }] : []),
  tryable: () => [],
  /** The supply is at its limit if more would flow with no meter connected. */
  apply: (bench, { where, value: amps }) => {
    const source = elementIn(bench.network, where[0]);
    if (!source || amps === null) return bench;
    const solved = solveUnloaded(bench.network);
    const current = solved.ok ? (solved.value.values.elements[source.id]?.current ?? 0) : 0;
    if (Math.abs(current) <= amps) return bench;
    const { id, from, to } = source;
    return withElements(bench, { id, from, to, kind: 'current-source', current: Math.sign(current) * amps });
  },
  sentence: ({ where: [id], value }) =>
    value === null
      ? `${id} is at its current limit.`
      : `${id} is at a current limit of ${formatQuantity(value, 'A', { digits: 3, trim: true })}.`,
  check: ({ where: [id] }) => `Check whether ${id} is at its current limit. Raise the limit, or reduce the load.`,
};
