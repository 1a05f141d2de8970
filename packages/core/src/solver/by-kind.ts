import {
  curveOf,
  isOhmic,
  type Element,
  type ElementKind,
  type ElementOf,
  type QuantityKey,
  type ResistorValues,
} from '../network/index.ts';
import type { Unit } from '../quantity/index.ts';
import type { Branch } from './circuit.ts';
import { divide, exactly, multiply, zero } from './linear/double-double.ts';

/** A quantity that can be varied in a sweep: its key, its unit and its name in front of the element's. */
type Variable = readonly [key: QuantityKey, unit: Unit, name: string];

/** How a kind of element enters a circuit. */
interface SolverKind<E> {
  /** The branch of an element, without its ends. */
  branch(element: E, values: ResistorValues): Omit<Branch, 'id' | 'from' | 'to'>;
  readonly variables: readonly Variable[];
}

/** No resistance: the ends are one point. */
const joined = { kind: 'ideal', resistance: zero, emf: zero, current: 0 } as const;

const byKind: { readonly [Kind in ElementKind]: SolverKind<ElementOf<Kind>> } = {
  source: {
    branch: ({ emf, internalResistance = 0, cellsInSeries = 1, cellsInParallel = 1 }) => {
      const series = exactly(cellsInSeries);
      const whole = multiply(series, exactly(emf));
      if (internalResistance === 0) return { ...joined, emf: whole };
      const inside = divide(multiply(series, exactly(internalResistance)), exactly(cellsInParallel));
      return { kind: 'resistance', resistance: inside, emf: whole, current: 0 };
    },
    variables: [
      ['emf', 'V', 'EMF of'],
      ['internalResistance', 'Ω', 'inside'],
    ],
  },
  resistor: {
    branch: ({ resistance, measuredResistance }, values) => {
      const measured = values === 'measured' ? measuredResistance : undefined;
      return { kind: 'resistance', resistance: exactly(measured ?? resistance), emf: zero, current: 0 };
    },
    variables: [['resistance', 'Ω', 'resistance of']],
  },
  'current-source': {
    branch: ({ current }) => ({ kind: 'current', resistance: zero, emf: zero, current: 0 - current }),
    variables: [['current', 'A', 'current of']],
  },
  load: {
    branch: (load) => {
      const { ratedVoltage, ratedCurrent, polarised = false } = load;
      const resistance = divide(exactly(ratedVoltage), exactly(ratedCurrent));
      const rated = { kind: 'resistance', resistance, emf: zero, current: 0 } as const;
      return isOhmic(load) ? rated : { ...rated, law: { ratedVoltage, ratedCurrent, curve: curveOf(load), polarised } };
    },
    variables: [['ratedCurrent', 'A', 'rated current of']],
  },
  switch: { branch: ({ closed }) => (closed ? joined : { ...joined, kind: 'open' }), variables: [] },
  link: { branch: () => joined, variables: [] },
};

/** Returns how elements of a kind enter a circuit. */
export const solverKind = (kind: ElementKind): SolverKind<Element> => byKind[kind];
