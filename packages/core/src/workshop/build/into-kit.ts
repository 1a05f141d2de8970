import { unitOfTarget } from '../scheme/design.ts';
import { freeId, rangeName, type Instrument, type KitInstrument, type Range } from '../../instrument/index.ts';
import { solveUnloaded } from '../../loading/index.ts';
import { meterOnRange } from './finished-meter.ts';
import { scaleSteps } from './scale-steps.ts';
import type { WorkedSide, MeterProject } from '../scheme/meter-project.ts';

/** Resolution of a trimmer set against a standard, in divisions of the scale. */
export const settingDivisions = 0.25;

/**
 * The finished meter as an instrument: the resistance of each range from the parts that were chosen and the fuse, and a class
 * that holds the worst case of the parts, or the setting of the trimmers, and the movement's own.
 */
export function instrumentOf(
  meterProject: MeterProject,
  worked: readonly WorkedSide[],
  id = 'meter-project',
): Instrument {
  return {
    id,
    name: meterProject.title ?? 'Untitled',
    display: 'analogue',
    functions: worked.map((side) => ({
      quantity: side.design.target === 'ammeter' ? 'dc-current' : 'dc-voltage',
      ranges: rangesOf(meterProject, side),
    })),
  };
}

function rangesOf({ movementClass, divisions: wanted, parts, fuse }: MeterProject, side: WorkedSide): Range[] {
  const { design, movement, result } = side;
  const unit = unitOfTarget(design.target);
  const fullScales = result.ranges.map(({ range }) => range);
  // With trimmers the sections are what they should be.
  const sections = result.sections.map((section) => (parts.trimmed ? section.resistance : section.parts.resistance));
  return result.ranges.map(({ range, meterResistance }, at): Range => {
    const solved = solveUnloaded(meterOnRange(design, movement, fullScales, sections, at));
    const terminals = solved.ok ? solved.value.values.elements[design.target === 'ammeter' ? 'J' : 'E'] : undefined;
    const built = terminals ? terminals.voltage! / terminals.current! : meterResistance;
    const { divisions } = scaleSteps(range, wanted);
    const worst = Math.max(...result.asBuilt[at]!.worstCase.map(Math.abs));
    return {
      id: rangeName(range, unit),
      fullScale: range,
      resistance: built + (fuse?.resistance ?? 0),
      accuracyOfRange: movementClass + (parts.trimmed ? settingDivisions / divisions : worst),
      divisions: Math.round(divisions),
      jack: rangeName(range, unit),
      ...(fuse && { fuse: fuse.rating }),
    };
  });
}

/** Which version of the instrument comes next: the first where it is not of the kit. */
export const nextVersion = ({ instrument }: Pick<MeterProject, 'instrument'>, before: KitInstrument | null): number =>
  (before && instrument ? instrument.version : 0) + 1;

/**
 * The finished meter for the kit of the kit: new, or a new version of the instrument that it became before. What the owner
 * notes about that, its tag and its calibration stay; one that was retired is in use again.
 *
 * @param before  the instrument as it is in the kit; null if this is the first time
 * @param taken   ids that are of the kit already
 * @param day     `2026-11-25`
 */
export function kitInstrumentOf(
  meterProject: MeterProject,
  worked: readonly WorkedSide[],
  before: KitInstrument | null,
  taken: readonly string[],
  day: string,
): KitInstrument {
  const made = `Made in the workshop, version ${nextVersion(meterProject, before)} of ${day}.`;
  const slug = (meterProject.title ?? '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 58);
  const id = before?.id ?? freeId(slug === '' ? 'workshop-meter' : slug, taken);
  const notes = before?.notes?.replace(/^Made in the workshop, version \d+ of [\d-]+\./, made);
  const { retired: _was, ...kept } = before ?? {};
  return {
    ...kept,
    ...instrumentOf(meterProject, worked, id),
    notes: notes?.startsWith(made) ? notes : [made, notes].filter(Boolean).join(' '),
  };
}
