import type { Element } from '../../network/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';

/** A part whose two ends are joined. */
export type Short = FaultOf<'short', null>;

const possible = ({ id, kind }: Element): readonly Short[] =>
  kind === 'resistor' || kind === 'load' ? [{ fault: 'short', where: [id], value: null }] : [];

/** A part is shorted. */
export const short: CircuitFaultKind<Short> = {
  of: 'circuit',
  changesPart: true,
  replacesTolerance: false,
  possible,
  tryable: (element) => possible(element).map((hypothesis) => ({ hypothesis, name: 'shorted' })),
  apply: (bench, { where }) => {
    const element = elementIn(bench.network, where[0]);
    if (!element) return bench;
    const { id, from, to } = element;
    return withElements(bench, { id, from, to, kind: 'link' });
  },
  sentence: ({ where: [id] }) => `${id} is shorted.`,
  check: ({ where: [id] }) => `Read across ${id}: 0 V if it is shorted, although current flows.`,
};
