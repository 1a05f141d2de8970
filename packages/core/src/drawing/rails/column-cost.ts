import type { Column, Span } from './link.ts';

/** Returns the cost of an order of columns: crossings first, then the length of the rails. */
export type Cost = (order: readonly number[]) => number;

/** Cost of one crossing, in the length of rails that is worth it: more than any arrangement has. */
export const costOfCrossing = 1000;

/**
 * A cost function over orders of some columns, with its working room made once.
 *
 * @param columns  the columns that an order's numbers refer to
 */
export function columnCost(columns: readonly Column[], spans: ReadonlyMap<string, Span>): Cost {
  const stacks = columns.map((column) =>
    Int32Array.from(column.flatMap((id) => [spans.get(id)!.top, spans.get(id)!.bottom])),
  );
  const rails = Math.max(0, ...stacks.flatMap((stack) => [...stack])) + 1;
  const left = new Int32Array(rails);
  const right = new Int32Array(rails);
  return (order) => {
    left.fill(order.length);
    right.fill(-1);
    for (let place = 0; place < order.length; place += 1) {
      const stack = stacks[order[place]!]!;
      for (const rail of stack) {
        if (place < left[rail]!) left[rail] = place;
        if (place > right[rail]!) right[rail] = place;
      }
    }
    let crossings = 0;
    for (let place = 0; place < order.length; place += 1) {
      const stack = stacks[order[place]!]!;
      for (let i = 0; i < stack.length; i += 2)
        for (let rail = stack[i]! + 1; rail < stack[i + 1]!; rail += 1)
          if (left[rail]! < place && place < right[rail]!) crossings += 1;
    }
    let length = 0;
    for (let rail = 0; rail < rails; rail += 1) if (right[rail]! >= 0) length += right[rail]! - left[rail]!;
    return crossings * costOfCrossing + length;
  };
}
