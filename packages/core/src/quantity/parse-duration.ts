import { fail, ok, type Result } from '../result.ts';
import type { QuantityFault } from './parse-quantity.ts';

const seconds: Readonly<Record<string, number>> = {
  ms: 1e-3,
  s: 1,
  sec: 1,
  min: 60,
  h: 3600,
  hr: 3600,
  d: 86_400,
};

/**
 * Reads a time with its unit: `90 s`, `5 min`, `2 h`, `1h30`. The unit must be said: minutes taken for seconds are a slip
 * that nobody sees.
 *
 * @returns s, or what was expected
 */
export function parseDuration(text: string): Result<number, QuantityFault> {
  const typed = text.trim().toLowerCase().replace(',', '.');
  const message = `“${text.trim()}” is no time. Type it with its unit: 90 s, 5 min or 2 h.`;
  if (typed === '') return fail({ code: 'empty', message: 'Type a time with its unit: 90 s, 5 min or 2 h.' });
  const hours = /^(\d+)\s*h\s*(\d{1,2})(?:\s*min)?$/.exec(typed);
  if (hours) return ok(Number(hours[1]) * 3600 + Number(hours[2]) * 60);
  const match = /^(\d+(?:\.\d*)?|\.\d+)\s*([a-z]*)$/.exec(typed);
  if (!match) return fail({ code: 'not-a-quantity', message });
  if (match[2] === '')
    return fail({ code: 'wrong-unit', message: `${typed} of what? Type the unit too: ${typed} s or ${typed} min.` });
  const unit = seconds[match[2]!];
  return unit === undefined ? fail({ code: 'not-a-quantity', message }) : ok(Number(match[1]) * unit);
}

/** Prints a time: 90 s, 5 min, 2 h. */
export function formatDuration(time: number): string {
  const [size, unit] =
    time >= 3600 && time % 60 === 0 ? [3600, 'h'] : time >= 120 && time % 6 === 0 ? [60, 'min'] : [1, 's'];
  return `${Number((time / size).toPrecision(6))}\u00a0${unit}`;
}
