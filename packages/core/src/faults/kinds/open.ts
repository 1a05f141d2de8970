import { solveUnloaded } from '../../loading/index.ts';
import { isSource, type Element, type Network } from '../../network/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import type { Bench, CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements } from './changed-bench.ts';

/** A part, source or link through which no current flows. */
export type Open = FaultOf<'open', null>;

const canOpen = ({ kind }: Element): boolean => kind !== 'current-source' && kind !== 'switch';

const faultOf = ({ id }: Element): Open => ({ fault: 'open', where: [id], value: null });

/** A part is open. */
export const open: CircuitFaultKind<Open> = {
  of: 'circuit',
  changesPart: true,
  replacesTolerance: false,
  possible: (element) => (canOpen(element) ? [faultOf(element)] : []),
  tryable: (element) =>
    canOpen(element) ? [{ hypothesis: faultOf(element), name: element.kind === 'link' ? 'missing' : 'open' }] : [],
  apply,
  sentence: ({ where: [id] }) => `${id} is open.`,
  check: (fault, network) => {
    const [id] = fault.where;
    return network.elements.some((one) => one.id === id && isSource(one))
      ? `Read the voltage of ${id} at its terminals, then on the supply side of its fuse and its switch: the open place is where the voltage disappears.`
      : `Read across ${id}: ${voltageAcross(fault, network)} if it is open.`;
  },
};

function apply(bench: Bench, { where: [id] }: Open): Bench {
  const element = elementIn(bench.network, id);
  return element ? withElements(bench, openSwitch(element)) : bench;
}

/** Returns an open switch in the place of an element: its nodes remain in the network. */
export const openSwitch = ({ id, from, to }: Element): Element => ({ id, from, to, kind: 'switch', closed: false });

/** The voltage across an open part, in words. */
function voltageAcross(fault: Open, network: Network): string {
  const solved = solveUnloaded(apply({ network, instruments: [] }, fault).network);
  const voltage = solved.ok ? (solved.value.values.elements[fault.where[0]!]?.voltage ?? null) : null;
  return voltage === null ? 'a voltage other than 0 V' : formatQuantity(Math.abs(voltage), 'V', { digits: 4 });
}
