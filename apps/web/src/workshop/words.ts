import { formatPercent, formatQuantity } from '@usual-drag/core/quantity';
import { sectionName, type Combination, type WorkedSide, unitOfTarget } from '@usual-drag/core/workshop';

/** Relative error that nobody could measure. */
const immeasurable = 1e-6;

/** Ω as the workshop writes them. */
export const ohms = (value: number, digits = 5): string => formatQuantity(value, 'Ω', { digits, trim: true });

/** A range of a side, with its unit. */
export const rangeText = ({ design }: Pick<WorkedSide, 'design'>, range: number): string =>
  formatQuantity(range, unitOfSide({ design }), { digits: 4, trim: true });

/** Returns the unit of a side. */
export const unitOfSide = ({ design }: Pick<WorkedSide, 'design'>): 'A' | 'V' => unitOfTarget(design.target);

/** An error in per cent; what is below a millionth is nothing that anyone could measure. */
export const smallPercent = (ratio: number, digits = 2): string =>
  Math.abs(ratio) < immeasurable ? '0\u00a0%' : formatPercent(ratio, { signed: true, digits });

/** The parts of a section as they are joined: `31.6 mΩ + 619 mΩ`. */
export const partsText = ({ values, joined }: Combination): string =>
  values.map((value) => ohms(value, 4)).join(joined === 'parallel' ? ' ∥ ' : ' + ');

/** Every section of every side, with its name and the greatest current in it. */
export const sectionsOf = (sides: readonly WorkedSide[]) =>
  sides.flatMap((side) =>
    side.result.sections.map((section, index) => ({
      side,
      section,
      index,
      name: sectionName(side.design.target, index),
      current: Math.sqrt(section.power / section.resistance),
    })),
  );
