import { divide, exactly, multiply, subtract, toNumber, type DoubleDouble } from '../solver/index.ts';
import { closedPowers } from './closed-powers.ts';
import { combine, isConstant, less, LinearKnowledge, ratioOf, type Form } from './linear-knowledge.ts';
import { formsOf, type SheetCircuit } from './sheet-circuit.ts';
import { keyOf, type Given, type SheetValues } from './worksheet.ts';

/** Share of the largest value below which a given value counts as zero. */
const smallShare = 1e-9;

/** Share by which a given may miss what follows from the others. */
export const agreeing = 0.005;

/** One way in which everything given can hold. */
export interface SheetSolution {
  readonly knowledge: LinearKnowledge;
  /** Givens that are not used up: powers of parts of which too little is known. */
  readonly open: readonly Given[];
  /** Whether a given equals the value from others except for its rounding. */
  readonly loose: boolean;
}

/**
 * Every way in which the givens can hold together, as far as they determine the circuit; none if they contradict each other.
 *
 * Voltages, currents and resistances are linear equations. A power is one as soon as its voltage or its current is known, or the
 * smallest set of powers that holds as many unknowns as it has equations is solved as a whole.
 */
export function solutionsOf(circuit: SheetCircuit, givens: readonly Given[]): readonly SheetSolution[] {
  const start = new LinearKnowledge(circuit.unknowns);
  const state: State = {
    knowledge: start,
    powers: givens.filter(({ quantity }) => quantity === 'power'),
    loose: false,
  };
  if (givens.some((given) => impossible(circuit, given))) return [];
  for (const given of givens) if (given.quantity !== 'power' && !take(circuit, state, given)) return [];
  const found = goOn(circuit, state);
  const unsigned = givens.every(
    ({ quantity, value }) => quantity === 'resistance' || quantity === 'power' || value === 0,
  );
  return found.filter(
    (solution) => hasPositiveResistances(circuit, solution) && isDrivenOneWay(circuit, solution, unsigned),
  );
}

interface State {
  knowledge: LinearKnowledge;
  powers: readonly Given[];
  loose: boolean;
}

/** The values of every part that one solution determines. */
export function valuesOf(circuit: SheetCircuit, { knowledge, open }: SheetSolution): Record<string, SheetValues> {
  const values: Record<string, SheetValues> = {};
  for (const part of circuit.parts) {
    const { voltage, current } = formsOf(knowledge, part);
    const [v, i] = [constantOf(voltage), constantOf(current)];
    const given = open.find(({ of }) => of === part.id)?.value ?? null;
    const ratio = v && i ? (i.hi === 0 ? null : divide(v, i)) : ratioOf(voltage, current);
    values[part.id] = {
      voltage: v && toNumber(v) + 0,
      current: i && toNumber(i) + 0,
      resistance: ratio && toNumber(ratio) + 0,
      power: v && i ? toNumber(multiply(v, i)) + 0 : v?.hi === 0 || i?.hi === 0 ? 0 : given,
    };
  }
  return withPowerBalance(circuit, values);
}

/** The one power that is left follows from the others: what the sources deliver the resistors take (Tellegen). */
function withPowerBalance(circuit: SheetCircuit, values: Record<string, SheetValues>): Record<string, SheetValues> {
  const unknown = circuit.parts.filter(({ id }) => values[id]!.power === null);
  if (unknown.length !== 1) return values;
  const [part] = unknown;
  let taken = 0;
  for (const other of circuit.parts) if (other !== part) taken += (other.isSource ? -1 : 1) * values[other.id]!.power!;
  const power = (part!.isSource ? 1 : -1) * taken + 0;
  return { ...values, [part!.id]: { ...values[part!.id]!, power } };
}

const constantOf = (form: Form): DoubleDouble | null => (isConstant(form) ? form.constant : null);

const impossible = ({ at }: SheetCircuit, { of, quantity, value }: Given): boolean =>
  !at.get(of)!.isSource && ((quantity === 'resistance' && value <= 0) || (quantity === 'power' && value < 0));

/** Returns whether two numbers are the same but for rounding; nothing is measured against what it is left over from. */
const misses = (found: DoubleDouble, given: number, size = 0): boolean =>
  Math.abs(toNumber(subtract(found, exactly(given)))) > agreeing * Math.max(Math.abs(given), smallShare * size);

