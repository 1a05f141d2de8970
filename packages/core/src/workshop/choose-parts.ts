import { usualParts, type Combination, type Design } from './design.ts';
import { fullScaleErrors } from './as-built.ts';
import { buyableValues, nearestCombinations } from './combinations.ts';
import type { Movement } from './movement.ts';
import type { Plan } from './schemes.ts';

/** Choices of all sections together that are tried at most. */
const mostTries = 20_000;

/**
 * Parts for every section. Sections that serve one range each are chosen for themselves; those of a universal shunt or a
 * string all at once, so that the largest error of any range is the least.
 */
export function chooseParts(design: Design, movement: Movement, { ranges, sections }: Plan): readonly Combination[] {
  const { series, maxParts } = design.parts ?? usualParts;
  const values = buyableValues(series);
  const targets = sections.map(({ resistance }) => resistance);
  if (design.scheme === 'individual' || sections.length === 1)
    return targets.map((target) => nearestCombinations(target, values, maxParts, 1)[0]!);
  const fullScales = ranges.map(({ range }) => range);
  const worst = (chosen: ArrayLike<number>): number =>
    fullScaleErrors(design, movement, fullScales, chosen).reduce((most, error) => Math.max(most, Math.abs(error)), 0);
  const each = Math.max(3, Math.min(60, Math.floor(mostTries ** (1 / sections.length))));
  const together = bestTogether(
    targets.map((target) => nearestCombinations(target, values, maxParts, each)),
    worst,
  );
  if (maxParts === 1) return together.chosen;
  // Never worse than single values: they are tried by themselves, wider apart.
  const singles = bestTogether(
    targets.map((target) => nearestCombinations(target, values, 1, each)),
    worst,
  );
  return singles.worst < together.worst ? singles.chosen : together.chosen;
}

/** Tries every choice of one candidate a section, or, where these are too many, betters one section after the other. */
function bestTogether(
  candidates: readonly (readonly Combination[])[],
  worst: (chosen: ArrayLike<number>) => number,
): { readonly chosen: readonly Combination[]; readonly worst: number } {
  const n = candidates.length;
  const at = new Int32Array(n);
  const resistances = Float64Array.from(candidates, ([first]) => first!.resistance);
  let best = { at: at.slice(), worst: worst(resistances) };
  const set = (section: number, index: number): void => {
    at[section] = index;
    resistances[section] = candidates[section]![index]!.resistance;
  };
  const look = (): boolean => {
    const found = worst(resistances);
    if (found >= best.worst * (1 - 1e-12)) return false;
    best = { at: at.slice(), worst: found };
    return true;
  };
  if (candidates.reduce((product, list) => product * list.length, 1) <= mostTries) {
    for (let place = 0; place < n;) {
      // Counting with one wheel a section.
      if (at[place]! + 1 < candidates[place]!.length) {
        set(place, at[place]! + 1);
        look();
        place = 0;
      } else {
        set(place, 0);
        place += 1;
      }
    }
  } else {
    for (let bettered = true; bettered;) {
      bettered = false;
      for (let section = 0; section < n; section += 1) {
        for (let index = 0; index < candidates[section]!.length; index += 1) {
          set(section, index);
          bettered = look() || bettered;
        }
        for (let k = 0; k < n; k += 1) set(k, best.at[k]!);
      }
    }
  }
  return { chosen: candidates.map((list, k) => list[best.at[k]!]!), worst: best.worst };
}
