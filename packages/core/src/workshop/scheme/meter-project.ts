import { fail, ok, type Result } from '../../result.ts';
import { divide, exactly, subtract, toNumber } from '../../solver/index.ts';
import { asBuilt, sectionSpan, type SectionSpan } from '../errors/as-built.ts';
import type { SearchProgress } from '../parts/choose-parts.ts';
import { usualParts } from './design.ts';
import type { BuiltRange, Combination, Design, DesignResult, PartsChoice, Scheme } from './design.ts';
import type { DesignFault } from './design-fault.ts';
import type { Movement } from '../movement/movement.ts';
import { figuresInUse, movementInUse, shuntedBy, type MovementAsFound } from '../movement/movement-as-found.ts';
import type { MovementMeasurement } from '../movement/measured-movement.ts';
import type { GradePrice } from '../parts/ways-to-meet.ts';
import { solveDesign } from './solve-design.ts';
import { stockTolerance, type StockPart } from '../parts/stock.ts';

/** Quantity and ranges of a meter on one side of its selector. */
export interface Side {
  readonly target: Design['target'];
  readonly scheme: Scheme;
  /** A or V at full scale, in any order. */
  readonly ranges: readonly number[];
  /**
   * A voltmeter's, in a meter that has a universal shunt as well: `shunt` hangs the multipliers on the movement with its shunt
   * across, so that the shunt is never switched; `movement`, and if omitted, on the movement alone.
   */
  readonly across?: 'movement' | 'shunt';
}

/** Parts that a workshop builds from. */
export interface WorkshopParts extends PartsChoice {
  /** V across one resistor. */
  readonly limitingVoltage?: number;
  /** Share of its resistance that a resistor gains for each kelvin, the worse sign. */
  readonly coefficient?: number;
  /** Only choices of which no part takes more than half its power or its limiting voltage. */
  readonly withinRatings?: boolean;
  /** Each section a fixed part and a trimmer, set against a standard. */
  readonly trimmed?: boolean;
  /** The only parts there are. */
  readonly stock?: readonly StockPart[];
  /** Prices of parts, by tolerance. */
  readonly prices?: readonly GradePrice[];
}

/** A fuse in series with the whole meter. */
interface SeriesFuse {
  /** A. */
  readonly rating: number;
  /** Ω. */
  readonly resistance: number;
}

/** A meter under way in the workshop: everything that makes it, from the movement in the drawer to the scale. */
export interface MeterProject {
  readonly id: string;
  readonly title?: string;
  readonly movement: MovementAsFound;
  /** Measurement of the movement's figures, if they were measured here. */
  readonly measurement?: MovementMeasurement;
  /** Class of the movement, as a fraction of full scale. */
  readonly movementClass: number;
  /** Of the scale. */
  readonly divisions: number;
  /** One, or an ammeter and a voltmeter of one movement. */
  readonly sides: readonly Side[];
  readonly parts: WorkshopParts;
  readonly fuse?: SeriesFuse;
  /** Of the scale: mm from the pivot, and degrees from zero to full scale. */
  readonly dial: { readonly radius: number; readonly sweep: number };
  /** Put away: kept, no longer in the workshop. */
  readonly retired?: boolean;
  /** The instrument of the kit that it became, and how often it was put there. */
  readonly instrument?: { readonly id: string; readonly version: number };
}

/** One side of a meter, worked out. */
export interface WorkedSide {
  readonly side: Side;
  readonly design: Design;
  /** Movement that the sections are made for. */
  readonly movement: Movement;
  readonly result: DesignResult;
  /** Parts of the universal shunt across the movement, if this side is connected across it. */
  readonly shunt: readonly Combination[] | null;
}

/** Metal film of a quarter of a watt, rated for 250 V, which changes by 50 millionths for a kelvin. */
const usualWorkshopParts: WorkshopParts = { ...usualParts, limitingVoltage: 250, coefficient: 5e-5 };

/** Returns the ammeter with a universal shunt that a voltmeter is connected across; null for any other side. */
const shuntSide = ({ sides }: MeterProject, side: Side): Side | null =>
  side.target === 'voltmeter' && side.across === 'shunt'
    ? (sides.find(({ target, scheme }) => target === 'ammeter' && scheme === 'universal') ?? null)
    : null;

/**
 * The movement that a side's parts are made for.
 *
 * @param kelvin  that the coil is above the temperature of its figures
 */
export function movementOfSide(meterProject: MeterProject, side: Side, kelvin = 0): Result<Movement, DesignFault> {
  const inUse = movementInUse(meterProject.movement, kelvin);
  const shunt = shuntSide(meterProject, side);
  if (!inUse.ok || !shunt) return inUse;
  // The shunt was made for the coil at the temperature of its figures.
  const cold = movementInUse(meterProject.movement);
  if (!cold.ok) return cold;
  const rest = subtract(exactly(Math.min(...shunt.ranges)), cold.value.current);
  if (!(rest.hi > 0)) return inUse;
  return ok(shuntedBy(inUse.value, divide(cold.value.voltage, rest)));
}

