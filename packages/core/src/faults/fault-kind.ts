import type { Instrument } from '../instrument/index.ts';
import type { Element, Network } from '../network/index.ts';

/** A network and the instruments connected to it. */
export interface Bench {
  readonly network: Network;
  readonly instruments: readonly Instrument[];
}

/** One fault that may explain the readings. */
export interface FaultOf<Name extends string, Value> {
  readonly fault: Name;
  /** Ids of the reading, parts, source or instrument that have the fault. */
  readonly where: readonly string[];
  /** Null if the kind has no value, or if the value is still to be fitted. */
  readonly value: Value;
}

/** Parts of the description that every kind of fault has. */
interface Described<Fault> {
  /** The fault as a sentence. */
  sentence(fault: Fault): string;
  /** The check for the fault, as a sentence. */
  check(fault: Fault, network: Network): string;
}

/** A mistake in one reading. The circuit is then fault-free. */
export interface ReadingFaultKind<Fault> extends Described<Fault> {
  readonly of: 'reading';
}

/** A fault of the circuit or of an instrument. */
export interface CircuitFaultKind<Fault> extends Described<Fault> {
  readonly of: 'circuit';
  /** Whether the fault changes the resistance of its part out of circuit. */
  readonly changesPart: boolean;
  /** Whether the part's tolerance no longer applies, because the fault's own value includes it. */
  readonly replacesTolerance: boolean;
  /** Faults of this kind that an element may have; a fault of two parts is listed at the first of them only. */
  possible(element: Element, network: Network): readonly Fault[];
  /** Faults of this kind that can be tried on an element, each with a value if the kind has one. */
  tryable(element: Element, network: Network): readonly TryableFault<Fault>[];
  /** The bench with the fault in it; unchanged if it does not have what the fault is about. */
  apply(bench: Bench, fault: Fault): Bench;
}

/** A fault to try on a network, and its name beside the part that has it. */
export interface TryableFault<Fault> {
  readonly hypothesis: Fault;
  readonly name: string;
}
