import type { SheetCircuit, SheetPart } from './sheet-circuit.ts';
import type { Form } from './linear-knowledge.ts';
import type { SheetQuantity } from './worksheet.ts';

/** Length of a unit vector's rest below which nothing of it is left. */
const noDirection = 1e-8;

/** A voltage and a current for every part: a place in the sheet's space at which slopes are taken. */
export interface SheetPoint {
  readonly unknowns: readonly number[];
}

/**
 * Which values determine which others near a point, to first order: a value follows from others where its slope is a sum of
 * theirs. Rows are kept at right angles (Gram–Schmidt, twice).
 */
export class Determination {
  private readonly rows: Float64Array[] = [];
  private readonly circuit: SheetCircuit;
  private readonly point: SheetPoint;
  private readonly scales: readonly number[];

  constructor(circuit: SheetCircuit, point: SheetPoint) {
    this.circuit = circuit;
    this.point = point;
    const size = (from: number, to: number): number =>
      Math.max(...point.unknowns.slice(from, to).map(Math.abs), 0) || 1;
    const [volts, amperes] = [size(0, circuit.potentials), size(circuit.potentials, circuit.unknowns)];
    this.scales = point.unknowns.map((_, k) => (k < circuit.potentials ? volts : amperes));
  }

  /** Takes a value as known; false if it followed already, or has no slope here. */
  add(of: string, quantity: SheetQuantity): boolean {
    const left = this.rest(of, quantity);
    if (!left) return false;
    this.rows.push(left);
    return true;
  }

  /** Returns whether a value follows from those that were added. */
  follows(of: string, quantity: SheetQuantity): boolean {
    return this.rest(of, quantity) === null;
  }

  /** Returns the part of a value's slope at right angles to those added so far, with length 1; null if the value follows from them. */
  rest(of: string, quantity: SheetQuantity): Float64Array | null {
    const slope = this.slope(this.circuit.at.get(of)!, quantity);
    const length = Math.sqrt(dot(slope, slope));
    if (length === 0) return null;
    const left = slope;
    scale(left, 1 / length);
    for (let twice = 0; twice < 2; twice += 1)
      for (const row of this.rows) {
        const along = dot(left, row);
        for (let k = 0; k < left.length; k += 1) left[k]! -= along * row[k]!;
      }
    const rest = Math.sqrt(dot(left, left));
    if (rest < noDirection) return null;
    scale(left, 1 / rest);
    return left;
  }

  private slope({ voltage, current }: SheetPart, quantity: SheetQuantity): Float64Array {
    const [v, i] = [this.valueOf(voltage), this.valueOf(current)];
    const along = (form: Form, k: number): number => form.coefficients[k]!.hi * this.scales[k]!;
    return Float64Array.from(this.scales, (_, k) => {
      switch (quantity) {
        case 'voltage':
          return along(voltage, k);
        case 'current':
          return along(current, k);
        case 'power':
          return along(voltage, k) * i + along(current, k) * v;
        case 'resistance':
          return along(voltage, k) * i - along(current, k) * v;
      }
    });
  }

  private valueOf({ coefficients }: Form): number {
    return coefficients.reduce((sum, { hi }, k) => sum + hi * this.point.unknowns[k]!, 0);
  }
}

/** The sum of products of two vectors of one length. */
export function dot(a: Float64Array, b: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < a.length; k += 1) sum += a[k]! * b[k]!;
  return sum;
}

function scale(vector: Float64Array, by: number): void {
  for (let k = 0; k < vector.length; k += 1) vector[k]! *= by;
}
