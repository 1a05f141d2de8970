/** An exact fraction, its denominator above zero. */
export interface Rational {
  readonly n: bigint;
  readonly d: bigint;
}

export const nought: Rational = { n: 0n, d: 1n };
export const one: Rational = { n: 1n, d: 1n };

/** The exact value of a double. */
export function rational(value: number): Rational {
  const bits = new DataView(new ArrayBuffer(8));
  bits.setFloat64(0, value);
  const raw = bits.getBigUint64(0);
  const exponent = Number((raw >> 52n) & 0x7ffn);
  const fraction = raw & 0xfffffffffffffn;
  const mantissa = (exponent === 0 ? fraction : fraction | 0x10000000000000n) * (raw >> 63n ? -1n : 1n);
  const power = (exponent === 0 ? 1 : exponent) - 1075;
  return power >= 0 ? lowest(mantissa << BigInt(power), 1n) : lowest(mantissa, 1n << BigInt(-power));
}

export const plus = (a: Rational, b: Rational): Rational => lowest(a.n * b.d + b.n * a.d, a.d * b.d);
export const minus = (a: Rational, b: Rational): Rational => lowest(a.n * b.d - b.n * a.d, a.d * b.d);
export const times = (a: Rational, b: Rational): Rational => lowest(a.n * b.n, a.d * b.d);
export const over = (a: Rational, b: Rational): Rational => lowest(a.n * b.d, a.d * b.n);
export const isNought = (a: Rational): boolean => a.n === 0n;

/** The nearest double, near enough: within an ulp. */
export function toDouble({ n, d }: Rational): number {
  if (n === 0n) return 0;
  const sign = n < 0n ? -1 : 1;
  const size = n < 0n ? -n : n;
  const shift = d.toString(2).length - size.toString(2).length + 64;
  const quotient = shift >= 0 ? (size << BigInt(shift)) / d : size / (d << BigInt(-shift));
  return sign * Number(quotient) * 2 ** -shift;
}

function lowest(n: bigint, d: bigint): Rational {
  if (n === 0n) return { n: 0n, d: 1n };
  const sign = d < 0n ? -1n : 1n;
  const divisor = gcd(n < 0n ? -n : n, d < 0n ? -d : d);
  return { n: (sign * n) / divisor, d: (sign * d) / divisor };
}

function gcd(a: bigint, b: bigint): bigint {
  while (b !== 0n) [a, b] = [b, a % b];
  return a;
}
