import { add, exactly, multiply, negate, subtract, toNumber, zero, type DoubleDouble } from '../solver/index.ts';
import { isConstant, LinearKnowledge, type Form } from './linear-knowledge.ts';
import type { PlainForm, PowerEquation } from './power-equation.ts';
import { mostPowerUnknowns, solvePowers } from './power-equations.ts';
import { formsOf, type SheetCircuit } from './sheet-circuit.ts';
import type { Given } from './worksheet.ts';

/** Share of a form's size below which the rest of a division is zero. */
const noRest = 1e-9;

/** Share of a solution's size within which it does not move. */
const noMove = 1e-6;

/** A solution of some powers: the forms that it gives a number to. */
type PowerSolution = readonly { readonly form: Form; readonly value: DoubleDouble }[];

/**
 * The smallest set of powers whose voltages and currents hold no more unknowns than it has equations, solved.
 *
 * @returns every solution; null if there is no such set
 */
export function closedPowers(
  { at }: SheetCircuit,
  knowledge: LinearKnowledge,
  powers: readonly Given[],
): readonly PowerSolution[] | null {
  const forms = powers.map((given) => ({ given, ...formsOf(knowledge, at.get(given.of)!) }));
  for (let size = 1; size <= Math.min(forms.length, mostPowerUnknowns); size += 1)
    for (const set of subsets(forms, size)) {
      const basis = basisOf(set.flatMap(({ voltage, current }) => [voltage, current]));
      if (basis.length > size) continue;
      const all = set.map((one) => ({
        ...one,
        equation: {
          voltage: inBasis(basis, one.voltage),
          current: inBasis(basis, one.current),
          power: one.given.value,
        } satisfies PowerEquation,
      }));
      const chosen = independentOf(all, basis.length);
      if (chosen.length < basis.length) continue;
      return solvePowers(chosen.map(({ equation }) => equation)).map((point) => {
        const exact = sharpened(chosen, basis, point);
        return basis.map((form, k) => ({ form, value: exact[k]! }));
      });
    }
  return null;
}

/** Powers of which none follows from those before it, as the source's does from all the others': by their slopes at a point without a pattern. */
function independentOf<T extends { readonly equation: PowerEquation }>(
  all: readonly T[],
  unknowns: number,
): readonly T[] {
  const point = Array.from({ length: unknowns }, (_, k) => 0.3 + (((k + 1) * 0.6180339887498949) % 1));
  const known = new LinearKnowledge(unknowns);
  return all.filter(({ equation: { voltage, current } }) => {
    const at = ({ coefficients, constant }: PlainForm): number =>
      coefficients.reduce((sum, c, k) => sum + c * point[k]!, constant);
    const [v, i] = [exactly(at(voltage)), exactly(at(current))];
    const slope = point.map((_, k) =>
      add(multiply(exactly(voltage.coefficients[k]!), i), multiply(exactly(current.coefficients[k]!), v)),
    );
    const rest = known.reduce({ coefficients: slope, constant: zero });
    const size = (form: Form): number => Math.max(...form.coefficients.map(({ hi }) => Math.abs(hi)));
    if (size(rest) <= noRest * size({ coefficients: slope, constant: zero })) return false;
    known.add(rest);
    return true;
  });
}

function* subsets<T>(all: readonly T[], size: number, from = 0): Generator<readonly T[]> {
  if (size === 0) yield [];
  else
    for (let k = from; k + size <= all.length; k += 1)
      for (const rest of subsets(all, size - 1, k + 1)) yield [all[k]!, ...rest];
}

/** Independent ones among forms, without their constants, that the others are made of. */
function basisOf(forms: readonly Form[]): Form[] {
  const known = new LinearKnowledge(forms[0]!.coefficients.length);
  const basis: Form[] = [];
  for (const { coefficients } of forms) {
    const form = { coefficients, constant: zero };
    const rest = known.reduce(form);
    if (isConstant(rest)) continue;
    known.add(rest);
    basis.push(form);
  }
  return basis;
}

/** A form by the forms of a basis. */
function inBasis(basis: readonly Form[], form: Form): PlainForm {
  const shares = sharesOf(basis, form);
  return { coefficients: shares.map(toNumber), constant: toNumber(form.constant) };
}

/** The number of each form of a basis in a form made of them. */
function sharesOf(basis: readonly Form[], form: Form): DoubleDouble[] {
  const unknowns = form.coefficients.length;
  // Equations between the shares: one for each unknown.
  const shares = new LinearKnowledge(basis.length);
  for (let k = 0; k < unknowns; k += 1) {
    const equation = shares.reduce({
      coefficients: basis.map(({ coefficients }) => coefficients[k]!),
      constant: negate(form.coefficients[k]!),
    });
    if (!isConstant(equation)) shares.add(equation);
  }
  return basis.map((_, at) => {
    const one = basis.map((__, k) => exactly(k === at ? 1 : 0));
    return shares.reduce({ coefficients: one, constant: zero }).constant;
  });
}

/** A solution of power equations to all digits: Newton's method with what is left taken in double-doubles. */
function sharpened(
  set: readonly { readonly given: Given; readonly voltage: Form; readonly current: Form }[],
  basis: readonly Form[],
  point: readonly number[],
): DoubleDouble[] {
  let exact = point.map(exactly);
  const rows = set.map(({ given, voltage, current }) => ({
    given,
    voltage: { shares: sharesOf(basis, voltage), constant: voltage.constant },
    current: { shares: sharesOf(basis, current), constant: current.constant },
  }));
  const at = (form: { readonly shares: readonly DoubleDouble[]; readonly constant: DoubleDouble }): DoubleDouble =>
    form.shares.reduce((sum, share, k) => add(sum, multiply(share, exact[k]!)), form.constant);
  for (let round = 0; round < 3; round += 1) {
    const change = new LinearKnowledge(basis.length);
    for (const { given, voltage, current } of rows) {
      const [v, i] = [at(voltage), at(current)];
      const equation = change.reduce({
        coefficients: basis.map((_, k) => add(multiply(voltage.shares[k]!, i), multiply(current.shares[k]!, v))),
        constant: subtract(multiply(v, i), exactly(given.value)),
      });
      if (!isConstant(equation)) change.add(equation);
    }
    const moves = basis.map((_, k) =>
      change.reduce({ coefficients: basis.map((__, other) => exactly(other === k ? 1 : 0)), constant: zero }),
    );
    const size = Math.max(...exact.map(({ hi }) => Math.abs(hi)));
    // Two solutions that fall together have no slope: the point found is as good as it gets.
    if (moves.some((move) => !isConstant(move) || Math.abs(move.constant.hi) > noMove * size)) return exact;
    exact = exact.map((value, k) => add(value, moves[k]!.constant));
  }
  return exact;
}
