import { toNumber } from '../solver/index.ts';
import type { BuiltRange, Combination, Design } from './design.ts';
import type { Movement } from './movement.ts';

/**
 * By how much a section can be off as a whole: its parts' tolerances weighed by their shares, of resistance in series and of
 * conductance side by side. Of parts of one tolerance that is the tolerance; of mixed ones side by side it is right to first order.
 */
export function sectionTolerance(
  { values, joined }: Pick<Combination, 'values' | 'joined'>,
  toleranceOf: (value: number) => number,
): number {
  const weights = values.map((value) => (joined === 'parallel' ? 1 / value : value));
  const whole = weights.reduce((sum, weight) => sum + weight, 0);
  return values.reduce((sum, value, k) => sum + (weights[k]! / whole) * toleranceOf(value), 0);
}

/**
 * The relative error of every range's reading when the measured quantity is exactly the range.
 *
 * @param sections  Ω, in the order of the plan
 * @param ranges    rising, A or V
 */
export function fullScaleErrors(
  { target, scheme }: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  ranges: readonly number[],
  sections: ArrayLike<number>,
): number[] {
  const [current, coil] = [toNumber(movement.current), toNumber(movement.resistance)];
  const last = ranges.length - 1;
  let total = 0;
  for (let k = 0; k <= last; k += 1) total += sections[k]!;
  let run = 0;
  const universalTaps: number[] = [];
  if (scheme === 'universal')
    for (let index = 0; index <= last; index += 1) universalTaps[last - index] = run += sections[index]!;
  let below = 0;
  return ranges.map((range, k) => {
    if (target === 'voltmeter') {
      below = scheme === 'string' ? below + sections[k]! : sections[k]!;
      return range / (below + coil) / current - 1;
    }
    if (scheme === 'universal') return (range * universalTaps[k]!) / (total + coil) / current - 1;
    return (range * sections[k]!) / (sections[k]! + coil) / current - 1;
  });
}

/**
 * Nominal errors and their worst cases. The error of a range rises with some sections and falls with the others, so its extremes
 * stand at two corners.
 *
 * @param tolerances  of each section as a whole, as fractions
 */
export function asBuilt(
  design: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  ranges: readonly number[],
  sections: readonly number[],
  tolerances: readonly number[],
): BuiltRange[] {
  const nominal = fullScaleErrors(design, movement, ranges, sections);
  const last = ranges.length - 1;
  return ranges.map((range, k) => {
    const at = (side: 1 | -1): number => {
      // A universal shunt reads more with its tapped part high and the rest low; a shunt with itself high; a multiplier low.
      const shifted = sections.map((resistance, index) => {
        const raises = design.target === 'ammeter' && (design.scheme !== 'universal' || index <= last - k);
        return resistance * (1 + side * (raises ? tolerances[index]! : -tolerances[index]!));
      });
      return fullScaleErrors(design, movement, ranges, shifted)[k]!;
    };
    return { range, fullScaleError: nominal[k]!, worstCase: [at(-1), at(1)] };
  });
}