/** Takes in a voltage, current or resistance; false if it contradicts what is known. */
function take({ at }: SheetCircuit, state: State, { of, quantity, value }: Given): boolean {
  const { voltage, current } = formsOf(state.knowledge, at.get(of)!);
  const known = (found: DoubleDouble, size?: number): boolean => {
    if (toNumber(found) !== value) state.loose = true;
    return !misses(found, value, size);
  };
  if (quantity !== 'resistance') {
    const form = quantity === 'voltage' ? voltage : current;
    if (isConstant(form)) return known(form.constant);
    state.knowledge.add(less(form, exactly(value)));
    return true;
  }
  if (isConstant(voltage) && isConstant(current)) {
    if (voltage.constant.hi === 0 && current.constant.hi === 0) return true;
    return current.constant.hi !== 0 && known(divide(voltage.constant, current.constant));
  }
  const ratio = ratioOf(voltage, current);
  if (ratio) return known(ratio);
  const equation = combine(exactly(1), voltage, exactly(-value), current);
  if (isConstant(equation)) return equation.constant.hi === 0;
  state.knowledge.add(equation);
  return true;
}

/** Uses up the powers as far as they determine anything, along every way that they leave. */
function goOn(circuit: SheetCircuit, state: State): readonly SheetSolution[] {
  for (;;) {
    takeZeros(circuit, state);
    const taken = takePowers(circuit, state);
    if (taken === 'contradiction') return [];
    if (taken === 'nothing') break;
  }
  const closed = closedPowers(circuit, state.knowledge, state.powers);
  if (!closed) return [{ knowledge: state.knowledge, open: state.powers, loose: state.loose }];
  return closed.flatMap((forms) => {
    const knowledge = state.knowledge.copy();
    for (const { form, value } of forms) {
      const reduced = knowledge.reduce(form);
      if (!isConstant(reduced)) knowledge.add(less(reduced, value));
    }
    return goOn(circuit, { ...state, knowledge, powers: state.powers });
  });
}

/** No voltage across a resistor is no current in it, and the other way about. */
function takeZeros({ parts }: SheetCircuit, { knowledge }: State): void {
  for (const part of parts) {
    if (part.isSource) continue;
    const { voltage, current } = formsOf(knowledge, part);
    const [v, i] = [isConstant(voltage), isConstant(current)];
    if (v && voltage.constant.hi === 0 && !i) knowledge.add(current);
    if (i && current.constant.hi === 0 && !v) knowledge.add(voltage);
  }
}

function takePowers({ at }: SheetCircuit, state: State): 'something' | 'nothing' | 'contradiction' {
  for (const given of state.powers) {
    const part = at.get(given.of)!;
    const { voltage, current } = formsOf(state.knowledge, part);
    const [v, i] = [constantOf(voltage), constantOf(current)];
    if (!v && !i && !(given.value === 0 && !part.isSource)) continue;
    state.powers = state.powers.filter((other) => other !== given);
    if (v && i) {
      const found = multiply(v, i);
      if (toNumber(found) !== given.value) state.loose = true;
      if (misses(found, given.value)) return 'contradiction';
    } else if (v || i) {
      const known = (v ?? i)!;
      if (known.hi !== 0) state.knowledge.add(less(v ? current : voltage, divide(exactly(given.value), known)));
      else if (given.value !== 0) return 'contradiction';
    } else {
      state.knowledge.add(voltage);
      const through = state.knowledge.reduce(part.current);
      if (!isConstant(through)) state.knowledge.add(through);
    }
    return 'something';
  }
  return 'nothing';
}

/** Returns whether no resistor that is known would have to be negative. */
function hasPositiveResistances(circuit: SheetCircuit, { knowledge }: SheetSolution): boolean {
  return circuit.parts.every((part) => {
    if (part.isSource) return true;
    const { voltage, current } = formsOf(knowledge, part);
    if (!isConstant(voltage) || !isConstant(current)) {
      const ratio = ratioOf(voltage, current);
      return !ratio || ratio.hi > 0;
    }
    const [v, i] = [voltage.constant.hi, current.constant.hi];
    return (v === 0 && i === 0) || v * i > 0;
  });
}

/**
 * Whether one source, one way round, can drive everything that is known as it is known.
 *
 * @param unsigned  no given has a direction: the source's voltage is positive
 */
function isDrivenOneWay(circuit: SheetCircuit, { knowledge }: SheetSolution, unsigned: boolean): boolean {
  const { directions, parts } = circuit;
  const ways = new Set<number>(unsigned ? [1] : []);
  for (const part of parts) {
    const direction = directions ? directions.get(part.id) : part.isSource ? 1 : undefined;
    if (direction === undefined) continue;
    const { voltage, current } = formsOf(knowledge, part);
    for (const form of directions ? [voltage, current] : [voltage])
      if (isConstant(form) && form.constant.hi !== 0) ways.add(Math.sign(form.constant.hi) * direction);
    // Of several sources the first that is known decides.
    if (!directions && isConstant(voltage) && voltage.constant.hi !== 0) return !unsigned || voltage.constant.hi > 0;
  }
  return ways.size < 2;
}

/** The givens by their keys, the first of each. */
export const asGiven = (givens: readonly Given[]): ReadonlyMap<string, Given> => {
  const given = new Map<string, Given>();
  for (const one of givens) if (!given.has(keyOf(one))) given.set(keyOf(one), one);
  return given;
};
