import { engineering, type Unit } from '../quantity/index.ts';
import { shownPattern } from './observed-value.ts';
import type { Observation } from './reading.ts';

/** Prefixes that an observation's unit can have. */
const prefixes: ReadonlySet<string> = new Set(['n', 'µ', 'm', '', 'k', 'M', 'G']);

/**
 * Returns a number as a display with the fewest digits that give it back, in the unit with a suitable prefix.
 *
 * @returns null for a number that no display can have, such as one with more than 15 digits
 */
export function observationOf(value: number, unit: Unit): Observation | null {
  const { text, prefix } = engineering(Math.abs(value));
  const shown = (value < 0 ? '-' : '') + text;
  return prefixes.has(prefix) && shownPattern.test(shown) ? { shown, unit: prefix + unit } : null;
}
