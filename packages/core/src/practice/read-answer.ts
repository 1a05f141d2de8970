import { exponentByPrefix, parseQuantity, type Unit } from '../quantity/index.ts';
import { fail, ok, type Result } from '../result.ts';

/** An answer as it was typed. */
export interface TypedAnswer {
  /** In SI. */
  readonly value: number;
  /** Digits from the first that is not zero. */
  readonly digits: number;
  /** Half of the last digit's step, in SI. */
  readonly halfStep: number;
  /** Whether it was given with its unit. */
  readonly hasUnit: boolean;
}

/**
 * Reads an answer generously: `3.65`, `3.65V`, `3650 mV`, `4k7`. A number alone is in the unit that was asked for.
 *
 * @param unit  asked for: V, A, Ω, W or C with a prefix, or %; none if the answer has none
 * @returns the answer, or what is wrong with it, in words
 */
export function readAnswer(text: string, unit: string | undefined): Result<TypedAnswer, string> {
  const typed = text.trim().replace(/[−–]/g, '-');
  if (typed === '') return fail('Type an answer.');
  const mantissa = mantissaOf(typed);
  if (unit === '%') {
    const match = /^[+-]?[\d.,]+(?:e[+-]?\d+)?\s*(%|percent|per cent)?$/i.exec(typed);
    const number = Number(
      typed
        .replace(/[^\d.,e+-]/gi, '')
        .replace(/e$/i, '')
        .replace(',', '.'),
    );
    if (!match || !Number.isFinite(number)) return fail(`“${typed}” is no percentage. Try −12.5 %.`);
    return ok(withDigits(number / 100, mantissa, match[1] !== undefined));
  }
  const base = (unit?.slice(-1) ?? 'V') as Unit;
  const read = parseQuantity(typed, base);
  if (!read.ok) return fail(read.fault.message);
  const isBare = /^[+-]?[\d.,]+(?:[eE][+-]?\d+)?$/.test(typed);
  const exponent = isBare && unit !== undefined && unit.length > 1 ? exponentByPrefix[unit[0]!]! : 0;
  const value = exponent === 0 ? read.value : Number(`${read.value}e${exponent}`);
  const hasUnit = !isBare && !/[\d.,]\s*[fpnuµμmkKMGT]\d*$/.test(typed);
  return ok(withDigits(value, mantissa, hasUnit));
}

/** The digits of a number as typed, its letter or comma as the point: `4.7` of `4k7`. */
function mantissaOf(typed: string): string {
  const [, digits = ''] = /^[+-]?([\d.,]+(?:\p{L}\d+)?)/u.exec(typed) ?? [];
  return digits.replace(/[,\p{L}]/u, '.').replace(/\.$/, '');
}

function withDigits(value: number, mantissa: string, hasUnit: boolean): TypedAnswer {
  const number = Number(mantissa);
  const decimals = mantissa.split('.')[1]?.length ?? 0;
  const scale = number === 0 ? 0 : Math.abs(value / number);
  return {
    value,
    digits: mantissa.replace('.', '').replace(/^0+/, '').length,
    halfStep: (scale * 10 ** -decimals) / 2,
    hasUnit,
  };
}
