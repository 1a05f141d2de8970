/** Which points a current could reach from which: disjoint sets with path halving. */
export class DisjointSets {
  private readonly head: Int32Array;

  constructor(points: number) {
    this.head = new Int32Array(points);
    for (let point = 0; point < points; point += 1) this.head[point] = point;
  }

  /** Returns the representative of the disjoint set of `point`. */
  of(point: number): number {
    const { head } = this;
    let at = point;
    while (head[at] !== at) {
      head[at] = head[head[at]!]!;
      at = head[at]!;
    }
    return at;
  }

  /** Joins two disjoint sets; false if they were one already. */
  join(a: number, b: number): boolean {
    const headA = this.of(a);
    const headB = this.of(b);
    if (headA === headB) return false;
    this.head[headA] = headB;
    return true;
  }
}
