import { formatQuantity } from '../../quantity/index.ts';
import { partLoads, partsNeeded } from '../parts/part-loads.ts';
import { sectionName } from '../scheme/section-words.ts';
import type { WorkedSide, MeterProject } from '../scheme/meter-project.ts';

/** Something to see to before it is built, with what clears it. */
export interface WorkshopCaution {
  readonly kind: 'hazard' | 'limit';
  readonly message: string;
}

/** Cautions of one side: parts beyond half their power or their limiting voltage, high voltage, what happens when a contact opens. */
export function designCautions(
  { parts }: Pick<MeterProject, 'parts'>,
  { design, result }: WorkedSide,
): WorkshopCaution[] {
  const cautions: WorkshopCaution[] = [];
  const print = (value: number, unit: 'W' | 'V'): string => formatQuantity(value, unit, { digits: 3, trim: true });
  const { powerRating, limitingVoltage = Infinity } = parts;
  result.sections.forEach((section, index) => {
    const loads = partLoads(section, section.parts);
    const [power, voltage] = [Math.max(...loads.map((l) => l.power)), Math.max(...loads.map((l) => l.voltage))];
    const name = sectionName(design.target, index);
    const enough = partsNeeded(section, parts);
    if (voltage > limitingVoltage)
      cautions.push({
        kind: 'hazard',
        message: `${name} puts ${print(voltage, 'V')} across one resistor rated for ${print(limitingVoltage, 'V')}. Split it: ${enough} equal parts in series are enough.`,
      });
    if (power > powerRating / 2)
      cautions.push({
        kind: power > powerRating ? 'hazard' : 'limit',
        message: `${name} puts ${print(power, 'W')} into one resistor of ${print(powerRating, 'W')}: more than half its rating. Fit one of ${print(2 * power, 'W')} or more, ${design.target === 'ammeter' ? 'or resistance wire' : `or ${enough} equal parts in series`}.`,
      });
  });
  const highest = Math.max(...design.ranges);
  if (design.target === 'voltmeter' && highest > 60)
    cautions.push({
      kind: 'hazard',
      message: `The multiplier drops nearly all of ${print(highest, 'V')}: it can kill. Insulate every part of it, keep the terminals out of reach, and keep to local codes and licensed practice.`,
    });
  if (design.target === 'ammeter' && design.scheme === 'individual' && design.ranges.length > 1)
    cautions.push({
      kind: 'hazard',
      message:
        'Individual shunts need a make-before-break switch: between two contacts the movement would take the whole current. A universal shunt always stays connected.',
    });
  if (design.target === 'ammeter')
    cautions.push({
      kind: 'limit',
      message:
        'Never open the shunt under load: without it the whole current flows through the movement. Solder it, four wires to the smallest.',
    });
  return cautions;
}
