import { largestExponent, prefixByExponent, smallestExponent } from './prefix.ts';

/** Digits and power of ten of a number above zero: 4700 is `4.7` and 3. The fewest digits that read back as the same double
 * where none are asked for. */
export function mantissaOf(value: number, digits?: number): { readonly mantissa: string; readonly exponent: number } {
  const [mantissa, exponent] = value.toExponential(digits === undefined ? undefined : digits - 1).split('e') as [
    string,
    string,
  ];
  return { mantissa, exponent: Number(exponent) };
}

/** The power of ten, a multiple of three with an SI prefix, that a number is written in. */
const prefixExponent = (exponent: number): number =>
  Math.min(largestExponent, Math.max(smallestExponent, Math.floor(exponent / 3) * 3));

/** Moves the decimal point of rounded digits; what was rounded once is never rounded again. */
export function shiftPoint(mantissa: string, places: number): string {
  const digits = mantissa.replace('.', '');
  if (places < 0) return `0.${'0'.repeat(-places - 1)}${digits}`;
  if (digits.length <= places + 1) return digits.padEnd(places + 1, '0');
  return `${digits.slice(0, places + 1)}.${digits.slice(places + 1)}`;
}

/** A number above zero with its SI prefix, in significant digits, or in the fewest that read back as the same double. */
export function engineering(value: number, digits?: number): { readonly text: string; readonly prefix: string } {
  if (value === 0) return { text: '0', prefix: '' };
  const { mantissa, exponent } = mantissaOf(value, digits);
  const third = prefixExponent(exponent);
  return { text: shiftPoint(mantissa, exponent - third), prefix: prefixByExponent[third]! };
}
