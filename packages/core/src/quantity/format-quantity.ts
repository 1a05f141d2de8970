import { engineering, mantissaOf, shiftPoint } from './engineering.ts';
import type { Unit } from './unit.ts';

/** Sizes outside which a value is written as a power of ten: three digits beyond the prefixes. */
const [smallest, largest] = [1e-18, 1e18];

/** Per cent below which a ratio is written as a power of ten. */
const smallestPercent = 1e-4;

/** Options of a formatted quantity. */
export interface FormatOptions {
  /** Significant digits, 1 to 17; 4 when left out. */
  readonly digits?: number;
  /** Leave out zeros at the end of the fraction, as on a part's body: 56 kΩ rather than 56.00 kΩ. */
  readonly trim?: boolean;
  /** Write the + of a positive number, for differences. */
  readonly signed?: boolean;
}

const noBreakSpace = '\u00a0';

/**
 * Prints a quantity in engineering notation: `formatQuantity(0.00031486, 'A')` is `314.9 µA`.
 *
 * The prefix is chosen after rounding, so 999.96 Ω in four digits is `1.000 kΩ`. A value that is not there prints as a dash, one a
 * thousand times beyond the prefixes as a power of ten.
 */
export function formatQuantity(value: number | null, unit: Unit, options: FormatOptions = {}): string {
  if (value === null || !Number.isFinite(value)) return '–';
  const size = Math.abs(value);
  const { text, prefix } =
    size >= largest || (size > 0 && size < smallest)
      ? { text: powerOfTen(size, options.digits ?? 4), prefix: '' }
      : engineering(size, options.digits ?? 4);
  const digits = options.trim ? trimZeros(text) : text;
  return `${sign(value, digits, options.signed)}${digits}${noBreakSpace}${prefix}${unit}`;
}

/** Prints a ratio in per cent: `formatPercent(-0.427)` is `−42.7 %`. */
export function formatPercent(ratio: number | null, options: FormatOptions = {}): string {
  if (ratio === null || !Number.isFinite(ratio)) return '–';
  const percent = Math.abs(ratio * 100);
  const text =
    percent === 0 ? '0' : percent < smallestPercent ? powerOfTen(percent, 2) : plain(percent, options.digits ?? 3);
  return `${sign(ratio, text, options.signed)}${options.trim ? trimZeros(text) : text}${noBreakSpace}%`;
}

function plain(value: number, digits: number): string {
  const { mantissa, exponent } = mantissaOf(value, digits);
  return shiftPoint(mantissa, exponent);
}

function powerOfTen(value: number, digits: number): string {
  const { mantissa, exponent } = mantissaOf(value, digits);
  return `${mantissa}×10${[...String(exponent)].map((c) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(c)] ?? '⁻').join('')}`;
}

const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+(?=×|$)/, '') : text);

function sign(value: number, printed: string, signed = false): string {
  if (!/[1-9]/.test(printed)) return '';
  if (value < 0) return '−';
  return signed ? '+' : '';
}
