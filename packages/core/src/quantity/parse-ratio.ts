import { fail, ok, type Result } from '../result.ts';
import type { QuantityFault } from './parse-quantity.ts';

/**
 * Reads a tolerance as it is written on a part: `1`, `1 %`, `±5%` and `0.5%` are all in per cent.
 *
 * @returns the ratio (0.01 for 1 %), or what was expected instead
 */
export function parsePercent(text: string): Result<number, QuantityFault> {
  const typed = text.trim();
  if (typed === '') return fail({ code: 'empty', message: 'Type a percentage, for example 1 %.' });
  const match = /^[±+]?\s*(\d+(?:[.,]\d*)?|[.,]\d+)\s*%?$/.exec(typed);
  if (!match) return fail({ code: 'not-a-quantity', message: `“${typed}” is not a percentage. Try 1 % or 0.5 %.` });
  return ok(Number(`${match[1]!.replace(',', '.')}e-2`));
}
