/** An element or a voltmeter as what joins two rails. */
export interface Link {
  readonly id: string;
  readonly from: string;
  readonly to: string;
}

/** A link between two ranks of the rails; rank 0 is the highest rail. */
export interface Span {
  readonly id: string;
  readonly top: number;
  readonly bottom: number;
}

/** Every link's ranks, by id. */
export function spansOf(links: readonly Link[], rails: readonly string[]): Map<string, Span> {
  const rank = new Map(rails.map((node, index) => [node, index]));
  return new Map(
    links.map(({ id, from, to }) => {
      const [a, b] = [rank.get(from)!, rank.get(to)!];
      return [id, { id, top: Math.min(a, b), bottom: Math.max(a, b) }];
    }),
  );
}

/** Links below each other, from the top down, by id. */
export type Column = readonly string[];

/** The first and last column that each rail reaches; first after last where it reaches none. */
export interface Reach {
  readonly left: Int32Array;
  readonly right: Int32Array;
}

/** Returns the extent of every rail; the spans hold each link of the columns. */
export function reachOf(columns: readonly Column[], spans: ReadonlyMap<string, Span>, rails: number): Reach {
  const left = new Int32Array(rails).fill(columns.length);
  const right = new Int32Array(rails).fill(-1);
  columns.forEach((column, place) => {
    for (const id of column) {
      const { top, bottom } = spans.get(id)!;
      for (const rail of [top, bottom]) {
        if (place < left[rail]!) left[rail] = place;
        if (place > right[rail]!) right[rail] = place;
      }
    }
  });
  return { left, right };
}

/** Ranks of the rails that a link at a column passes through without ending on them. */
export function passedRails({ top, bottom }: Span, column: number, { left, right }: Reach): number[] {
  const passed: number[] = [];
  for (let rail = top + 1; rail < bottom; rail += 1)
    if (left[rail]! < column && column < right[rail]!) passed.push(rail);
  return passed;
}
