import { asBuilt, sectionSpan } from '../errors/as-built.ts';
import { chooseParts, type PartsLimits } from './choose-parts.ts';
import { usualParts, type Design } from '../scheme/design.ts';
import type { Movement } from '../movement/movement.ts';
import type { Plan } from '../scheme/schemes.ts';

/** Price of one resistor of a tolerance, in whatever money. */
export interface GradePrice {
  /** Fraction; 0 for a trimmer, which is set. */
  readonly tolerance: number;
  readonly price: number;
}

/** Prices to begin with, for a workshop to put its own in place of. */
export const usualPrices: readonly GradePrice[] = [
  { tolerance: 0.05, price: 0.02 },
  { tolerance: 0.02, price: 0.03 },
  { tolerance: 0.01, price: 0.04 },
  { tolerance: 0.005, price: 0.2 },
  { tolerance: 0.001, price: 0.6 },
  { tolerance: 0.0005, price: 2 },
  { tolerance: 0.0001, price: 8 },
  { tolerance: 0, price: 1.5 },
];

/** One way of building a meter, with what it costs and how far it can be off. */
export interface Way {
  readonly tolerance: number;
  /** Most parts in a section; null for a fixed part and a trimmer each. */
  readonly maxParts: number | null;
  /** Resistors in all, trimmers among them. */
  readonly count: number;
  readonly price: number;
  /** Largest error at full scale of any range, as a fraction: the worst case, or what a trimmer can be set to. */
  readonly error: number;
}

/**
 * Every way to build a design from the grades of a price list, the cheapest first: one to three parts a section of each
 * tolerance, or a trimmer each, set to a quarter of a division.
 *
 * @param divisions  of the scale
 */
export function waysToMeet(
  design: Design,
  movement: Movement,
  plan: Plan,
  prices: readonly GradePrice[],
  divisions: number,
  limits: PartsLimits = {},
): Way[] {
  const choice = design.parts ?? usualParts;
  const fullScales = plan.ranges.map(({ range }) => range);
  const grades = prices.filter(({ tolerance }) => tolerance > 0);
  const ways = [1, 2, 3].flatMap((maxParts) => {
    const chosen = chooseParts({ ...design, parts: { ...choice, maxParts } }, movement, plan, limits);
    const count = chosen.reduce((sum, { values }) => sum + values.length, 0);
    return grades.map(({ tolerance, price }): Way => {
      const built = asBuilt(
        design,
        movement,
        fullScales,
        chosen.map((section) => sectionSpan(section, () => tolerance)),
      );
      const error = Math.max(...built.flatMap(({ worstCase }) => worstCase.map(Math.abs)));
      return { tolerance, maxParts, count, price: count * price, error };
    });
  });
  const trimmer = prices.find(({ tolerance }) => tolerance === 0);
  const plainest = grades.reduce<GradePrice | null>(
    (best, next) => (next.tolerance <= 0.01 && (!best || next.price < best.price) ? next : best),
    null,
  );
  if (trimmer && plainest) {
    const count = 2 * plan.sections.length;
    const price = plan.sections.length * (trimmer.price + plainest.price);
    ways.push({ tolerance: plainest.tolerance, maxParts: null, count, price, error: 0.25 / divisions });
  }
  return ways.sort((a, b) => a.price - b.price || a.error - b.error);
}

/** The cheapest way that keeps within an error, as a fraction; null if none does. */
export const cheapestWithin = (ways: readonly Way[], error: number): Way | null =>
  ways.find((way) => way.error <= error) ?? null;

/** Share of the error that a dearer way must take away. */
const worthIt = 0.05;

/** Of ways by rising price those that are worth it: each is closer than all that are cheaper, and not by a hair. */
export const worthwhile = (ways: readonly Way[]): Way[] =>
  ways.filter(({ error }, k) => ways.slice(0, k).every((cheaper) => error < (1 - worthIt) * cheaper.error));
