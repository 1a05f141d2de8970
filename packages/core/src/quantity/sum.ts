/** Share of the terms below which a sum of doubles is noise: some ten roundings of a double, each 1.1e-16. */
const noise = 2e-15;

/**
 * Returns the sum of some terms; 0 if nothing but the rounding of the terms is left of it. Terms of a few volts that cancel
 * leave 0.888 fV otherwise.
 */
export function sumOf(terms: readonly number[]): number {
  let [sum, size] = [0, 0];
  for (const term of terms) {
    sum += term;
    size += Math.abs(term);
  }
  return Math.abs(sum) <= noise * size ? 0 : sum;
}
