import {
  openSwitch,
  type CircuitFault,
  type CircuitHypothesis,
  type HypothesisOf,
  type ReadingFault,
  type ReadingHypothesis,
} from '../faults/index.ts';
import type { Unloaded } from '../loading/index.ts';
import type { Element, Network } from '../network/index.ts';
import type { CircuitPredictions } from './predictions/circuit-predictions.ts';
import type { Elsewhere } from './causes/elsewhere.ts';
import { isInCircuit, type Observed } from './predictions/observed.ts';
import { contact, decade, isOutside, openOrShort, outOfTolerance, swapped } from './causes/part-faults.ts';
import type { CircuitPrediction } from './predictions/prediction.ts';
import {
  across,
  digitsSwapped,
  elsewhere,
  scaled,
  wrongScales,
  zero,
  type ReadingFaultShown,
} from './causes/reading-faults.ts';
import { meterFactor } from './causes/meter-fault.ts';
import { supplyLimited, supplyValue } from './causes/supply-faults.ts';

/** Returns the numbers that a reading would have with each mistake of one kind, V, A or Ω. */
type ShownWith<Fault extends ReadingHypothesis> = (
  observed: Observed,
  unloaded: Unloaded,
  at: Elsewhere,
) => readonly ReadingFaultShown<Fault>[];

/** Factors of a prefix that is one or two steps off. */
const prefixFactors = [1e3, 1e-3, 1e6, 1e-6];

/** Effect of each kind of mistake on a reading, in the order in which the mistakes are listed. */
const readingFaultsByKind: { readonly [Name in ReadingFault]: ShownWith<HypothesisOf<Name>> } = {
  prefix: (observed) =>
    prefixFactors.flatMap((factor) =>
      scaled(observed, factor, { fault: 'prefix', where: [observed.reading.id], value: factor }),
    ),
  'digits-swapped': digitsSwapped,
  'wrong-scale': (observed) =>
    wrongScales(observed).flatMap(({ range, factor }) =>
      scaled(observed, factor, { fault: 'wrong-scale', where: [observed.reading.id], value: range }),
    ),
  'leads-swapped': (observed) =>
    isInCircuit(observed) && observed.expected !== null
      ? [
          {
            hypothesis: { fault: 'leads-swapped', where: [observed.reading.id], value: null },
            value: 0 - observed.expected,
            tolerance: observed.tolerance,
            u: observed.u,
          },
        ]
      : [],
  'blown-fuse': (observed) =>
    observed.reading.quantity === 'dc-current'
      ? zero(observed, { fault: 'blown-fuse', where: [observed.reading.id], value: null })
      : [],
  'one-point': (observed) => zero(observed, { fault: 'one-point', where: [observed.reading.id], value: null }),
  hanging: (observed) => zero(observed, { fault: 'hanging', where: [observed.reading.id], value: null }),
  'wrong-place': (observed, { network }, at) => (isInCircuit(observed) ? elsewhere(network, at, observed) : []),
  across: (observed, unloaded) => (isInCircuit(observed) ? across(unloaded, observed) : []),
};

const readingKinds: readonly ShownWith<ReadingHypothesis>[] = Object.values(readingFaultsByKind);

/** Returns every mistake that one reading may contain, with the number that would then be recorded. */
export const readingFaults = (unloaded: Unloaded, at: Elsewhere, observed: Observed): ReadingFaultShown[] =>
  readingKinds.flatMap((shown) => shown(observed, unloaded, at));

/** A value that is searched for if each trial solves the circuits again. */
export interface ValueSearch<Fault> {
  /** Returns the limits of the search, in the unit of the value. */
  limits(fault: Fault, network: Network): readonly [number, number];
  /** Returns the fault with another value. */
  at(fault: Fault, value: number): Fault;
  /** Returns whether a fitted value is a fault at all; true if omitted. */
  isFault?(fault: Fault, network: Network): boolean;
}

