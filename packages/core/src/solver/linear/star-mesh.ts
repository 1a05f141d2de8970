import { add, divide, DoubleDoubleArray, zero, type DoubleDouble } from './double-double.ts';

/**
 * A conductance between every two joined points, with an electromotive force in it, reduced point by point.
 *
 * Between points a and b runs i(a→b) = g·(V_a − V_b) − f. Taking a star's centre k away leaves a mesh between its
 * neighbours (Rosen's star–mesh transformation): g_ij += g_ki·g_kj/G and f_ij += (g_ki·f_kj − g_kj·f_ki)/G with
 * G = Σ g_ki. Conductances are only ever added and multiplied, all positive, so none of them loses a digit, however far
 * apart the resistances are; sources ride along as voltages, never as differences of large currents.
 */
export class StarMesh {
  /** For each point its neighbours, and at the same index the place of the conductance between them. */
  private readonly neighbours: number[][] = [];
  private readonly joints: number[][] = [];
  private readonly conductance = new DoubleDoubleArray();
  /** f, A, oriented from the point of lower number to the higher. */
  private readonly drive = new DoubleDoubleArray();
  /** The stars eliminated, in their order. */
  private readonly stars: Star[] = [];
  /** Neighbours of all stars one after the other, and their shares g_ki/G. */
  private readonly around: number[] = [];
  private readonly shares = new DoubleDoubleArray();

  constructor(readonly points: number) {
    for (let point = 0; point < points; point += 1) {
      this.neighbours.push([]);
      this.joints.push([]);
    }
  }

  /** A mesh of some edges; those in parallel add up. */
  static of(points: number, edges: readonly Edge[]): StarMesh {
    const mesh = new StarMesh(points);
    for (const { a, b, g, f } of edges) mesh.join(a, b, g, f);
    return mesh;
  }

  /** Joins two different points by conductance g (S) and drive f (A, a → b); adds to what joins them already. */
  join(a: number, b: number, g: DoubleDouble, f: DoubleDouble): void {
    const place = this.placeOf(a, b);
    const sign = a < b ? 1 : -1;
    this.conductance.add(place, g.hi, g.lo);
    if (f.hi !== 0) this.drive.add(place, sign * f.hi, sign * f.lo);
  }

  /** Adds to the drive of an existing ideal branch (A, a → b). */
  push(a: number, b: number, f: DoubleDouble): void {
    this.join(a, b, zero, f);
  }

  /** Returns the present connection of two points: conductance, and drive a → b; null if there is none. */
  between(a: number, b: number): { readonly g: DoubleDouble; readonly f: DoubleDouble } | null {
    const place = this.jointOf(a, b);
    if (place === -1) return null;
    const f = this.drive.at(place);
    return { g: this.conductance.at(place), f: a < b ? f : { hi: -f.hi, lo: -f.lo } };
  }

  /** Everything that joins two points now. */
  edges(): Edge[] {
    const edges: Edge[] = [];
    this.neighbours.forEach((joined, a) => {
      joined.forEach((b, index) => {
        const place = this.joints[a]![index]!;
        if (a < b) edges.push({ a, b, g: this.conductance.at(place), f: this.drive.at(place) });
      });
    });
    return edges;
  }

  /** V, the sum of the sizes of all drives over their conductances: what no potential can exceed. */
  driveVoltage(): number {
    let sum = 0;
    for (let place = 0; place < this.drive.length; place += 1)
      if (this.drive.hi[place] !== 0) sum += Math.abs(this.drive.hi[place]! / this.conductance.hi[place]!);
    return sum;
  }

  /** Takes every point but `last` away, fewest neighbours first. */
  reduceTo(last: readonly number[]): this {
    const waiting: number[] = [];
    for (let point = 0; point < this.points; point += 1) if (!last.includes(point)) waiting.push(point);
    while (waiting.length > 0) {
      let best = 0;
      let fewest = Infinity;
      for (let index = 0; index < waiting.length && fewest > 1; index += 1) {
        const count = this.neighbours[waiting[index]!]!.length;
        if (count < fewest) {
          fewest = count;
          best = index;
        }
      }
      const point = waiting[best]!;
      waiting[best] = waiting[waiting.length - 1]!;
      waiting.pop();
      this.takeAway(point);
    }
    return this;
  }

  /**
   * Potentials of all points from those of the points that are left, in the reverse order of taking away.
   * A point that had no neighbours at its turn is at 0, the foot of a disjoint set of its own.
   *
   * @param known  V of the points left over, by point
   */
  potentials(known: ReadonlyMap<number, DoubleDouble>): DoubleDoubleArray {
    const v = new DoubleDoubleArray(this.points);
    for (const [point, value] of known) v.set(point, value);
    const { shares } = this;
    for (let index = this.stars.length - 1; index >= 0; index -= 1) {
      const { centre, start, end, rise } = this.stars[index]!;
      v.set(centre, rise);
      for (let i = start; i < end; i += 1) {
        const point = this.around[i]!;
        v.addProduct(centre, shares.hi[i]!, shares.lo[i]!, v.hi[point]!, v.lo[point]!);
      }
    }
    return v;
  }

