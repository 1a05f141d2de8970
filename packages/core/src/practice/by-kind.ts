import type {
  CircuitFault,
  CircuitHypothesis,
  FaultName,
  HypothesisOf,
  ReadingFault,
  ReadingHypothesis,
  TryableFault,
} from '../faults/index.ts';
import type { Level } from './problems/problem.ts';

/** Name and marking of a kind of fault in an answer. */
interface NamedKind {
  /** Relative difference up to which a value counts as the same. */
  readonly valueWithin: number;
}

/** A mistake in a reading. */
interface NamedReadingKind<Fault> extends NamedKind {
  /** Its name in a list of answers, and the answer for one reading; null if it is not offered there. */
  readonly offered: { readonly name: string; of(reading: string): Fault } | null;
}

/** A fault of the circuit. */
interface NamedCircuitKind<Fault> extends NamedKind {
  /** The lowest level that hides it; null if no level does. */
  readonly hiddenFrom: Level | null;
  /** Its name in a list of answers; null for the name with which it can be tried. */
  readonly nameInAnswer: string | null;
  /** Returns the fault without a value that only a fit would give. */
  unfitted(fault: Fault): Fault;
}

/** Relative difference allowed for a value that the readings only fit. */
const fitted = 0.25;

/** Relative difference allowed for a factor that is given exactly: the noise of an IEEE number. */
const exact = 1e-9;

/** Mistakes in readings, in the order in which they are offered. */
const readingKinds: { readonly [Name in ReadingFault]: NamedReadingKind<HypothesisOf<Name>> } = {
  prefix: {
    offered: {
      name: 'written down with the wrong prefix',
      of: (id) => ({ fault: 'prefix', where: [id], value: null }),
    },
    valueWithin: exact,
  },
  'digits-swapped': {
    offered: { name: 'two digits exchanged', of: (id) => ({ fault: 'digits-swapped', where: [id], value: null }) },
    valueWithin: exact,
  },
  'wrong-place': {
    offered: { name: 'read at another place', of: (id) => ({ fault: 'wrong-place', where: [id], value: null }) },
    valueWithin: exact,
  },
  'leads-swapped': {
    offered: { name: 'leads swapped', of: (id) => ({ fault: 'leads-swapped', where: [id], value: null }) },
    valueWithin: exact,
  },
  'one-point': {
    offered: { name: 'both leads on one point', of: (id) => ({ fault: 'one-point', where: [id], value: null }) },
    valueWithin: exact,
  },
  hanging: { offered: null, valueWithin: exact },
  'wrong-scale': { offered: null, valueWithin: exact },
  across: { offered: null, valueWithin: exact },
  'blown-fuse': { offered: null, valueWithin: exact },
};

/** A fault whose value, if any, is one of a few. */
const given = { nameInAnswer: null, unfitted: <Fault>(fault: Fault): Fault => fault, valueWithin: exact };

/** A fault whose value is fitted to the readings. */
const fit = {
  nameInAnswer: null,
  unfitted: <Fault extends { readonly value: number | null }>(fault: Fault): Fault => ({ ...fault, value: null }),
  valueWithin: fitted,
};

const circuitKinds: { readonly [Name in CircuitFault]: NamedCircuitKind<HypothesisOf<Name>> } = {
  open: { ...given, hiddenFrom: 1 },
  short: { ...given, hiddenFrom: 1 },
  decade: { ...given, hiddenFrom: 2 },
  swapped: { ...given, hiddenFrom: 2, nameInAnswer: 'exchanged' },
  switch: { ...given, hiddenFrom: 2 },
  'supply-value': { ...fit, hiddenFrom: 2, nameInAnswer: 'set to another voltage' },
  contact: { ...fit, hiddenFrom: 3 },
  'supply-off': { ...given, hiddenFrom: 3 },
  'supply-reversed': { ...given, hiddenFrom: 3 },
  'out-of-tolerance': { ...fit, hiddenFrom: null },
  'supply-limited': { ...fit, hiddenFrom: null },
  meter: { ...given, hiddenFrom: null, valueWithin: fitted },
};

const allKinds: Readonly<Record<FaultName, NamedKind>> = { ...readingKinds, ...circuitKinds };

/** Returns the relative difference up to which two values of a kind of fault count as the same. */
export const valueWithin = (fault: FaultName): number => allKinds[fault].valueWithin;

const everyReadingKind: readonly NamedReadingKind<ReadingHypothesis>[] = Object.values(readingKinds);

/** The mistakes in readings that are offered as answers. */
export const offeredMistakes = everyReadingKind.flatMap(({ offered }) => offered ?? []);

const circuitKindOf = ({ fault }: CircuitHypothesis): NamedCircuitKind<CircuitHypothesis> => circuitKinds[fault];

/** Returns the name of a fault of the circuit in a list of answers. */
export const nameInAnswer = ({ hypothesis, name }: TryableFault<CircuitHypothesis>): string =>
  circuitKindOf(hypothesis).nameInAnswer ?? name;

/** Returns a fault of the circuit without a value that only a fit would give. */
export const unfitted = (fault: CircuitHypothesis): CircuitHypothesis => circuitKindOf(fault).unfitted(fault);

/** Returns whether a level hides faults of this kind. */
export function isHiddenAt(level: Level, hypothesis: CircuitHypothesis): boolean {
  const { hiddenFrom } = circuitKindOf(hypothesis);
  return hiddenFrom !== null && hiddenFrom <= level;
}
