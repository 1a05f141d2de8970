import { Determination, type SheetPoint } from './determination.ts';
import { equivalentText } from './equivalent-text.ts';
import type { SheetCircuit } from './sheet-circuit.ts';
import { solutionsOf, valuesOf } from './solution-set.ts';
import { nextRule, type Application, type SheetState } from './sheet-rules.ts';
import { stepText, written } from './sheet-words.ts';
import {
  keyOf,
  sheetQuantities,
  type Given,
  type SheetQuantity,
  type SheetStep,
  type SheetValues,
  type Worksheet,
} from './worksheet.ts';

/** Relative difference up to which a step's own value is replaced by the exact one. */
const rounding = 1e-7;

/**
 * How every value that follows is come by, in the order in which one works on paper: a rule of one part or of parts that share
 * a current or a voltage, then sums, then the circuit as one resistance, and equations only if nothing else gives anything.
 *
 * @param finals  what follows from the givens
 * @param point   where it does
 */
export function sheetSteps(
  sheet: Worksheet,
  circuit: SheetCircuit,
  givens: ReadonlyMap<string, Given>,
  finals: Readonly<Record<string, SheetValues>>,
  point: SheetPoint,
): readonly SheetStep[] {
  const found = new Map<string, number>([...givens].map(([key, { value }]) => [key, value]));
  const valueAt = (of: string, quantity: SheetQuantity): number | undefined => found.get(keyOf({ of, quantity }));
  const state: SheetState = { circuit, value: valueAt, final: (of, quantity) => finals[of]![quantity] };
  const steps: SheetStep[] = [];
  const key = (one: { readonly of: string; readonly quantity: SheetQuantity }): string => keyOf(one);
  for (;;) {
    const next = nextRule(state) ?? byEquivalent(state, point) ?? byEquations(state, point);
    if (!next) return steps;
    const { of, quantity, rule, from, value: reckoned } = next;
    const final = finals[of]![quantity]!;
    // To all digits, unless a given that is rounded differs a little from the others.
    const value = reckoned === null || Math.abs(reckoned - final) <= rounding * Math.abs(final) ? final : reckoned;
    found.set(key(next), value);
    const known = (one: string, what: SheetQuantity): number => valueAt(one, what)!;
    const text =
      rule === 'equivalent'
        ? equivalentText(sheet, next, (one) => valueAt(one, 'resistance'))
        : rule === 'equations'
          ? `solved together with ${listed(from.map((one) => `${one.of} ${written(known(one.of, one.quantity), one.quantity)}`))}: ${written(value, quantity)}`
          : stepText(next, value, known);
    const whole = rule === 'equations' && !decides(circuit, from, found, next) ? [...givens.values()] : from;
    steps.push({ of, quantity, value, rule, from: whole.map(key), text });
  }
}

/** Returns whether a value follows from some known ones alone, without a second circuit that would fit these. */
function decides(
  circuit: SheetCircuit,
  from: readonly Key[],
  found: ReadonlyMap<string, number>,
  wanted: Key,
): boolean {
  const solutions = solutionsOf(
    circuit,
    from.map((one) => ({ of: one.of, quantity: one.quantity, value: found.get(keyOf(one))! })),
  );
  return solutions.length === 1 && valuesOf(circuit, solutions[0]!)[wanted.of]![wanted.quantity] !== null;
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? 'nothing') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;

/** A resistance from other resistances: what the source sees, or the part that is left of it. */
function byEquivalent(state: SheetState, point: SheetPoint): Application | null {
  const { parts } = state.circuit;
  const known = parts
    .filter(({ id }) => state.value(id, 'resistance') !== undefined)
    .map(({ id }) => ({ of: id, quantity: 'resistance' as const }));
  const resistances = new Determination(state.circuit, point);
  for (const { of, quantity } of known) resistances.add(of, quantity);
  for (const { id } of parts) {
    if (state.value(id, 'resistance') !== undefined || state.final(id, 'resistance') === null) continue;
    if (!resistances.follows(id, 'resistance')) continue;
    const from = leastOf(state.circuit, point, { of: id, quantity: 'resistance' }, known);
    if (from) return { of: id, quantity: 'resistance', rule: 'equivalent', from, value: null, form: 'whole' };
  }
  return null;
}

/** A value that only the laws of the whole circuit give: a current if there is one, the one that needs the fewest others. */
function byEquations(state: SheetState, point: SheetPoint): Application | null {
  const { circuit } = state;
  const all = circuit.parts.flatMap(({ id }) => sheetQuantities.map((quantity) => ({ of: id, quantity })));
  const known = all.filter(({ of, quantity }) => state.value(of, quantity) !== undefined);
  for (const quantity of ['current', 'voltage', 'resistance', 'power'] as const) {
    const found = circuit.parts
      .filter(({ id }) => state.value(id, quantity) === undefined && state.final(id, quantity) !== null)
      // Where two solutions coincide slopes determine nothing: all that is known gives it.
      .map(({ id }) => ({ of: id, from: leastOf(circuit, point, { of: id, quantity }, known) ?? known }));
    const [first, ...others] = found;
    if (!first) continue;
    const { of, from } = others.reduce((best, one) => (one.from.length < best.from.length ? one : best), first);
    return { of, quantity, rule: 'equations', from, value: null, form: 'whole' };
  }
  return null;
}

interface Key {
  readonly of: string;
  readonly quantity: SheetQuantity;
}

/** As few of some values as still determine one, what was known first kept longest; null if all together do not. */
function leastOf(circuit: SheetCircuit, point: SheetPoint, wanted: Key, known: readonly Key[]): readonly Key[] | null {
  const determines = (keys: readonly Key[]): boolean => {
    const determination = new Determination(circuit, point);
    for (const { of, quantity } of keys) determination.add(of, quantity);
    return determination.follows(wanted.of, wanted.quantity);
  };
  if (!determines(known)) return null;
  let least = known;
  for (const one of [...known].reverse()) {
    const without = least.filter((other) => other !== one);
    if (determines(without)) least = without;
  }
  return least;
}