  /**
   * V at one point for 1 A driven into another and out at the last point of their disjoint set, after every point was eliminated.
   * With the shares of a star: V_kj = Σ share·V_ij, and V_kk = 1/G more. Positive terms only, so none loses a digit.
   *
   * @returns Ω by two points of one disjoint set
   */
  green(): (a: number, b: number) => DoubleDouble {
    const size = this.points;
    const table = new DoubleDoubleArray(size * size);
    const { shares, around } = this;
    for (let index = this.stars.length - 1; index >= 0; index -= 1) {
      const { centre, start, end, total } = this.stars[index]!;
      for (let later = index + 1; later < this.stars.length; later += 1) {
        const other = this.stars[later]!.centre;
        const place = centre * size + other;
        for (let i = start; i < end; i += 1) {
          const from = around[i]! * size + other;
          table.addProduct(place, shares.hi[i]!, shares.lo[i]!, table.hi[from]!, table.lo[from]!);
        }
        table.set(other * size + centre, table.at(place));
      }
      if (total.hi === 0) continue;
      const own = centre * size + centre;
      table.set(own, divide({ hi: 1, lo: 0 }, total));
      for (let i = start; i < end; i += 1) {
        const from = around[i]! * size + centre;
        table.addProduct(own, shares.hi[i]!, shares.lo[i]!, table.hi[from]!, table.lo[from]!);
      }
    }
    return (a, b) => table.at(a * size + b);
  }

  private takeAway(centre: number): void {
    const { conductance, drive, shares, around } = this;
    const start = around.length;
    const places = this.joints[centre]!;
    let total = zero;
    let driven = zero;
    for (let index = 0; index < places.length; index += 1) {
      const point = this.neighbours[centre]![index]!;
      const place = places[index]!;
      around.push(point);
      total = add(total, conductance.at(place));
      const f = drive.hi[place]!;
      if (f !== 0) driven = add(driven, centre < point ? drive.at(place) : { hi: -f, lo: -drive.lo[place]! });
    }
    const end = around.length;
    for (const place of places) {
      const share = divide(conductance.at(place), total);
      shares.push(share.hi, share.lo);
    }
    this.stars.push({ centre, start, end, total, rise: driven.hi === 0 ? zero : divide(driven, total) });

    for (let i = start; i < end; i += 1) {
      const a = around[i]!;
      const placeA = places[i - start]!;
      this.part(a, centre);
      const shareHi = shares.hi[i]!;
      const shareLo = shares.lo[i]!;
      const signA = centre < a ? 1 : -1;
      const fHi = signA * drive.hi[placeA]!;
      const fLo = signA * drive.lo[placeA]!;
      for (let j = i + 1; j < end; j += 1) {
        const b = around[j]!;
        const placeB = places[j - start]!;
        const place = this.placeOf(a, b);
        conductance.addProduct(place, shareHi, shareLo, conductance.hi[placeB]!, conductance.lo[placeB]!);
        const sign = a < b ? 1 : -1;
        const signB = centre < b ? sign : -sign;
        if (drive.hi[placeB] !== 0)
          drive.addProduct(place, shareHi, shareLo, signB * drive.hi[placeB]!, signB * drive.lo[placeB]!);
        if (fHi !== 0) drive.addProduct(place, shares.hi[j]!, shares.lo[j]!, -sign * fHi, -sign * fLo);
      }
    }
  }

  private placeOf(a: number, b: number): number {
    const known = this.jointOf(a, b);
    if (known !== -1) return known;
    const place = this.conductance.push(0, 0);
    this.drive.push(0, 0);
    this.neighbours[a]!.push(b);
    this.joints[a]!.push(place);
    this.neighbours[b]!.push(a);
    this.joints[b]!.push(place);
    return place;
  }

  /** Place of what joins two points, looked for among the neighbours of the one with fewer; −1 if nothing does. */
  private jointOf(a: number, b: number): number {
    const [few, other] = this.neighbours[a]!.length <= this.neighbours[b]!.length ? [a, b] : [b, a];
    const index = this.neighbours[few]!.indexOf(other);
    return index === -1 ? -1 : this.joints[few]![index]!;
  }

  /** Takes a neighbour off a point. */
  private part(point: number, neighbour: number): void {
    const [points, places] = [this.neighbours[point]!, this.joints[point]!];
    const index = points.indexOf(neighbour);
    const last = points.length - 1;
    points[index] = points[last]!;
    places[index] = places[last]!;
    points.pop();
    places.pop();
  }
}

/** A conductance between two nodes, with the current that a source drives along it. */
export interface Edge {
  readonly a: number;
  readonly b: number;
  readonly g: DoubleDouble;
  /** A, a → b. */
  readonly f: DoubleDouble;
}

/** A point eliminated: V_centre = rise + Σ share·V_point over its stretch of the neighbours. */
interface Star {
  readonly centre: number;
  readonly start: number;
  readonly end: number;
  /** G, S. */
  readonly total: DoubleDouble;
  readonly rise: DoubleDouble;
}
