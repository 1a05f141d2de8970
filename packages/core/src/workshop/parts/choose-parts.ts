import { usualParts, type Combination, type Design } from '../scheme/design.ts';
import { fullScaleErrors } from '../errors/as-built.ts';
import { buyableValues, combinationsWithin, drawerOf, nearestCombination, type Drawer } from './combinations.ts';
import type { Movement } from '../movement/movement.ts';
import { partLoads, withinRatings, type Ratings } from './part-loads.ts';
import type { Plan } from '../scheme/schemes.ts';
import { sectionWindow } from '../scheme/section-windows.ts';
import { stockCount, stockValues, type StockPart } from './stock.ts';

/** Share by which an error must be smaller to count as better. */
const betterBy = 1e-12;

/** Relative error with which the search of parts begins; it grows by a factor of 4. */
const firstBound = 1e-9;

/** Progress of a search for parts. */
export interface SearchProgress {
  /** Combinations looked at so far. */
  readonly tried: number;
  /** Largest error at full scale of any range of the best choice so far, as a fraction; null before there is one. */
  readonly best: number | null;
}

/** Limits of the parts beyond the design's own choice. */
export interface PartsLimits {
  /** The only parts there are; the design's series if omitted. */
  readonly stock?: readonly StockPart[];
  /** Only combinations of which no part takes more than half of its power or more than its limiting voltage. */
  readonly ratings?: Ratings;
  readonly onProgress?: (progress: SearchProgress) => void;
}

/** Combinations looked at, at most, before the best so far is taken. */
const mostTries = 400_000;

/** Error that counts as none: nothing better is looked for. */
const exactRequired = 1e-12;

/**
 * Parts for every section, such that the largest error at full scale of any range is the least that there is. Sections that
 * serve one range each are chosen for themselves, those of a universal shunt or a string all at once.
 */
export function chooseParts(
  design: Design,
  movement: Movement,
  { ranges, sections }: Plan,
  { stock, ratings, onProgress }: PartsLimits = {},
): readonly Combination[] {
  const { series, maxParts } = design.parts ?? usualParts;
  const drawer = drawerOf(stock ? stockValues(stock) : buyableValues(series));
  const fullScales = ranges.map(({ range }) => range);
  const fits = (index: number, combination: Combination): boolean =>
    !ratings || withinRatings(partLoads(sections[index]!, combination), ratings);
  const use = stock ? new Use(stock) : null;
  const state = { tried: 0, best: null as number | null, onProgress };
  const search = (of: readonly number[], single: Pick<Design, 'target' | 'scheme'>): readonly Combination[] => {
    const at = single.scheme === 'individual' ? of.map((k) => fullScales[k]!) : fullScales;
    const problem = { design: single, movement, ranges: at, drawer, maxParts, use };
    const found = bestTogether(problem, state, (k, combination) => fits(of[k]!, combination));
    return (
      found ??
      // No choice comes near: the nearest to each, within the ratings where there is such.
      of.map((k) => {
        const near = (allowed: (combination: Combination) => boolean) =>
          nearestCombination(sections[k]!.resistance, drawer, maxParts, allowed);
        const has = (combination: Combination): boolean => !use || use.allows(combination);
        const chosen = near((c) => fits(k, c) && has(c)) ?? near(has) ?? near(() => true)!;
        use?.take(chosen);
        return chosen;
      })
    );
  };
  if (design.scheme !== 'individual') return search([...sections.keys()], design);
  return sections.flatMap((_, k) => search([k], design));
}

interface Problem {
  readonly design: Pick<Design, 'target' | 'scheme'>;
  readonly movement: Movement;
  readonly ranges: readonly number[];
  readonly drawer: Drawer;
  readonly maxParts: number;
  readonly use: Use | null;
}

/**
 * The best choice for some sections at once, exactly: for a growing bound on the error, every choice within the windows that the
 * bound leaves to each section, one after the other; the first bound that leaves any has the best among them.
 *
 * @returns null if every choice is off by all of the range
 */
function bestTogether(
  { design, movement, ranges, drawer, maxParts, use }: Problem,
  state: { tried: number; best: number | null; readonly onProgress?: PartsLimits['onProgress'] },
  fits: (section: number, combination: Combination) => boolean,
): readonly Combination[] | null {
  let chosen: readonly Combination[] | null = null;
  const last = state.tried + mostTries;
  const look = (bound: number): void => {
    let error = bound;
    const before: Combination[] = [];
    const descend = (): void => {
      const resistances = before.map(({ resistance }) => resistance);
      if (before.length === ranges.length) {
        const worst = fullScaleErrors(design, movement, ranges, resistances).reduce(
          (maximum, e) => Math.max(maximum, Math.abs(e)),
          0,
        );
        if (worst > error || (chosen && worst >= error * (1 - betterBy))) return;
        error = worst;
        chosen = [...before];
        state.best = worst;
        return;
      }
      const { low, high } = sectionWindow(design, movement, ranges, resistances, error);
      if (low > high || high <= 0) return;
      const middle = (low + high) / 2;
      const candidates = combinationsWithin(low, high, drawer, maxParts).sort(
        (a, b) =>
          a.values.length - b.values.length || Math.abs(a.resistance - middle) - Math.abs(b.resistance - middle),
      );
      for (const candidate of candidates) {
        if (state.tried >= last || error <= exactRequired) return;
        state.tried += 1;
        if (state.tried % 512 === 0) state.onProgress?.(state);
        if (!fits(before.length, candidate) || (use && !use.allows(candidate))) continue;
        before.push(candidate);
        use?.take(candidate);
        descend();
        use?.putBack(candidate);
        before.pop();
      }
    };
    state.onProgress?.(state);
    descend();
  };
  for (let bound = firstBound; bound < 1 && !chosen && state.tried < last; bound *= 4) look(bound);
  const found = chosen as readonly Combination[] | null;
  if (use) found?.forEach((combination) => use.take(combination));
  return found;
}

/** Use of a stock: no more parts of a value than there are. */
class Use {
  readonly #left: Map<number, number>;

  constructor(stock: readonly StockPart[]) {
    this.#left = stockCount(stock);
  }

  allows({ values }: Combination): boolean {
    return values.every((value) => (this.#left.get(value) ?? 0) >= values.filter((other) => other === value).length);
  }

  take({ values }: Combination): void {
    for (const value of values) this.#left.set(value, (this.#left.get(value) ?? 0) - 1);
  }

  putBack({ values }: Combination): void {
    for (const value of values) this.#left.set(value, this.#left.get(value)! + 1);
  }
}
