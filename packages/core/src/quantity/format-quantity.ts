import { largestExponent, prefixByExponent, smallestExponent } from './prefix.ts';
import type { Unit } from './unit.ts';

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
 * The prefix is chosen after rounding, so 999.96 Ω in four digits is `1.000 kΩ`. A value that is not there prints as a dash.
 */
export function formatQuantity(value: number | null, unit: Unit, options: FormatOptions = {}): string {
  if (value === null || !Number.isFinite(value)) return '–';
  const { text, prefix } = engineering(value, options.digits ?? 4);
  const digits = options.trim ? trimZeros(text) : text;
  return `${sign(value, digits, options.signed)}${digits}${noBreakSpace}${prefix}${unit}`;
}

/** Prints a ratio in per cent: `formatPercent(-0.427)` is `−42.7 %`. */
export function formatPercent(ratio: number | null, options: FormatOptions = {}): string {
  if (ratio === null || !Number.isFinite(ratio)) return '–';
  const percent = Math.abs(ratio * 100);
  const text = percent === 0 ? '0' : percent < 1e-4 ? tiny(percent) : plain(percent, options.digits ?? 3);
  return `${sign(ratio, text, options.signed)}${options.trim ? trimZeros(text) : text}${noBreakSpace}%`;
}

function engineering(value: number, digits: number): { text: string; prefix: string } {
  const magnitude = Math.abs(value);
  if (magnitude === 0) return { text: '0', prefix: '' };
  const [mantissa, exponentText] = magnitude.toExponential(digits - 1).split('e') as [string, string];
  const exponent = Number(exponentText);
  const third = Math.min(largestExponent, Math.max(smallestExponent, Math.floor(exponent / 3) * 3));
  return { text: shiftPoint(mantissa, exponent - third), prefix: prefixByExponent[third]! };
}

/** Moves the decimal point of rounded digits; what was rounded once is never rounded again. */
function shiftPoint(mantissa: string, places: number): string {
  const digits = mantissa.replace('.', '');
  if (places < 0) return `0.${'0'.repeat(-places - 1)}${digits}`;
  if (digits.length <= places + 1) return digits.padEnd(places + 1, '0');
  return `${digits.slice(0, places + 1)}.${digits.slice(places + 1)}`;
}

function plain(value: number, digits: number): string {
  const [mantissa, exponent] = value.toExponential(digits - 1).split('e') as [string, string];
  return shiftPoint(mantissa, Number(exponent));
}

function tiny(value: number): string {
  const [mantissa, exponent] = value.toExponential(1).split('e') as [string, string];
  return `${mantissa}×10${[...exponent].map((c) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(c)] ?? '⁻').join('')}`;
}

const trimZeros = (text: string): string => (text.includes('.') ? text.replace(/\.?0+$/, '') : text);

function sign(value: number, printed: string, signed = false): string {
  if (!/[1-9]/.test(printed)) return '';
  if (value < 0) return '−';
  return signed ? '+' : '';
}
