import { limitViolation } from '../../network/index.ts';
import { fail, ok, type Result } from '../../result.ts';
import { asBuilt, sectionSpan } from '../errors/as-built.ts';
import { chooseParts, type PartsLimits } from '../parts/choose-parts.ts';
import { usualParts, type Design, type DesignResult } from './design.ts';
import type { DesignFault } from './design-fault.ts';
import { movementOf } from '../movement/movement.ts';
import { planDesign } from './schemes.ts';
import { stockTolerance } from '../parts/stock.ts';

/**
 * A design worked out: its ranges, the sections to build with the parts for each, and what the finished meter's errors are.
 *
 * @param limits  what the parts may be, beyond the design's own choice
 * @returns the result, or the first reason why there is none
 */
export function solveDesign(design: Design, limits: PartsLimits = {}): Result<DesignResult, DesignFault> {
  const [fault] = designFaults(design);
  if (fault) return fail(fault);
  const movement = movementOf(design.movement);
  if (!movement.ok) return movement;
  const plan = planDesign(design, movement.value);
  if (!plan.ok) return plan;
  const { ranges, sections } = plan.value;
  const parts = chooseParts(design, movement.value, plan.value, limits);
  const { tolerance } = design.parts ?? usualParts;
  const { stock } = limits;
  const toleranceOf = (value: number): number => (stock ? stockTolerance(stock, value, tolerance) : tolerance);
  return ok({
    format: 'usual-drag/design-result',
    version: 1,
    ranges,
    sections: sections.map((section, index) => ({ ...section, parts: parts[index]! })),
    asBuilt: asBuilt(
      design,
      movement.value,
      ranges.map(({ range }) => range),
      parts.map((section) => sectionSpan(section, toleranceOf)),
    ),
  });
}

/** Values that no design can have. */
export function designFaults({ movement, ranges, parts = usualParts }: Design): DesignFault[] {
  const faults: DesignFault[] = [];
  const check = (where: string, value: number | undefined, limit: 'positive' | 'not-negative'): void => {
    const violation = value === undefined ? null : limitViolation(limit, value);
    if (violation) faults.push({ code: 'invalid-value', message: `${where} ${violation}.`, where: [where] });
  };
  for (const [key, value] of Object.entries(movement)) check(`movement.${key}`, value as number, 'positive');
  ranges.forEach((range, index) => check(`ranges[${index}]`, range, 'positive'));
  check('parts.tolerance', parts.tolerance, 'not-negative');
  check('parts.powerRating', parts.powerRating, 'positive');
  if (parts.tolerance >= 1)
    faults.push({
      code: 'invalid-value',
      message: 'parts.tolerance must be below 1 (100 %).',
      where: ['parts.tolerance'],
    });
  if (!Number.isInteger(parts.maxParts) || parts.maxParts < 1 || parts.maxParts > 3)
    faults.push({ code: 'invalid-value', message: 'parts.maxParts must be 1, 2 or 3.', where: ['parts.maxParts'] });
  return faults;
}
