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

export const zero: DoubleDouble = { hi: 0, lo: 0 };

export const exactly = (value: number): DoubleDouble => ({ hi: value, lo: 0 });

export const toNumber = (a: DoubleDouble): number => a.hi + a.lo;

export const negate = (a: DoubleDouble): DoubleDouble => ({ hi: -a.hi, lo: -a.lo });

export function add(a: DoubleDouble, b: DoubleDouble): DoubleDouble {
  const sum = a.hi + b.hi;
  const bPart = sum - a.hi;
  const error = a.hi - (sum - bPart) + (b.hi - bPart);
  const low = a.lo + b.lo;
  const lowPart = low - a.lo;
  const lowError = a.lo - (low - lowPart) + (b.lo - lowPart);
  const first = normal(sum, error + low);
  return normal(first.hi, first.lo + lowError);
}

export const subtract = (a: DoubleDouble, b: DoubleDouble): DoubleDouble => add(a, negate(b));

export function multiply(a: DoubleDouble, b: DoubleDouble): DoubleDouble {
  const product = a.hi * b.hi;
  return normal(product, productError(a.hi, b.hi, product) + (a.hi * b.lo + a.lo * b.hi));
}

export function divide(a: DoubleDouble, b: DoubleDouble): DoubleDouble {
  const first = a.hi / b.hi;
  let rest = subtract(a, multiply(b, exactly(first)));
  const second = rest.hi / b.hi;
  rest = subtract(rest, multiply(b, exactly(second)));
  const quotient = normal(first, second);
  return add(quotient, exactly(rest.hi / b.hi));
}

/** Rounding error of `a * b` computed as `product`. */
export function productError(a: number, b: number, product: number): number {
  const splitA = splitter * a;
  const aHigh = splitA - (splitA - a);
  const aLow = a - aHigh;
  const splitB = splitter * b;
  const bHigh = splitB - (splitB - b);
  const bLow = b - bHigh;
  return aHigh * bHigh - product + aHigh * bLow + aLow * bHigh + aLow * bLow;
}

const splitter = 134217729;

function normal(high: number, low: number): DoubleDouble {
  const hi = high + low;
  return { hi, lo: low - (hi - high) };
}

/** A growing array of double-doubles that is added to in place, for the inner loops. */
export class DoubleDoubleArray {
  hi: Float64Array;
  lo: Float64Array;
  length = 0;

  constructor(capacity: number) {
    this.hi = new Float64Array(capacity);
    this.lo = new Float64Array(capacity);
  }

  /** Appends a value and returns its place. */
  push(hi: number, lo: number): number {
    if (this.length === this.hi.length) this.grow();
    this.hi[this.length] = hi;
    this.lo[this.length] = lo;
    return this.length++;
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

  private grow(): void {
    const hi = new Float64Array(this.hi.length * 2);
    const lo = new Float64Array(this.lo.length * 2);
    hi.set(this.hi);
    lo.set(this.lo);
    this.hi = hi;
    this.lo = lo;
  }
}
