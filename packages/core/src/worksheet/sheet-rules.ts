import { toNumber } from '../solver/index.ts';
import { ratioOf } from './linear-knowledge.ts';
import { currentByCut, voltageByLoop, type SheetTerm } from './kirchhoff-ways.ts';
import type { SheetCircuit, SheetPart } from './sheet-circuit.ts';
import type { SheetQuantity, SheetRule } from './worksheet.ts';

/** A rule that gives a value now, and how. */
export interface Application {
  readonly of: string;
  readonly quantity: SheetQuantity;
  readonly rule: SheetRule;
  /** Values that it uses, `of` and quantity each. */
  readonly from: readonly { readonly of: string; readonly quantity: SheetQuantity }[];
  /** The value by the rule's own arithmetic; null if only the circuit as a whole gives it. */
  readonly value: number | null;
  /** Form in which it is written: `/`, `×`, a sum with signs, or the same again. */
  readonly form:
    'ratio' | 'product' | 'square' | 'square-ratio' | 'root' | 'root-ratio' | 'sum' | 'same' | 'zero' | 'whole';
  readonly signs?: readonly (1 | -1)[];
}

/** The values found so far, and the sign that a root has. */
export interface SheetState {
  readonly circuit: SheetCircuit;
  value(of: string, quantity: SheetQuantity): number | undefined;
  /** Returns the final value; null if it does not follow. */
  final(of: string, quantity: SheetQuantity): number | null;
}

/** The first rule that gives something new, in the order in which one works on paper. */
export function nextRule(state: SheetState): Application | null {
  for (const rule of inOrder)
    for (const part of state.circuit.parts) {
      const found = rule(state, part);
      if (found) return found;
    }
  return null;
}

type RuleOf = (state: SheetState, part: SheetPart) => Application | null;

const isWanted = ({ value, final }: SheetState, of: string, quantity: SheetQuantity): boolean =>
  value(of, quantity) === undefined && final(of, quantity) !== null;

const apply = (
  part: SheetPart,
  quantity: SheetQuantity,
  rule: SheetRule,
  from: readonly SheetQuantity[],
  form: Application['form'],
  value: number,
): Application => ({
  of: part.id,
  quantity,
  rule,
  from: from.map((one) => ({ of: part.id, quantity: one })),
  form,
  value,
});

/** V = R·I and I = V/R; no voltage is no current. */
const ohmForward: RuleOf = (state, part) => {
  const known = (quantity: SheetQuantity) => state.value(part.id, quantity);
  const [v, i, r] = [known('voltage'), known('current'), known('resistance')];
  if (isWanted(state, part.id, 'current')) {
    if (v !== undefined && r !== undefined)
      return apply(part, 'current', 'ohm', ['voltage', 'resistance'], 'ratio', v / r);
    if (v === 0 && !part.isSource) return apply(part, 'current', 'ohm', ['voltage'], 'zero', 0);
  }
  if (isWanted(state, part.id, 'voltage')) {
    if (i !== undefined && r !== undefined)
      return apply(part, 'voltage', 'ohm', ['current', 'resistance'], 'product', i * r);
    if (i === 0 && !part.isSource) return apply(part, 'voltage', 'ohm', ['current'], 'zero', 0);
  }
  return null;
};

const ohmResistance: RuleOf = (state, part) => {
  const [v, i] = [state.value(part.id, 'voltage'), state.value(part.id, 'current')];
  return v && i && isWanted(state, part.id, 'resistance')
    ? apply(part, 'resistance', 'ohm', ['voltage', 'current'], 'ratio', v / i)
    : null;
};

/** The same current, or the same voltage, as a part of which it is known. */
const same =
  (quantity: 'current' | 'voltage', rule: 'series' | 'parallel'): RuleOf =>
  (state, part) => {
    if (!isWanted(state, part.id, quantity)) return null;
    for (const other of state.circuit.parts) {
      const known = other === part ? undefined : state.value(other.id, quantity);
      if (known === undefined) continue;
      const ratio = ratioOf(part[quantity], other[quantity]);
      if (!ratio) continue;
      const sign = toNumber(ratio) < 0 ? -1 : 1;
      return {
        ...apply(part, quantity, rule, [], 'same', sign * known + 0),
        from: [{ of: other.id, quantity }],
        signs: [sign],
      };
    }
    return null;
  };

const bySum =
  (quantity: 'current' | 'voltage', rule: 'junction' | 'loop', termsOf: typeof voltageByLoop): RuleOf =>
  (state, part) => {
    if (!isWanted(state, part.id, quantity)) return null;
    const terms: readonly SheetTerm[] | null = termsOf(
      state.circuit,
      part,
      (id) => state.value(id, quantity) !== undefined,
    );
    if (!terms) return null;
    const value = terms.reduce((sum, { of, sign }) => sum + sign * state.value(of, quantity)!, 0) + 0;
    return {
      ...apply(part, quantity, rule, [], terms.length === 0 ? 'zero' : 'sum', value),
      from: terms.map(({ of }) => ({ of, quantity })),
      signs: terms.map(({ sign }) => sign),
    };
  };

/** V = P/I, I = P/V, I = √(P/R), V = √(P·R); the root's sign is the circuit's. */
const powerForward: RuleOf = (state, part) => {
  const known = (quantity: SheetQuantity) => state.value(part.id, quantity);
  const [v, i, r, p] = [known('voltage'), known('current'), known('resistance'), known('power')];
  if (p === undefined) return null;
  const signOf = (quantity: SheetQuantity): number => ((state.final(part.id, quantity) ?? 0) < 0 ? -1 : 1);
  if (isWanted(state, part.id, 'current')) {
    if (v) return apply(part, 'current', 'power', ['power', 'voltage'], 'ratio', p / v);
    if (r && p / r >= 0)
      return apply(
        part,
        'current',
        'power',
        ['power', 'resistance'],
        'root-ratio',
        signOf('current') * Math.sqrt(p / r) + 0,
      );
    if (p === 0 && !part.isSource) return apply(part, 'current', 'power', ['power'], 'zero', 0);
  }
  if (isWanted(state, part.id, 'voltage')) {
    if (i) return apply(part, 'voltage', 'power', ['power', 'current'], 'ratio', p / i);
    if (r && p * r >= 0)
      return apply(part, 'voltage', 'power', ['power', 'resistance'], 'root', signOf('voltage') * Math.sqrt(p * r) + 0);
  }
  return null;
};

/** P = V·I, else I²·R or V²/R; and R by them from the power. */
const powerItself: RuleOf = (state, part) => {
  const known = (quantity: SheetQuantity) => state.value(part.id, quantity);
  const [v, i, r] = [known('voltage'), known('current'), known('resistance')];
  if (!isWanted(state, part.id, 'power')) return null;
  if (v !== undefined && i !== undefined)
    return apply(part, 'power', 'power', ['voltage', 'current'], 'product', v * i);
  if (i !== undefined && r) return apply(part, 'power', 'power', ['current', 'resistance'], 'square', i * i * r);
  if (v !== undefined && r)
    return apply(part, 'power', 'power', ['voltage', 'resistance'], 'square-ratio', (v * v) / r);
  return null;
};

const inOrder: readonly RuleOf[] = [
  ohmForward,
  same('current', 'series'),
  same('voltage', 'parallel'),
  bySum('voltage', 'loop', voltageByLoop),
  bySum('current', 'junction', currentByCut),
  powerForward,
  ohmResistance,
  powerItself,
];
