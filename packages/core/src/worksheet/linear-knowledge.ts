import {
  add,
  divide,
  exactly,
  multiply,
  negate,
  subtract,
  toNumber,
  zero,
  type DoubleDouble,
} from '../solver/index.ts';

/** Share of their size within which two rows of double-doubles are the same. */
const sameRow = 1e-20;

/** Share of the largest term that rounding leaves of a sum of doubles. */
const sumNoise = 1e-13;

/** A sum of unknowns and a constant. */
export interface Form {
  readonly coefficients: readonly DoubleDouble[];
  readonly constant: DoubleDouble;
}

/**
 * Linear equations between unknowns, kept solved as far as they go: each equation gives one unknown by those that are free.
 *
 * In double-doubles, so that an equation that says nothing new is told from one that says little: what is left of its
 * coefficients is then some 1e-30 of what they were.
 */
export class LinearKnowledge {
  /** The equation that gives an unknown by the free ones. */
  private readonly solved = new Map<number, Form>();
  readonly unknowns: number;

  constructor(unknowns: number) {
    this.unknowns = unknowns;
  }

  copy(): LinearKnowledge {
    const copied = new LinearKnowledge(this.unknowns);
    for (const [unknown, form] of this.solved) copied.solved.set(unknown, form);
    return copied;
  }

  /** The form with every unknown that is known by others put in. */
  reduce(form: Form): Form {
    let constant = form.constant;
    const coefficients = [...form.coefficients];
    const largest = sizeOf(form);
    for (const [unknown, { coefficients: others, constant: other }] of this.solved) {
      const factor = form.coefficients[unknown]!;
      if (factor.hi === 0) continue;
      coefficients[unknown] = subtract(coefficients[unknown]!, factor);
      constant = add(constant, multiply(factor, other));
      for (let k = 0; k < this.unknowns; k += 1)
        if (others[k]!.hi !== 0) coefficients[k] = add(coefficients[k]!, multiply(factor, others[k]!));
    }
    return { coefficients: coefficients.map((c) => (Math.abs(c.hi) <= nothing * largest ? zero : c)), constant };
  }

  /** Takes in that a form, reduced and not a constant, is zero. */
  add(form: Form): void {
    const { coefficients, constant } = form;
    let pivot = 0;
    for (let k = 1; k < this.unknowns; k += 1)
      if (Math.abs(coefficients[k]!.hi) > Math.abs(coefficients[pivot]!.hi)) pivot = k;
    const by = negate(coefficients[pivot]!);
    const given: Form = {
      coefficients: coefficients.map((c, k) => (k === pivot || c.hi === 0 ? zero : divide(c, by))),
      constant: divide(constant, by),
    };
    for (const [unknown, row] of this.solved) {
      const factor = row.coefficients[pivot]!;
      if (factor.hi === 0) continue;
      const largest = Math.max(sizeOf(row), Math.abs(factor.hi) * sizeOf(given));
      this.solved.set(unknown, {
        coefficients: row.coefficients.map((c, k) => {
          const changed = k === pivot ? zero : add(c, multiply(factor, given.coefficients[k]!));
          return Math.abs(changed.hi) <= nothing * largest ? zero : changed;
        }),
        constant: add(row.constant, multiply(factor, given.constant)),
      });
    }
    this.solved.set(pivot, given);
  }
}

/** Share of a row's largest coefficient below which one is left over from rounding. */
const nothing = 1e-22;

const sizeOf = ({ coefficients }: Form): number => coefficients.reduce((most, c) => Math.max(most, Math.abs(c.hi)), 0);

/** Returns whether nothing unknown is in a form. */
export const isConstant = ({ coefficients }: Form): boolean => coefficients.every(({ hi }) => hi === 0);

/** a·first + b·second. */
export function combine(a: DoubleDouble, first: Form, b: DoubleDouble, second: Form): Form {
  return {
    coefficients: first.coefficients.map((c, k) => {
      const one = multiply(a, c);
      const sum = add(one, multiply(b, second.coefficients[k]!));
      return Math.abs(sum.hi) <= nothing * Math.abs(one.hi) ? zero : sum;
    }),
    constant: add(multiply(a, first.constant), multiply(b, second.constant)),
  };
}

/** A form less a number. */
export const less = (form: Form, value: DoubleDouble): Form => ({
  ...form,
  constant: subtract(form.constant, value),
});

/** The number r for which one form is r times another throughout; null if there is none, or it would be zero. */
export function ratioOf(first: Form, second: Form): DoubleDouble | null {
  const pairs = [...first.coefficients.map((c, k) => [c, second.coefficients[k]!] as const)];
  const [lead] = pairs.filter(([, b]) => b.hi !== 0).sort((x, y) => Math.abs(y[1].hi) - Math.abs(x[1].hi));
  if (!lead || lead[0].hi === 0) return null;
  const ratio = divide(lead[0], lead[1]);
  const size = Math.abs(lead[0].hi);
  const same = pairs.every(([a, b]) => Math.abs(toNumber(subtract(a, multiply(ratio, b)))) <= sameRow * size);
  if (!same) return null;
  const left = toNumber(subtract(first.constant, multiply(ratio, second.constant)));
  const most = Math.max(Math.abs(first.constant.hi), Math.abs(toNumber(multiply(ratio, second.constant))));
  return Math.abs(left) <= sumNoise * most ? ratio : null;
}

/** A form of one unknown's coefficients given as plain numbers. */
export const formOf = (coefficients: readonly number[]): Form => ({
  coefficients: coefficients.map(exactly),
  constant: zero,
});
