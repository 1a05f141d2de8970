import { freeNodeName } from '../edits/edits.ts';
import type { Element } from '../element.ts';
import type { LineFault } from './line-token.ts';
import type { LinePoint } from './line-tree.ts';

/** The fault of a name for a point that has another already. */
export const differentNames = ({ name, at, length }: LinePoint): LineFault => ({
  message: `${name} is one point with another that has a name already. Use one name for both.`,
  at,
  length,
});

/** Points that are joined as the line is read, and their names. */
export class Points {
  private readonly head: number[] = [];
  private readonly names = new Map<number, string>();
  private readonly byName = new Map<string, number>();
  private readonly known: ReadonlyMap<string, Element>;

  constructor(known: readonly Element[]) {
    this.known = new Map(known.map((element) => [element.id, element]));
  }

  add(): number {
    return this.head.push(this.head.length) - 1;
  }

  isNamed(point: number): boolean {
    return this.names.has(this.of(point));
  }

  /** Makes two points one; false if they have different names. */
  join(a: number, b: number): boolean {
    const [first, second] = [this.of(a), this.of(b)];
    if (first === second) return true;
    const [one, other] = [this.names.get(first), this.names.get(second)];
    if (one !== undefined && other !== undefined && one !== other) return false;
    this.head[second] = first;
    const name = one ?? other;
    if (name !== undefined) this.names.set(first, name);
    return true;
  }

  name(point: number, written: LinePoint): LineFault | null {
    const there = this.byName.get(written.name);
    const own = this.names.get(this.of(point));
    if (own !== undefined && own !== written.name) return differentNames(written);
    if (there !== undefined) return this.join(there, point) ? null : differentNames(written);
    this.give(point, written.name);
    return null;
  }

  /**
   * Names the points of some parts that have no name yet: by the one that the same ends have in the known network, `0` for
   * the common, else the next free letter.
   */
  nameRest(
    parts: readonly { readonly id: string; readonly from: number; readonly to: number }[],
    common: number,
  ): void {
    const ends = parts.flatMap((part) => [
      { point: part.from, known: this.known.get(part.id)?.from },
      { point: part.to, known: this.known.get(part.id)?.to },
    ]);
    for (const { point, known } of ends)
      if (known !== undefined && !this.byName.has(known) && !this.isNamed(point)) this.give(point, known);
    if (!this.isNamed(common) && !this.byName.has('0')) this.give(common, '0');
    for (const { point } of ends) if (!this.isNamed(point)) this.give(point, freeNodeName(this.byName));
  }

  nameOf(point: number): string {
    return this.names.get(this.of(point))!;
  }

  private give(point: number, name: string): void {
    this.byName.set(name, point);
    this.names.set(this.of(point), name);
  }

  private of(point: number): number {
    let at = point;
    while (this.head[at] !== at) at = this.head[at]!;
    return at;
  }
}
