import { fail, ok, type Result } from '../result.ts';
import { exponentByPrefix } from './prefix.ts';
import { unitSpellings, type Unit } from './unit.ts';

/** Reason why a text is no quantity. */
export interface QuantityFault {
  readonly code: 'empty' | 'not-a-quantity' | 'wrong-unit' | 'ambiguous-comma' | 'too-large';
  /** The problem and what to type instead, in a technician's words. */
  readonly message: string;
}

const examples: Readonly<Record<Unit, string>> = {
  V: '1.8 V, 75 mV or 24',
  A: '250 µA, 250uA or 0.35',
  Ω: '4k7, 330 mΩ or 4700',
  W: '250 mW or 0.25',
  C: '40 C or 250 mC',
};

/**
 * Reads a quantity as it is typed or printed on a part: `4k7`, `4.7k`, `4700`, `0R22`, `2M2`, `330 mΩ`, `250uA`.
 *
 * The letter of a prefix or unit may replace the decimal point (IEC 60062); a comma may be the decimal mark where it
 * cannot be a thousands separator. The number is rounded once, to the nearest double: `4k7` is exactly 4700.
 *
 * @returns the value in `unit`, or the fault with what was expected
 */
export function parseQuantity(text: string, unit: Unit): Result<number, QuantityFault> {
  const typed = text
    .trim()
    .replace(/[−–]/g, '-')
    .replace(/×10([⁻⁰¹²³⁴⁵⁶⁷⁸⁹]+)/, (_, power: string) => `e${[...power].map(plainDigit).join('')}`)
    .replace(/[\s\u00a0\u202f]+/g, ' ');
  if (typed === '') return fail({ code: 'empty', message: `Type a value, for example ${examples[unit]}.` });
  if (/^[+-]?[1-9]\d{0,2}(,\d{3})+(?!\d)/.test(typed))
    return fail({
      code: 'ambiguous-comma',
      message: `“${typed}” may mean a decimal or thousands. Write a point for the decimal, or a prefix such as k.`,
    });
  const match = readPlain(typed) ?? readLetterAsPoint(typed);
  if (!match) return fail({ code: 'not-a-quantity', message: `“${typed}” is not a value. Try ${examples[unit]}.` });

  const suffix = readSuffix(match.suffix, unit);
  if (suffix === null) {
    const other = (Object.keys(unitSpellings) as Unit[]).find(
      (u) => u !== unit && readSuffix(match.suffix, u) !== null,
    );
    return fail(
      other
        ? {
            code: 'wrong-unit',
            message: `“${typed}” is in ${other}; here it must be in ${unit}, for example ${examples[unit]}.`,
          }
        : { code: 'not-a-quantity', message: `“${match.suffix}” is no prefix or unit here. Try ${examples[unit]}.` },
    );
  }
  const value = Number(`${match.mantissa}e${match.exponent + suffix}`);
  if (!Number.isFinite(value)) return fail({ code: 'too-large', message: `“${typed}” is too large to compute with.` });
  return ok(value);
}

/** A raised digit or sign as a plain one. */
const plainDigit = (raised: string): string => (raised === '⁻' ? '-' : String('⁰¹²³⁴⁵⁶⁷⁸⁹'.indexOf(raised)));

interface Written {
  readonly mantissa: string;
  readonly exponent: number;
  readonly suffix: string;
}

/** `4700`, `4.7k`, `4,7 kΩ`, `1e3`, `-1.8 V`. */
function readPlain(typed: string): Written | null {
  const match = /^([+-]?)(\d+(?:[.,]\d*)?|[.,]\d+)(?:[eE]([+-]?\d{1,3}))? ?([^\d\s.,+-]*)$/.exec(typed);
  if (!match) return null;
  const [, sign, digits, exponent, suffix] = match;
  return { mantissa: `${sign}${digits!.replace(',', '.')}`, exponent: Number(exponent ?? 0), suffix: suffix! };
}

/** Parses `4k7`, `0R22`, `2M2`, `1V8`: the letter replaces the point. */
function readLetterAsPoint(typed: string): Written | null {
  const match = /^([+-]?)(\d+)(\p{L})(\d+) ?(\p{L}*)$/u.exec(typed);
  if (!match) return null;
  const [, sign, whole, letter, fraction, unit] = match;
  return { mantissa: `${sign}${whole}.${fraction}`, exponent: 0, suffix: letter! + unit! };
}

/** Returns the power of ten of a prefix-and-unit, or null if it is not one of `unit`. */
function readSuffix(suffix: string, unit: Unit): number | null {
  const spellings = unitSpellings[unit];
  if (suffix === '' || spellings.includes(suffix)) return 0;
  const exponent = exponentByPrefix[suffix[0]!];
  if (exponent === undefined) return null;
  const rest = suffix.slice(1).trim();
  return rest === '' || spellings.includes(rest) ? exponent : null;
}
