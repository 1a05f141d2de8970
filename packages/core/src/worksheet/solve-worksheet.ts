import { fail, ok, type Result } from '../result.ts';
import { contradictionOf, disagreeing } from './contradiction.ts';
import { missingValues } from './missing.ts';
import { sheetCircuit, type SheetCircuit } from './sheet-circuit.ts';
import { pointOf } from './sheet-point.ts';
import { sheetSteps } from './sheet-steps.ts';
import { asGiven, solutionsOf, valuesOf } from './solution-set.ts';
import {
  givensOf,
  keyOf,
  sheetQuantities,
  worksheetFaults,
  type SheetQuantity,
  type SheetStep,
  type SheetValues,
  type Worksheet,
  type WorksheetFault,
  type WorksheetResult,
} from './worksheet.ts';

/** Relative difference within which two values are the same. */
const sameRelative = 1e-9;

/**
 * Everything that follows from what is given of a circuit: Ohm's law, powers, Kirchhoff's laws and equivalents, each value with
 * its rule; equations where only solving together gives it. What does not follow is null, with what is missing for it.
 *
 * @returns the result, or the first fault of the sheet's names
 */
export function solveWorksheet(sheet: Worksheet): Result<WorksheetResult, WorksheetFault> {
  const [fault] = worksheetFaults(sheet);
  if (fault) return fail(fault);
  const circuit = sheetCircuit(sheet);
  const givens = givensOf(sheet);
  const solutions = solutionsOf(circuit, givens);
  const [first] = solutions;
  if (!first || (solutions.some(({ loose }) => loose) && disagreeing(circuit, givens)))
    return ok({
      ...blank,
      values: Object.fromEntries(circuit.parts.map(({ id }) => [id, nothing])),
      contradiction: contradictionOf(circuit, givens),
    });
  const given = asGiven(givens);
  const sets = solutions.map((solution) => valuesOf(circuit, solution));
  const whole = sets.filter(isWhole);
  const [values, alternative] = whole.length === sets.length ? whole : [inAll(sets), undefined];
  const point = pointOf(circuit, first);
  const steps = sheetSteps(sheet, circuit, given, values, point);
  const complete = isWhole(values);
  return ok({
    ...blank,
    values: withSteps(circuit, given, values, steps),
    alternative: alternative ?? null,
    steps,
    complete,
    missing: complete ? [] : missingValues(circuit, givens, values, point),
  });
}

const blank: Omit<WorksheetResult, 'values'> = {
  format: 'usual-drag/worksheet-result',
  version: 1,
  alternative: null,
  steps: [],
  complete: false,
  missing: [],
  contradiction: null,
};

const nothing: SheetValues = { voltage: null, current: null, resistance: null, power: null };

type Sets = Readonly<Record<string, SheetValues>>;

const isWhole = (values: Sets): boolean =>
  Object.values(values).every((part) => sheetQuantities.every((quantity) => part[quantity] !== null));

/** Returns the consequences that are the same in every way in which the givens can hold. */
function inAll(sets: readonly Sets[]): Sets {
  const [first, ...others] = sets as [Sets, ...Sets[]];
  const agreed = (id: string, quantity: SheetQuantity): number | null => {
    const value = first[id]![quantity];
    const same = others.every((set) => {
      const other = set[id]![quantity];
      return value !== null && other !== null && Math.abs(other - value) <= sameRelative * Math.abs(value);
    });
    return same ? value : null;
  };
  return Object.fromEntries(
    Object.keys(first).map((id) => [
      id,
      {
        voltage: agreed(id, 'voltage'),
        current: agreed(id, 'current'),
        resistance: agreed(id, 'resistance'),
        power: agreed(id, 'power'),
      },
    ]),
  );
}

/** The table as the givens and the steps fill it. */
function withSteps(
  circuit: SheetCircuit,
  given: ReturnType<typeof asGiven>,
  values: Sets,
  steps: readonly SheetStep[],
): Sets {
  const found = new Map(steps.map((step) => [keyOf(step), step.value]));
  const at = (of: string, quantity: SheetQuantity): number | null => {
    const key = keyOf({ of, quantity });
    return given.get(key)?.value ?? found.get(key) ?? values[of]![quantity];
  };
  return Object.fromEntries(
    circuit.parts.map(({ id }) => [
      id,
      {
        voltage: at(id, 'voltage'),
        current: at(id, 'current'),
        resistance: at(id, 'resistance'),
        power: at(id, 'power'),
      },
    ]),
  );
}
