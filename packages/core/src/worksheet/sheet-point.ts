import { toNumber } from '../solver/index.ts';
import { isConstant } from './linear-knowledge.ts';
import type { SheetPoint } from './determination.ts';
import type { SheetCircuit } from './sheet-circuit.ts';
import type { SheetSolution } from './solution-set.ts';

/** A point of a solution: what is known as it is, what is free at values without a pattern. */
export function pointOf({ unknowns, potentials }: SheetCircuit, { knowledge }: SheetSolution): SheetPoint {
  const forms = Array.from({ length: unknowns }, (_, k) =>
    knowledge.reduce({
      coefficients: Array.from({ length: unknowns }, (__, other) => ({ hi: other === k ? 1 : 0, lo: 0 })),
      constant: { hi: 0, lo: 0 },
    }),
  );
  const known = (from: number, to: number): number =>
    Math.max(...forms.slice(from, to).map((form) => (isConstant(form) ? Math.abs(toNumber(form.constant)) : 0)), 0) ||
    1;
  const [volts, amperes] = [known(0, potentials), known(potentials, unknowns)];
  // Multiples of the golden ratio, without what is whole in them, spread evenly and never repeat.
  const free = forms.map((_, k) => (0.3 + (((k + 1) * 0.6180339887498949) % 1)) * (k < potentials ? volts : amperes));
  return {
    unknowns: forms.map(({ coefficients, constant }) =>
      coefficients.reduce((sum, c, k) => sum + toNumber(c) * free[k]!, toNumber(constant)),
    ),
  };
}
