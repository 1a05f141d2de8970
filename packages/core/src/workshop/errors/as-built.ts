import { toNumber } from '../../solver/index.ts';
import type { BuiltRange, Combination, Design } from '../scheme/design.ts';
import type { Movement } from '../movement/movement.ts';

/** Ω of a section as its parts are marked, and the least and the most that they may come to. */
export interface SectionSpan {
  readonly marked: number;
  readonly low: number;
  readonly high: number;
}

/** Returns the limits of a section: in series and in parallel the whole rises with every part, so its limits are those of all parts. */
export function sectionSpan(
  { values, joined, resistance }: Combination,
  toleranceOf: (value: number) => number,
): SectionSpan {
  const together = (side: 1 | -1): number => {
    const ohms = values.map((value) => value * (1 + side * toleranceOf(value)));
    return joined === 'parallel' ? 1 / sum(ohms.map((ohm) => 1 / ohm)) : sum(ohms);
  };
  return { marked: resistance, low: together(-1), high: together(1) };
}

const sum = (of: readonly number[]): number => of.reduce((so, next) => so + next, 0);

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
 * are at two corners.
 */
export function asBuilt(
  design: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  ranges: readonly number[],
  sections: readonly SectionSpan[],
): BuiltRange[] {
  const errors = (ohms: readonly number[]): number[] => fullScaleErrors(design, movement, ranges, ohms);
  const nominal = errors(sections.map(({ marked }) => marked));
  const last = ranges.length - 1;
  return ranges.map((range, k) => {
    const at = (side: 1 | -1): number => {
      // A universal shunt reads more with its tapped part high and the rest low; a shunt with itself high; a multiplier low.
      const shifted = sections.map(({ low, high }, index) => {
        const raises = design.target === 'ammeter' && (design.scheme !== 'universal' || index <= last - k);
        return raises === side > 0 ? high : low;
      });
      return errors(shifted)[k]!;
    };
    return { range, fullScaleError: nominal[k]!, worstCase: [at(-1), at(1)] };
  });
}
