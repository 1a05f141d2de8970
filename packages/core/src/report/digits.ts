/**
 * How many digits of a value its uncertainty leaves: down to the second digit of U, between 3 and 9.
 *
 * @returns 4 where there is no value or no uncertainty
 */
export function digitsFor(value: number | null, uncertainty: number | null): number {
  if (!value || !uncertainty) return 4;
  const digits = Math.floor(Math.log10(Math.abs(value))) - Math.floor(Math.log10(uncertainty)) + 2;
  return Math.min(9, Math.max(3, digits));
}
