import { formatQuantity } from '../quantity/index.ts';
import type { Design, DesignResult, PartsChoice } from './design.ts';

/** Something to see to before it is built, with what clears it. */
export interface WorkshopCaution {
  readonly kind: 'hazard' | 'limit';
  readonly message: string;
}

/** Cautions of a design: power beyond half a part's rating, high voltage, what happens when a contact opens. */
export function designCautions(design: Design, result: DesignResult, parts: PartsChoice): WorkshopCaution[] {
  const cautions: WorkshopCaution[] = [];
  const watts = (value: number): string => formatQuantity(value, 'W', { digits: 3, trim: true });
  result.sections.forEach(({ power, parts: { values, joined } }, index) => {
    // Parts of one section share its power by their resistances in series, by their conductances side by side.
    const weights = values.map((value) => (joined === 'parallel' ? 1 / value : value));
    const most = (power * Math.max(...weights)) / weights.reduce((sum, weight) => sum + weight, 0);
    if (most > parts.powerRating / 2)
      cautions.push({
        kind: most > parts.powerRating ? 'hazard' : 'limit',
        message: `Section ${index + 1} puts ${watts(most)} into one resistor of ${watts(parts.powerRating)}: more than half its rating. Take one of ${watts(2 * most)} or more${design.target === 'ammeter' ? ', or resistance wire' : ', or share it among several in series'}.`,
      });
  });
  const highest = Math.max(...design.ranges);
  if (design.target === 'voltmeter' && highest > 60)
    cautions.push({
      kind: 'hazard',
      message: `The multiplier drops nearly all of ${formatQuantity(highest, 'V', { digits: 3, trim: true })}: it can kill. Check the limiting voltage of each resistor, split it among several, insulate it, and keep to local codes.`,
    });
  if (design.target === 'ammeter' && design.scheme === 'individual' && design.ranges.length > 1)
    cautions.push({
      kind: 'hazard',
      message:
        'Individual shunts need a make-before-break switch: between two contacts the movement would take the whole current. A universal shunt never leaves it alone.',
    });
  if (design.target === 'ammeter')
    cautions.push({
      kind: 'limit',
      message:
        'Never open the shunt under load: without it the movement takes it all. Solder it, four wires to the smallest.',
    });
  return cautions;
}