/** Diagnosis of one kind of circuit fault. */
interface DiagnosedKind<Fault> {
  /** Returns the predictions from the responses of the fault-free circuit. */
  predict(look: CircuitPredictions, fault: Fault): CircuitPrediction[];
  /** Search for the fitted value if the circuits are solved again; null if the kind has none. */
  readonly search: ValueSearch<Fault> | null;
}

/** Limits of a resistance that is searched for, Ω. */
const resistanceLimits = [1e-3, 1e9] as const;

/** Limits of a current that is searched for, A. */
const currentLimits = [1e-6, 100] as const;

/** Limits of the factor on a meter's resistance. */
const meterLimits = [1e-3, 1e3] as const;

/** Limits of an EMF that is searched for, as shares of the nominal one. */
const emfShares = [0.01, 10] as const;

const withValue = <Fault extends { readonly value: number | null }>(fault: Fault, value: number): Fault => ({
  ...fault,
  value,
});

/** Returns the element that has a fault. */
const elementOf = ({ network }: CircuitPredictions, { where: [id] }: CircuitHypothesis): Element =>
  network.elements.find((one) => one.id === id)!;

/** Diagnosis of a fault without a value that changes the network. */
const variantOfNetwork = {
  predict: (look: CircuitPredictions, fault: CircuitHypothesis) => look.variantOf(fault),
  search: null,
};

const circuitFaultsByKind: { readonly [Name in CircuitFault]: DiagnosedKind<HypothesisOf<Name>> } = {
  open: {
    predict: (look, fault) => openOrShort(look, fault) ?? look.variant(fault, openSwitch(elementOf(look, fault))),
    search: null,
  },
  short: {
    predict: (look, fault) => openOrShort(look, fault) ?? [],
    search: null,
  },
  contact: {
    predict: (look, fault) => contact(look, elementOf(look, fault)),
    search: { limits: () => resistanceLimits, at: withValue },
  },
  decade: {
    predict: (look, fault) => {
      const part = elementOf(look, fault);
      return part.kind === 'resistor' ? decade(look, fault, part) : [];
    },
    search: null,
  },
  'out-of-tolerance': {
    predict: (look, fault) => {
      const part = elementOf(look, fault);
      return part.kind === 'resistor' ? outOfTolerance(look, part) : [];
    },
    search: {
      limits: () => resistanceLimits,
      at: withValue,
      isFault: ({ where: [id], value }, { elements }) => {
        const part = elements.find((one) => one.id === id);
        return part?.kind !== 'resistor' || value === null || isOutside(part, value);
      },
    },
  },
  swapped: {
    predict: (look, fault) => {
      const [a, b] = fault.where.map((id) => look.network.elements.find((one) => one.id === id));
      return a?.kind === 'resistor' && b?.kind === 'resistor' ? swapped(look, fault, a, b) : [];
    },
    search: null,
  },
  'supply-off': variantOfNetwork,
  'supply-reversed': variantOfNetwork,
  switch: variantOfNetwork,
  'supply-value': {
    predict: (look, fault) => {
      const source = elementOf(look, fault);
      return source.kind === 'source' ? supplyValue(look, source) : [];
    },
    search: {
      limits: ({ where: [id] }, { elements }) => {
        const element = elements.find((one) => one.id === id);
        const volts = element?.kind === 'source' ? Math.abs(element.emf * (element.cellsInSeries ?? 1)) : 0;
        return [volts * emfShares[0], volts * emfShares[1]];
      },
      at: withValue,
    },
  },
  'supply-limited': {
    predict: (look, fault) => {
      const source = elementOf(look, fault);
      return source.kind === 'source' ? supplyLimited(look, source) : [];
    },
    search: { limits: () => currentLimits, at: withValue },
  },
  meter: {
    predict: (look, { where: [id], value: { quantity } }) => meterFactor(look, id!, quantity, meterLimits),
    search: {
      limits: () => meterLimits,
      at: (fault, factor) => ({ ...fault, value: { ...fault.value, factor } }),
    },
  },
};

/** Returns the diagnosis of a fault's kind. */
export const diagnosedKindOf = ({ fault }: CircuitHypothesis): DiagnosedKind<CircuitHypothesis> =>
  circuitFaultsByKind[fault];
