/**
 * A number held as the unevaluated sum of two doubles, about 32 significant digits.
 *
 * The error-free sum is Knuth's, the error-free product Dekker's with Veltkamp's split (Numerische Mathematik 18, 1971).
 * Ordinary doubles lose a small loading error, or a bridge's offset, in the cancellation; these do not.
 */
export interface DoubleDouble {
  readonly hi: number;
  readonly lo: number;
}

/** 0. */
export const zero: DoubleDouble = { hi: 0, lo: 0 };

/** A double as it is. */
export const exactly = (value: number): DoubleDouble => ({ hi: value, lo: 0 });

/** The nearest double. */
export const toNumber = (a: DoubleDouble): number => a.hi + a.lo;

/** −a. */
export const negate = (a: DoubleDouble): DoubleDouble => ({ hi: -a.hi, lo: -a.lo });

/** a + b, by Knuth’s two-sum of both halves. */
export function add(a: DoubleDouble, b: DoubleDouble): DoubleDouble {
  const sum = a.hi + b.hi;
  const bPart = sum - a.hi;
  const low = a.lo + b.lo;
  const lowPart = low - a.lo;
  const first = a.hi - (sum - bPart) + (b.hi - bPart) + low;
  const high = sum + first;
  const rest = first - (high - sum) + (a.lo - (low - lowPart) + (b.lo - lowPart));
  const hi = high + rest;
  return { hi, lo: rest - (hi - high) };
}

/** a − b. */
export const subtract = (a: DoubleDouble, b: DoubleDouble): DoubleDouble => add(a, { hi: -b.hi, lo: -b.lo });

/** a·b (Dekker’s and Veltkamp’s product). */
export function multiply(a: DoubleDouble, b: DoubleDouble): DoubleDouble {
  const product = a.hi * b.hi;
  const low = productError(a.hi, b.hi, product) + (a.hi * b.lo + a.lo * b.hi);
  const hi = product + low;
  return { hi, lo: low - (hi - product) };
}

/** a/b, by long division in three steps. */
export function divide(a: DoubleDouble, b: DoubleDouble): DoubleDouble {
  const first = a.hi / b.hi;
  const product = first * b.hi;
  const error = productError(first, b.hi, product) + first * b.lo;
  const second = (a.hi - product - error + a.lo) / b.hi;
  const hi = first + second;
  return { hi, lo: second - (hi - first) };
}

/** Rounding error of `a * b` computed as `product`. */
function productError(a: number, b: number, product: number): number {
  const splitA = splitter * a;
  const aHigh = splitA - (splitA - a);
  const aLow = a - aHigh;
  const splitB = splitter * b;
  const bHigh = splitB - (splitB - b);
  const bLow = b - bHigh;
  return aHigh * bHigh - product + aHigh * bLow + aLow * bHigh + aLow * bLow;
}

const splitter = 134217729;

/** A growing array of double-doubles that is added to in place, for the inner loops. */
export class DoubleDoubleArray {
  readonly hi: number[];
  readonly lo: number[];

  /** @param length  of zeros to begin with */
  constructor(length = 0) {
    this.hi = new Array<number>(length).fill(0);
    this.lo = new Array<number>(length).fill(0);
  }

  get length(): number {
    return this.hi.length;
  }

  /** Appends a value and returns its place. */
  push(hi: number, lo: number): number {
    this.lo.push(lo);
    return this.hi.push(hi) - 1;
  }

  at(place: number): DoubleDouble {
    return { hi: this.hi[place]!, lo: this.lo[place]! };
  }

  set(place: number, value: DoubleDouble): void {
    this.hi[place] = value.hi;
    this.lo[place] = value.lo;
  }

  /** this[place] += a */
  add(place: number, aHi: number, aLo: number): void {
    const h = this.hi[place]!;
    const sum = h + aHi;
    const part = sum - h;
    const low = h - (sum - part) + (aHi - part) + (this.lo[place]! + aLo);
    const hi = sum + low;
    this.hi[place] = hi;
    this.lo[place] = low - (hi - sum);
  }

  /** this[place] += a·b */
  addProduct(place: number, aHi: number, aLo: number, bHi: number, bLo: number): void {
    const product = aHi * bHi;
    const splitA = splitter * aHi;
    const aHigh = splitA - (splitA - aHi);
    const aLow = aHi - aHigh;
    const splitB = splitter * bHi;
    const bHigh = splitB - (splitB - bHi);
    const bLow = bHi - bHigh;
    const error = aHigh * bHigh - product + aHigh * bLow + aLow * bHigh + aLow * bLow + (aHi * bLo + aLo * bHi);
    const h = this.hi[place]!;
    const sum = h + product;
    const part = sum - h;
    const low = h - (sum - part) + (product - part) + (this.lo[place]! + error);
    const hi = sum + low;
    this.hi[place] = hi;
    this.lo[place] = low - (hi - sum);
  }
}
