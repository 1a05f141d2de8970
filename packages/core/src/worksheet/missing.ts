import { Determination, dot, type SheetPoint } from './determination.ts';
import type { SheetCircuit } from './sheet-circuit.ts';
import { sheetQuantities, type Given, type SheetQuantity, type SheetValues } from './worksheet.ts';

/** Length of a unit vector's rest below which nothing of it is left. */
const noDirection = 1e-7;

const order = ['resistance', 'current', 'voltage', 'power'] as const satisfies SheetQuantity[];

/** Number of ways to supply one missing value that are named. */
const mostWays = 3;

/**
 * Returns the values that would complete a sheet: one for each line, equivalent ways joined by “or”. Each line's value is the one
 * that lets the most follow.
 *
 * @param values  what follows from the givens
 */
export function missingValues(
  circuit: SheetCircuit,
  givens: readonly Given[],
  values: Readonly<Record<string, SheetValues>>,
  point: SheetPoint,
): readonly string[] {
  const known = new Determination(circuit, point);
  for (const { of, quantity } of givens) known.add(of, quantity);
  for (const { id } of circuit.parts)
    for (const quantity of sheetQuantities) if (values[id]![quantity] !== null) known.add(id, quantity);
  // Each open value by what is new in it: one more that is known makes those follow that have nothing else.
  let left = circuit.parts.flatMap(({ id }) =>
    order
      .filter((quantity) => values[id]![quantity] === null)
      .map((quantity): Open => ({ of: id, quantity, rest: known.rest(id, quantity) })),
  );
  // Near this point all of them follow: only one more value decides between the ways that fit.
  if (left.every(({ rest }) => rest === null)) return [nameOf(left.slice(0, mostWays))];
  left = left.filter(({ rest }) => rest !== null);
  const lines: string[] = [];
  while (left.length > 0) {
    const follow = left.map(({ rest }) => left.filter((other) => within(other.rest!, rest!) === null).length);
    const most = Math.max(...follow);
    const best = left.filter((_, k) => follow[k] === most);
    lines.push(nameOf(best.slice(0, mostWays)));
    left = left.flatMap((one) => {
      const rest = within(one.rest!, best[0]!.rest!);
      return rest ? [{ ...one, rest }] : [];
    });
  }
  return lines;
}

interface Open {
  readonly of: string;
  readonly quantity: SheetQuantity;
  readonly rest: Float64Array | null;
}

/** Returns the rest of a slope, with length 1, once another is known; null if nothing is left. */
function within(rest: Float64Array, known: Float64Array): Float64Array | null {
  const along = dot(rest, known);
  const left = rest.map((x, k) => x - along * known[k]!);
  const length = Math.sqrt(dot(left, left));
  return length < noDirection ? null : left.map((x) => x / length);
}

const nameOf = (ways: readonly { readonly of: string; readonly quantity: SheetQuantity }[]): string =>
  ways.map(({ of, quantity }) => `${of}.${quantity}`).join(' or ');
