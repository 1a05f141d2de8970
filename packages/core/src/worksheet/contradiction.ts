import type { SheetCircuit } from './sheet-circuit.ts';
import { agreeing, solutionsOf, valuesOf } from './solution-set.ts';
import { written } from './sheet-words.ts';
import { keyOf, type Given, type SheetContradiction } from './worksheet.ts';

/** Which of the givens cannot hold together: as few as still contradict each other, with what the others make of the last. */
export function contradictionOf(circuit: SheetCircuit, givens: readonly Given[]): SheetContradiction {
  let between = givens;
  for (const one of givens) {
    const without = between.filter((other) => other !== one);
    if (solutionsOf(circuit, without).length === 0 || (without.length > 0 && disagreeing(circuit, without)))
      between = without;
  }
  return { between: between.map(keyOf), text: textOf(circuit, between) };
}

/** A given that the others, worked out without it, miss by more than half a per cent; null if there is none. */
export function disagreeing(circuit: SheetCircuit, givens: readonly Given[]): Given | null {
  return (
    givens.find((given) => {
      const others = givens.filter((other) => other !== given);
      const found = withoutIt(circuit, others, given);
      return (
        found.length > 0 &&
        found.every((value) => value !== null && Math.abs(value - given.value) > agreeing * Math.abs(given.value))
      );
    }) ?? null
  );
}

/** Returns a value by the other givens, in every way in which they can hold. */
const withoutIt = (circuit: SheetCircuit, others: readonly Given[], { of, quantity }: Given): (number | null)[] =>
  solutionsOf(circuit, others).map((solution) => valuesOf(circuit, solution)[of]![quantity]);

function textOf(circuit: SheetCircuit, between: readonly Given[]): string {
  const nameOf = ({ of, quantity, value }: Given): string => `${of}'s ${quantity} ${written(value, quantity)}`;
  const [one] = between;
  if (between.length === 1)
    return `${nameOf(one!)}: a resistor has neither a negative resistance nor a negative power.`;
  for (const given of [...between].reverse()) {
    const others = between.filter((other) => other !== given);
    const [value] = withoutIt(circuit, others, given);
    if (value !== null && value !== undefined)
      return `${listed(others.map(nameOf))} give ${given.of}'s ${given.quantity} as ${written(value, given.quantity)}; ${written(given.value, given.quantity)} is given.`;
  }
  return `${listed(between.map(nameOf))} cannot hold together with positive resistances.`;
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
