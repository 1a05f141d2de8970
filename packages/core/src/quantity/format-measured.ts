import { mantissaOf } from './engineering.ts';
import { formatQuantity } from './format-quantity.ts';
import type { Unit } from './unit.ts';

/** Digits that an uncertainty is given with. */
const uncertaintyDigits = 2;

/** Digits of a value without an uncertainty. */
const usualDigits = 4;

/** Digits that a double has. */
const mostDigits = 15;

/**
 * Returns the number of significant digits of a value down to the last digit of its uncertainty, which has two.
 *
 * @param uncertainty  U, in the unit of the value; null or 0 if there is none
 * @returns 1 to 15; 4 without a value or an uncertainty
 */
export function digitsFor(value: number | null, uncertainty: number | null): number {
  if (!value || !uncertainty || !Number.isFinite(value) || !Number.isFinite(uncertainty)) return usualDigits;
  const digits = digitsBeforeCarry(value, uncertainty);
  // Rounding may carry into another decade: 9.9996 to thousandths is 10.000.
  const carried = mantissaOf(Math.abs(value), digits).exponent - mantissaOf(Math.abs(value)).exponent;
  return Math.min(mostDigits, digits + carried);
}

/** Digits of a value down to the last place of its uncertainty, before it is rounded there. */
function digitsBeforeCarry(value: number, uncertainty: number | null): number {
  if (!uncertainty) return usualDigits;
  const lastPlace = mantissaOf(Math.abs(uncertainty), uncertaintyDigits).exponent - (uncertaintyDigits - 1);
  return Math.min(mostDigits, Math.max(1, mantissaOf(Math.abs(value)).exponent - lastPlace + 1));
}

/**
 * Prints a value with its uncertainty, U to two digits and the value to the last place of U:
 * `formatMeasured(10.1373, 0.0018, 'V')` is `10.1373 V ± 1.8 mV`.
 *
 * @param uncertainty  U, in the unit of the value; null if it is not known
 */
export function formatMeasured(value: number | null, uncertainty: number | null, unit: Unit): string {
  const printed = formatMeasuredValue(value, uncertainty, unit);
  if (value === null || uncertainty === null) return printed;
  return `${printed} ± ${formatQuantity(uncertainty, unit, { digits: uncertaintyDigits })}`;
}

/** Prints the value alone, to the last place of its uncertainty. A value that is below that place prints as 0. */
export function formatMeasuredValue(value: number | null, uncertainty: number | null, unit: Unit): string {
  if (value && uncertainty) {
    const { exponent } = mantissaOf(Math.abs(uncertainty), uncertaintyDigits);
    const place = 10 ** (exponent - (uncertaintyDigits - 1));
    if (Math.abs(value) < place / 2) return formatQuantity(0, unit);
  }
  const digits = digitsFor(value, uncertainty);
  if (!value) return formatQuantity(value, unit, { digits });
  // What rounding carries into another decade keeps its last place: it is rounded before it gets that digit.
  const rounded = Number(value.toPrecision(digitsBeforeCarry(value, uncertainty)));
  return formatQuantity(rounded, unit, { digits });
}
