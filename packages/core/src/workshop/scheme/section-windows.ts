import { toNumber } from '../../solver/index.ts';
import type { Design } from './design.ts';
import type { Movement } from '../movement/movement.ts';

/** Share by which rounding may narrow a window. */
const rounding = 1e-12;

/** Ω between which a section may lie. */
export interface Window {
  readonly low: number;
  readonly high: number;
}

/**
 * The bounds of the next section, given those before it, if no range is to be off at full scale by more than `error`. They may be
 * too wide, never too narrow.
 *
 * @param ranges  rising, A or V
 * @param before  Ω of the sections chosen so far, in the order of the plan
 * @param error   fraction, below 1
 */
export function sectionWindow(
  { target, scheme }: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  ranges: readonly number[],
  before: readonly number[],
  error: number,
): Window {
  const [current, coil] = [toNumber(movement.current), toNumber(movement.resistance)];
  const k = before.length;
  const sum = before.reduce((total, section) => total + section, 0);
  if (target === 'voltmeter') {
    const behind = coil + (scheme === 'string' ? sum : 0);
    const whole = (e: number): number => ranges[k]! / current / (1 + e);
    return widened(whole(error) - behind, whole(-error) - behind);
  }
  // A shunt R beside the coil, or a universal shunt with it: R/(R + coil) is the movement's share of the range's current.
  const shuntFor = (range: number, e: number): number => {
    const share = ((1 + e) * current) / range;
    return share < 1 ? (coil * share) / (1 - share) : Infinity;
  };
  if (scheme !== 'universal') return widened(shuntFor(ranges[k]!, -error), shuntFor(ranges[k]!, error));
  // Loop of shunt and coil, as the lowest range and every tap so far bound it.
  let [low, high] = [coil + shuntFor(ranges[0]!, -error), coil + shuntFor(ranges[0]!, error)];
  let tap = 0;
  before.forEach((section, index) => {
    tap += section;
    const maximum = (ranges[ranges.length - 1 - index]! * tap) / current;
    low = Math.max(low, maximum / (1 + error));
    high = Math.min(high, maximum / (1 - error));
  });
  const at = ranges[ranges.length - 1 - k]!;
  const last = k === ranges.length - 1;
  return widened(
    Math.max(((1 - error) * low * current) / at, last ? low - coil : 0) - tap,
    Math.min(((1 + error) * high * current) / at, last ? high - coil : Infinity) - tap,
  );
}

/** A little wider than worked out, for what was rounded. */
const widened = (low: number, high: number): Window => ({
  low: Math.max(0, low - rounding * Math.abs(low)),
  high: high + rounding * Math.abs(high),
});
