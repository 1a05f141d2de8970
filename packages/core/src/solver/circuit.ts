import { isOhmic, type Element, type Load, type ResistorValues } from '../network/index.ts';
import { divide, exactly, multiply, zero, type DoubleDouble } from './double-double.ts';

/**
 * Element or meter in the solver: two ends and a law between them, with `i` the current from → to through it.
 *
 * - `resistance`: V(from) − V(to) = emf + resistance·i, resistance above zero
 * - `ideal`: the same with no resistance: a link, a closed switch, an ideal source
 * - `current`: i is given
 * - `open`: no current
 */
export interface Branch {
  readonly id: string;
  readonly kind: 'resistance' | 'ideal' | 'current' | 'open';
  readonly from: number;
  readonly to: number;
  /** Ω; 0 but for `resistance`. */
  readonly resistance: DoubleDouble;
  /** V. */
  readonly emf: DoubleDouble;
  /** A, from → to through the branch; 0 but for `current`. */
  readonly current: number;
  /** Of a load that is not this resistance throughout: what it really does. */
  readonly law?: LoadLaw;
}

/**
 * The law of a load that is not a resistance: I = I_r·sign(V)·|V/V_r|^p, and nothing in reverse where it is polarised.
 *
 * It rises without end, so that a network of such loads has exactly one solution. It is worked with as the voltage at a
 * current, which is flat at zero where the current at a voltage would be steep without end.
 */
export interface LoadLaw {
  /** V. */
  readonly ratedVoltage: number;
  /** A. */
  readonly ratedCurrent: number;
  /** p, above 0 and at most 1. */
  readonly exponent: number;
  readonly polarised: boolean;
}

/** Branches between nodes numbered from 0. */
export interface Circuit {
  readonly nodes: number;
  /** The node that potentials are given against. */
  readonly reference: number;
  readonly branches: readonly Branch[];
}

/** Returns the branch of an element whose ends are on the given nodes. */
export function elementBranch(element: Element, from: number, to: number, values: ResistorValues = 'nominal'): Branch {
  const { id } = element;
  switch (element.kind) {
    case 'source': {
      const series = exactly(element.cellsInSeries ?? 1);
      const emf = multiply(series, exactly(element.emf));
      const cell = element.internalResistance ?? 0;
      if (cell === 0) return { id, kind: 'ideal', from, to, resistance: zero, emf, current: 0 };
      const inside = divide(multiply(series, exactly(cell)), exactly(element.cellsInParallel ?? 1));
      return { id, kind: 'resistance', from, to, resistance: inside, emf, current: 0 };
    }
    case 'resistor': {
      const measured = values === 'measured' ? element.measuredResistance : undefined;
      const resistance = exactly(measured ?? element.resistance);
      return { id, kind: 'resistance', from, to, resistance, emf: zero, current: 0 };
    }
    case 'load': {
      const resistance = divide(exactly(element.ratedVoltage), exactly(element.ratedCurrent));
      const rated = { id, kind: 'resistance', from, to, resistance, emf: zero, current: 0 } as const;
      return isOhmic(element) ? rated : { ...rated, law: lawOf(element) };
    }
    case 'current-source':
      return { id, kind: 'current', from, to, resistance: zero, emf: zero, current: 0 - element.current };
    case 'switch':
      return { id, kind: element.closed ? 'ideal' : 'open', from, to, resistance: zero, emf: zero, current: 0 };
    case 'link':
      return { id, kind: 'ideal', from, to, resistance: zero, emf: zero, current: 0 };
  }
}

const lawOf = ({ ratedVoltage, ratedCurrent, exponent = 1, polarised = false }: Load): LoadLaw => ({
  ratedVoltage,
  ratedCurrent,
  exponent,
  polarised,
});

/** A meter as a branch: a resistance, or an ideal branch where it has none. */
export const meterBranch = (id: string, from: number, to: number, resistance: number): Branch => ({
  id,
  kind: resistance > 0 ? 'resistance' : 'ideal',
  from,
  to,
  resistance: exactly(resistance),
  emf: zero,
  current: 0,
});
