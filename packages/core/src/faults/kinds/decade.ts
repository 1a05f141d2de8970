import type { Element } from '../../network/index.ts';
import type { CircuitFaultKind, FaultOf } from '../fault-kind.ts';
import { elementIn, withElements, withResistance } from './changed-bench.ts';

/** A resistor of another decade; the value is the factor on its resistance. */
export type Decade = FaultOf<'decade', number>;

/** Factors of a multiplier band that is one or two colours off. */
const factors = [10, 0.1, 100, 0.01];

const possible = ({ id, kind }: Element): readonly Decade[] =>
  kind === 'resistor' ? factors.map((value) => ({ fault: 'decade', where: [id], value })) : [];

/** A resistor of a wrong decade: its resistance is wrong by a power of ten. */
export const decade: CircuitFaultKind<Decade> = {
  of: 'circuit',
  changesPart: true,
  replacesTolerance: false,
  possible,
  tryable: (element) =>
    possible(element).map((hypothesis) => ({ hypothesis, name: `wrong decade, × ${hypothesis.value}` })),
  apply: (bench, { where: [id], value }) => {
    const element = elementIn(bench.network, id);
    return element?.kind === 'resistor'
      ? withElements(bench, withResistance(element, element.resistance * value))
      : bench;
  },
  sentence: ({ where: [id], value }) =>
    `${id} has ${value} times its nominal resistance: a resistor of the wrong decade.`,
  check: ({ where: [id] }) => `Switch the supply off, take ${id} out, read its bands and measure it.`,
};
