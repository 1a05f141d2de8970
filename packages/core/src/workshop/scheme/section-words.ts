import { formatQuantity, type Unit } from '../../quantity/index.ts';
import { toNumber } from '../../solver/index.ts';
import { type Design, type DesignResult, unitOfTarget } from './design.ts';
import type { Movement } from '../movement/movement.ts';

/** Description of a section, and its formula with the numbers in it. */
export interface SectionWords {
  readonly name: string;
  readonly formula: string;
}

/** A section's name on drawings and in lists. */
export const sectionName = (target: Design['target'], index: number): string => `${unitOfTarget(target)}${index + 1}`;

/** Names and formulas of a design's sections, in their order. */
export function sectionWords(
  { target, scheme }: Pick<Design, 'target' | 'scheme'>,
  movement: Movement,
  { ranges, sections }: Pick<DesignResult, 'ranges' | 'sections'>,
): SectionWords[] {
  const print = (value: number, unit: Unit): string => formatQuantity(value, unit, { digits: 5, trim: true });
  const unit = unitOfTarget(target);
  const [current, coil] = [print(toNumber(movement.current), 'A'), print(toNumber(movement.resistance), 'Ω')];
  const range = (k: number): string => print(ranges[k]!.range, unit);
  return sections.map((_, index): SectionWords => {
    if (target === 'voltmeter') {
      if (scheme === 'string' && index > 0)
        return {
          name: `from the ${range(index - 1)} tap to the ${range(index)} tap`,
          formula: `(${range(index)} − ${range(index - 1)}) / ${current}`,
        };
      const from = scheme === 'string' ? 'from the movement to the' : 'multiplier of the';
      return {
        name: `${from} ${range(index)} ${scheme === 'string' ? 'tap' : 'range'}`,
        formula: `${range(index)} / ${current} − ${coil}`,
      };
    }
    if (scheme === 'individual')
      return {
        name: `shunt of the ${range(index)} range`,
        formula: `${current} × ${coil} / (${range(index)} − ${current})`,
      };
    // From the common end up, the highest range first.
    const k = ranges.length - 1 - index;
    const shunt = print(ranges[0]!.resistance, 'Ω');
    const tap = (at: number): string => (at === 0 ? shunt : print(ranges[at]!.resistance, 'Ω'));
    return index === 0
      ? {
          name: `from the common end to the ${range(k)} tap`,
          formula:
            ranges.length === 1
              ? `${current} × ${coil} / (${range(0)} − ${current})`
              : `${current} × (${shunt} + ${coil}) / ${range(k)}`,
        }
      : { name: `from the ${range(k + 1)} tap to the ${range(k)} tap`, formula: `${tap(k)} − ${tap(k + 1)}` };
  });
}