/** The design of one side, as a `*.design.json` has it. */
export function designOfSide(meterProject: MeterProject, side: Side): Result<Design, DesignFault> {
  const movement = movementOfSide(meterProject, side);
  if (!movement.ok) return movement;
  const { series, tolerance, powerRating, maxParts } = meterProject.parts;
  return ok({
    format: 'usual-drag/design',
    version: 1,
    ...(meterProject.title !== undefined && { title: meterProject.title }),
    target: side.target,
    movement: shuntSide(meterProject, side)
      ? { fullScaleCurrent: toNumber(movement.value.current), fullScaleVoltage: toNumber(movement.value.voltage) }
      : figuresInUse(meterProject.movement, movement.value),
    scheme: side.scheme,
    ranges: side.ranges,
    parts: { series, tolerance, powerRating, maxParts },
  });
}

/** Returns a new meter project for a design; whatever a design file omits is as usual. */
export function meterProjectOf(id: string, { title, target, movement, scheme, ranges, parts }: Design): MeterProject {
  return {
    id,
    ...(title !== undefined && { title }),
    movement: { figures: movement },
    movementClass: 0.015,
    divisions: 50,
    sides: [{ target, scheme, ranges }],
    parts: { ...usualWorkshopParts, ...parts },
    dial: { radius: 60, sweep: 90 },
  };
}

/**
 * Works every side of a meter out, its parts chosen from the series or from the stock.
 *
 * @returns the sides in their order, or the first reason why there is none
 */
export function solveMeterProject(
  meterProject: MeterProject,
  onProgress?: (progress: SearchProgress) => void,
): Result<readonly WorkedSide[], DesignFault> {
  const { stock, withinRatings, powerRating, limitingVoltage } = meterProject.parts;
  if (stock?.length === 0)
    return fail({
      code: 'invalid-value',
      message: 'The stock is empty. Put a resistor in it, or choose from a series.',
      where: ['parts.stock'],
    });
  const worked: WorkedSide[] = [];
  // An ammeter comes first: a voltmeter may be connected across its shunt.
  for (const side of [...meterProject.sides].sort((a, b) => (a.target < b.target ? -1 : 1))) {
    const design = designOfSide(meterProject, side);
    const movement = movementOfSide(meterProject, side);
    if (!design.ok) return design;
    if (!movement.ok) return movement;
    const result = solveDesign(design.value, {
      ...(stock && { stock: leftOf(stock, worked) }),
      ...(withinRatings && { ratings: { powerRating, ...(limitingVoltage !== undefined && { limitingVoltage }) } }),
      ...(onProgress && { onProgress }),
    });
    if (!result.ok) return result;
    const shunt = shuntSide(meterProject, side);
    const parts = shunt ? worked[0]!.result.sections.map(({ parts: chosen }) => chosen) : null;
    const found = { side, design: design.value, movement: movement.value, result: result.value, shunt: parts };
    worked.push(
      shunt ? { ...found, result: { ...result.value, asBuilt: builtBehindShunt(meterProject, found) } } : found,
    );
  }
  return ok(worked);
}

/** The stock without what the sides before have taken. */
function leftOf(stock: readonly StockPart[], worked: readonly WorkedSide[]): StockPart[] {
  const taken = worked.flatMap(({ result }) => result.sections.flatMap(({ parts }) => parts.values));
  const left = stock.map((part) => {
    if (part.count === undefined) return part;
    let count = part.count;
    for (let at = taken.indexOf(part.resistance); at >= 0 && count > 0; at = taken.indexOf(part.resistance)) {
      taken.splice(at, 1);
      count -= 1;
    }
    return { ...part, count };
  });
  const some = left.filter(({ count }) => count !== 0);
  return some.length > 0 ? some : left;
}

/** Tolerance of one resistor of a meter project. */
export const partTolerance =
  ({ parts: { stock, tolerance } }: MeterProject) =>
  (value: number): number =>
    stock ? stockTolerance(stock, value, tolerance) : tolerance;

/** Errors at full scale of a voltmeter behind a shunt that has a tolerance itself: the worst over both ends of that as well. */
function builtBehindShunt(meterProject: MeterProject, { design, result, shunt }: WorkedSide): BuiltRange[] {
  const cold = movementInUse(meterProject.movement);
  if (!cold.ok) return [...result.asBuilt];
  const toleranceOf = partTolerance(meterProject);
  const sections = result.sections.map(({ parts }) => sectionSpan(parts, toleranceOf));
  const fullScales = result.ranges.map(({ range }) => range);
  const at = (end: keyof SectionSpan): BuiltRange[] => {
    const resistance = shunt!.reduce((whole, parts) => whole + sectionSpan(parts, toleranceOf)[end], 0);
    return asBuilt(design, shuntedBy(cold.value, exactly(resistance)), fullScales, sections);
  };
  const [low, high] = [at('low'), at('high')];
  return at('marked').map((built, k) => ({
    ...built,
    worstCase: [
      Math.min(low[k]!.worstCase[0], high[k]!.worstCase[0]),
      Math.max(low[k]!.worstCase[1], high[k]!.worstCase[1]),
    ],
  }));
}
