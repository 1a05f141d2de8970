import type { Element, Network } from '../network/index.ts';
import type { Bench, CircuitFaultKind, TryableFault } from './fault-kind.ts';
import {
  circuitFaultKinds,
  kindOf,
  type CircuitHypothesis,
  type Hypothesis,
  type ReadingHypothesis,
} from './kinds/index.ts';

/** Returns a hypothesis as a sentence. */
export const faultSentence = (hypothesis: Hypothesis): string => kindOf(hypothesis).sentence(hypothesis);

/** Returns how a hypothesis is checked, as a sentence. */
export const checkFor = (hypothesis: Hypothesis, network: Network): string =>
  kindOf(hypothesis).check(hypothesis, network);

/** Returns whether a fault is a mistake in one reading; the circuit is then fault-free. */
export const isOfReading = (hypothesis: Hypothesis): hypothesis is ReadingHypothesis =>
  kindOf(hypothesis).of === 'reading';

/** Returns the bench with a fault of the circuit in it; unchanged for a mistake in one reading. */
export function withFault(bench: Bench, hypothesis: Hypothesis): Bench {
  const kind = kindOf(hypothesis);
  return kind.of === 'circuit' ? kind.apply(bench, hypothesis) : bench;
}

/** Returns whether a fault changes the resistance of its part out of circuit. */
export const changesPart = ({ fault }: CircuitHypothesis): boolean => circuitFaultKinds[fault].changesPart;

/** Returns whether a fault's own value includes the tolerance of its part. */
export const replacesTolerance = ({ fault }: CircuitHypothesis): boolean => circuitFaultKinds[fault].replacesTolerance;

const circuitKinds: readonly CircuitFaultKind<CircuitHypothesis>[] = Object.values(circuitFaultKinds);

/**
 * Returns every fault that the parts and sources of a network may have, each by itself, those of two parts last. A fault with a
 * fitted value has the value null.
 */
export function possibleFaults(network: Network): CircuitHypothesis[] {
  const all = network.elements.flatMap((element) => circuitKinds.flatMap((kind) => kind.possible(element, network)));
  const places = new Map(network.elements.map((element) => [element.id, element]));
  const canBeFound = ({ where: [id] }: CircuitHypothesis): boolean => !joinsNothing(places.get(id!)!);
  return [
    ...all.filter((one) => one.where.length === 1 && canBeFound(one)),
    ...all.filter(({ where }) => where.length > 1),
  ];
}

/** Returns the faults that can be tried on one part, each with a value if its kind has one. */
export const tryableFaults = (network: Network, element: Element): TryableFault<CircuitHypothesis>[] =>
  circuitKinds
    .flatMap((kind) => kind.tryable(element, network))
    .filter(({ hypothesis: { where } }) => where.length > 1 || !joinsNothing(element));

/** Returns whether both ends are on one node: a fault of the element alone then changes no reading. */
const joinsNothing = ({ from, to }: Element): boolean => from === to;
