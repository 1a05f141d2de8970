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
  /** For each point its neighbours and the place of the conductance between them. */
  private readonly neighbours: Map<number, number>[];
  private readonly conductance: DoubleDoubleArray;
  /** f, A, oriented from the point of lower number to the higher. */
  private readonly drive: DoubleDoubleArray;
  private readonly stars: Star[] = [];

  constructor(readonly points: number) {
    this.neighbours = Array.from({ length: points }, () => new Map<number, number>());
    this.conductance = new DoubleDoubleArray(Math.max(16, 4 * points));
    this.drive = new DoubleDoubleArray(Math.max(16, 4 * points));
  }

  /** Joins two different points by conductance g (S) and drive f (A, a → b); adds to what joins them already. */
  join(a: number, b: number, g: DoubleDouble, f: DoubleDouble): void {
    const place = this.placeOf(a, b);
    const sign = a < b ? 1 : -1;
    this.conductance.add(place, g.hi, g.lo);
    if (f.hi !== 0) this.drive.add(place, sign * f.hi, sign * f.lo);
  }

  /** Adds to the drive of an existing joint (A, a → b). */
  push(a: number, b: number, f: DoubleDouble): void {
    this.join(a, b, zero, f);
  }

  /** What joins two points now: conductance, and drive a → b; null where nothing does. */
  between(a: number, b: number): { readonly g: DoubleDouble; readonly f: DoubleDouble } | null {
    const place = this.neighbours[a]!.get(b);
    if (place === undefined) return null;
    const f = this.drive.at(place);
    return { g: this.conductance.at(place), f: a < b ? f : { hi: -f.hi, lo: -f.lo } };
  }

  /** Every joint as [a, b, g] in doubles. */
  joints(): [number, number, number][] {
    return this.neighbours.flatMap((list, a) =>
      [...list].filter(([b]) => a < b).map(([b, place]) => [a, b, this.conductance.hi[place]!] as [number, number, number]),
    );
  }

  /** V, the sum of the sizes of all drives over their conductances: what no potential can exceed. */
  driveVoltage(): number {
    let sum = 0;
    for (let place = 0; place < this.drive.length; place += 1)
      if (this.drive.hi[place] !== 0) sum += Math.abs(this.drive.hi[place]! / this.conductance.hi[place]!);
    return sum;
  }

  /** Takes every point but `last` away, fewest neighbours first. */
  reduceTo(last: readonly number[]): void {
    const waiting: number[] = [];
    for (let point = 0; point < this.points; point += 1) if (!last.includes(point)) waiting.push(point);
    while (waiting.length > 0) {
      let best = 0;
      let fewest = Infinity;
      for (let index = 0; index < waiting.length && fewest > 1; index += 1) {
        const count = this.neighbours[waiting[index]!]!.size;
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
  }

  /**
   * Potentials of all points from those of the points that are left, in the reverse order of taking away.
   * A point that had no neighbours when its turn came stands at 0, the foot of an island of its own.
   *
   * @param known  V of the points left over, by point
   */
  potentials(known: ReadonlyMap<number, DoubleDouble>): DoubleDoubleArray {
    const v = new DoubleDoubleArray(Math.max(1, this.points));
    for (const [point, value] of known) v.set(point, value);
    for (let index = this.stars.length - 1; index >= 0; index -= 1) {
      const { centre, points, weights, rise } = this.stars[index]!;
      v.set(centre, rise);
      for (let i = 0; i < points.length; i += 1)
        v.addProduct(centre, weights.hi[i]!, weights.lo[i]!, v.hi[points[i]!]!, v.lo[points[i]!]!);
    }
    return v;
  }

  private takeAway(centre: number): void {
    const list = this.neighbours[centre]!;
    const points = Int32Array.from(list.keys());
    const places = Int32Array.from(list.values());
    const degree = points.length;
    const { conductance, drive } = this;
    let total = zero;
    let driven = zero;
    for (let i = 0; i < degree; i += 1) {
      total = add(total, conductance.at(places[i]!));
      const f = drive.at(places[i]!);
      if (f.hi !== 0) driven = add(driven, centre < points[i]! ? f : { hi: -f.hi, lo: -f.lo });
    }
    const weights = new DoubleDoubleArray(degree);
    for (let i = 0; i < degree; i += 1) {
      const weight = divide(conductance.at(places[i]!), total);
      weights.push(weight.hi, weight.lo);
    }
    const rise = driven.hi === 0 || degree === 0 ? zero : divide(driven, total);
    this.stars.push({ centre, points, weights, rise });

    for (let i = 0; i < degree; i += 1) {
      const a = points[i]!;
      this.neighbours[a]!.delete(centre);
      const wHi = weights.hi[i]!;
      const wLo = weights.lo[i]!;
      const placeA = places[i]!;
      const signA = centre < a ? 1 : -1;
      const fAHi = signA * drive.hi[placeA]!;
      const fALo = signA * drive.lo[placeA]!;
      for (let j = i + 1; j < degree; j += 1) {
        const b = points[j]!;
        const placeB = places[j]!;
        const place = this.placeOf(a, b);
        conductance.addProduct(place, wHi, wLo, conductance.hi[placeB]!, conductance.lo[placeB]!);
        const signAB = a < b ? 1 : -1;
        const signB = signAB * (centre < b ? 1 : -1);
        if (drive.hi[placeB] !== 0)
          drive.addProduct(place, wHi, wLo, signB * drive.hi[placeB]!, signB * drive.lo[placeB]!);
        if (fAHi !== 0)
          drive.addProduct(place, weights.hi[j]!, weights.lo[j]!, -signAB * fAHi, -signAB * fALo);
      }
    }
  }

  private placeOf(a: number, b: number): number {
    const known = this.neighbours[a]!.get(b);
    if (known !== undefined) return known;
    const place = this.conductance.push(0, 0);
    this.drive.push(0, 0);
    this.neighbours[a]!.set(b, place);
    this.neighbours[b]!.set(a, place);
    return place;
  }
}

/** A point taken away: V_centre = rise + Σ weight·V_point. */
interface Star {
  readonly centre: number;
  readonly points: Int32Array;
  readonly weights: DoubleDoubleArray;
  readonly rise: DoubleDouble;
}
