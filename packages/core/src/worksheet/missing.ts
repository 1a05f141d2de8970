import { Determination, type SheetPoint } from './determination.ts';
import type { SheetCircuit } from './sheet-circuit.ts';
import { sheetQuantities, type Given, type SheetQuantity, type SheetValues } from './worksheet.ts';

const order = ['resistance', 'current', 'voltage', 'power'] as const satisfies SheetQuantity[];

/** How many ways to supply one missing value are named. */
const mostWays = 3;

/**
 * What would complete a sheet: one value for each line, ways that do as well joined by “or”. Each line's value is the one
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
  const open = circuit.parts.flatMap(({ id }) =>
    order.filter((quantity) => values[id]![quantity] === null).map((quantity) => ({ of: id, quantity })),
  );
  const lines: string[] = [];
  for (let left = open; left.length > 0;) {
    const ways = left
      .map((way) => {
        const then = known.copy();
        then.add(way.of, way.quantity);
        return { ...way, follow: left.filter(({ of, quantity }) => then.follows(of, quantity)).length };
      })
      .filter(({ of, quantity }) => !known.follows(of, quantity));
    if (ways.length === 0) {
      // Near this point all of it follows; what is left are the ways between which only one more value decides.
      lines.push(...(lines.length === 0 ? [nameOf(left.slice(0, mostWays))] : []));
      return lines;
    }
    const most = Math.max(...ways.map(({ follow }) => follow));
    const best = ways.filter(({ follow }) => follow === most);
    lines.push(nameOf(best.slice(0, mostWays)));
    known.add(best[0]!.of, best[0]!.quantity);
    left = left.filter(({ of, quantity }) => !known.follows(of, quantity));
  }
  return lines;
}

const nameOf = (ways: readonly { readonly of: string; readonly quantity: SheetQuantity }[]): string =>
  ways.map(({ of, quantity }) => `${of}.${quantity}`).join(' or ');
