import { formatQuantity, ohms } from '../../quantity/index.ts';
import { toNumber } from '../../solver/index.ts';
import { type Combination, unitOfTarget } from '../scheme/design.ts';
import { settingDivisions } from './into-kit.ts';
import { sharedArcs, type DialRange } from './scale-steps.ts';
import { sectionName, sectionWords } from '../scheme/section-words.ts';
import { trimmedSection, type Trimmed } from '../parts/trimmers.ts';
import type { WorkedSide, MeterProject } from '../scheme/meter-project.ts';

/** A point at which the finished meter is checked against a standard. */
export interface CheckPoint {
  /** A or V of the range. */
  readonly range: number;
  /** A or V to apply. */
  readonly applied: number;
  /** Correct position of the needle, in the figures of the scale. */
  readonly reading: number;
  /** The same in divisions. */
  readonly deflection: number;
  /** Divisions that it may be off to either side. */
  readonly tolerance: number;
  /** A through the movement, the needle where it should be. */
  readonly movementCurrent: number;
}

/** A position of the selector. */
export interface SelectorPosition {
  readonly name: string;
  /** Connection of the positive terminal, and other contacts to switch. */
  readonly joins: string;
}

/** Share of full scale at which every range is checked. */
const shares = [0.2, 0.4, 0.6, 0.8, 1] as const;

/** Every range of a meter, as its dial has them. */
export const dialRanges = ({ sides }: Pick<MeterProject, 'sides'>): DialRange[] =>
  sides.flatMap(({ target, ranges }) => ranges.map((range) => ({ unit: unitOfTarget(target), range })));

/** Returns the correct positions of the needle and their limits: the class of full scale, and the parts' worst case of the reading. */
export function checkPoints(meterProject: MeterProject, { design, result, movement }: WorkedSide): CheckPoint[] {
  const unit = unitOfTarget(design.target);
  const arcs = sharedArcs(dialRanges(meterProject), meterProject.divisions);
  const { movementClass, parts } = meterProject;
  return result.ranges.flatMap(({ range }, k) => {
    const { fullScale, divisions } = arcs.find((arc) =>
      arc.ranges.some((one) => one.unit === unit && one.range === range),
    )!.steps;
    const worst = Math.max(...result.asBuilt[k]!.worstCase.map(Math.abs));
    return shares.map((share): CheckPoint => ({
      range,
      applied: range * share,
      reading: fullScale * share,
      deflection: divisions * share,
      tolerance: divisions * movementClass + (parts.trimmed ? settingDivisions : divisions * share * worst),
      movementCurrent: toNumber(movement.current) * share,
    }));
  });
}

/** Every position of the selector, off first, in the order in which a hand should pass them: the highest range of a side first. */
export function selectorPositions(worked: readonly WorkedSide[]): SelectorPosition[] {
  const both = worked.length > 1;
  const positions = worked.flatMap(({ side, design, result }): SelectorPosition[] =>
    result.ranges
      .map(({ range }, at) => ({ range, at }))
      .reverse()
      .map(({ range, at }) => {
        const name = formatQuantity(range, unitOfTarget(design.target), { digits: 4, trim: true });
        const n = result.sections.length;
        if (design.target === 'ammeter')
          return {
            name,
            joins:
              design.scheme === 'universal'
                ? `+ to the top of A${n - at}${at === 0 ? ' (the whole shunt)' : ''}`
                : `+ to the movement, and A${at + 1} across it, made before A${at === n - 1 ? at : at + 2} breaks`,
          };
        const behind =
          side.across === 'shunt' ? 'the shunt stays across the movement' : both ? 'the shunt off the movement' : null;
        return { name, joins: [`+ to the far end of V${at + 1}`, behind].filter(Boolean).join('; ') };
      }),
  );
  return [
    { name: 'off', joins: 'a short across the movement: it damps the needle while the meter is carried' },
    ...positions,
  ];
}

/** A line of the parts list. */
export interface PartsLine {
  /** `A1`, `V2` and so on, of an ammeter's or a voltmeter's section; `meter` for what serves the whole. */
  readonly section: string;
  readonly what: string;
  /** Ω; null for the movement, the fuse and the selector. */
  readonly resistance: number | null;
  readonly count: number;
  readonly tolerance: number | null;
  /** W. */
  readonly powerRating: number | null;
  readonly joined: Combination['joined'] | Trimmed['arranged'] | '';
}

/** Share to either side that a trimmer has to reach: the movement's class, and what its figures may be off. */
export const trimmerCover = ({ movementClass }: MeterProject): number => movementClass + 0.01;

/** Everything to lay out on the bench, equal resistors of a section counted together. */
export function partsList(meterProject: MeterProject, worked: readonly WorkedSide[]): PartsLine[] {
  const { parts, fuse, movement } = meterProject;
  const { powerRating } = parts;
  const lines = worked.flatMap(({ design, result }) =>
    result.sections.flatMap((section, index): PartsLine[] => {
      const name = sectionName(design.target, index);
      const line = (
        what: string,
        resistance: number,
        count: number,
        tolerance: number,
        joined: PartsLine['joined'],
      ) => ({
        section: name,
        what,
        resistance,
        count,
        tolerance,
        powerRating,
        joined,
      });
      const trimmed = parts.trimmed
        ? trimmedSection(section.resistance, parts.series, parts.tolerance, trimmerCover(meterProject))
        : null;
      if (trimmed)
        return [
          line('resistor', trimmed.fixed, 1, parts.tolerance, trimmed.arranged),
          ...(trimmed.stopper > 0 ? [line('stopper', trimmed.stopper, 1, parts.tolerance, trimmed.arranged)] : []),
          line('trimmer', trimmed.trimmer, 1, 0.1, trimmed.arranged),
        ];
      const { values, joined } = section.parts;
      return [...new Set(values)].map((value) =>
        line('resistor', value, values.filter((other) => other === value).length, parts.tolerance, joined),
      );
    }),
  );
  const other = (what: string, resistance: number | null = null): PartsLine => ({
    section: 'meter',
    what,
    resistance,
    count: 1,
    tolerance: null,
    powerRating: null,
    joined: '',
  });
  const ranges = worked.reduce((sum, { result }) => sum + result.ranges.length, 0);
  return [
    other('movement', movement.figures.resistance ?? null),
    ...(movement.swamping ? [other('swamping resistor, manganin', movement.swamping)] : []),
    ...lines,
    ...(fuse ? [other(`fuse ${formatQuantity(fuse.rating, 'A', { digits: 3, trim: true })}`, fuse.resistance)] : []),
    ...(ranges > 1 ? [other(`selector, ${ranges + 1} positions`)] : []),
  ];
}

/** The order of assembly, a sentence a step. */
export function assemblySteps(meterProject: MeterProject, worked: readonly WorkedSide[]): string[] {
  const { movement, parts, fuse } = meterProject;
  const steps = ['Short the movement’s terminals: its needle then cannot be thrown while you work.'];
  const { builtIn } = movement;
  if (builtIn && !builtIn.stays)
    steps.push(`Remove the ${builtIn.kind} of ${ohms(builtIn.resistance, 5)} from the meter.`);
  if (movement.swamping)
    steps.push(
      `Solder the swamping resistor of ${ohms(movement.swamping, 5)} in series with the coil; from here on both count as the movement.`,
    );
  for (const { design, movement: inUse, result } of worked) {
    const words = sectionWords(design, inUse, result);
    result.sections.forEach((section, index) => {
      const name = sectionName(design.target, index);
      const trimmed = parts.trimmed
        ? trimmedSection(section.resistance, parts.series, parts.tolerance, trimmerCover(meterProject))
        : null;
      steps.push(
        trimmed
          ? `${name}, ${words[index]!.name}: ${ohms(trimmed.fixed, 5)} ${trimmed.arranged === 'in-series' ? `in series with a trimmer of ${ohms(trimmed.trimmer, 5)}` : `with ${ohms(trimmed.stopper, 5)} and a trimmer of ${ohms(trimmed.trimmer, 5)} across it`}. Set it to ${ohms(section.resistance, 5)} before it goes in.`
          : `${name}, ${words[index]!.name}: ${partsWords(section.parts)}. It must measure ${ohms(section.resistance, 5)} within ${percent(Math.abs(section.parts.resistance / section.resistance - 1) + parts.tolerance)}.`,
      );
    });
    if (design.target === 'ammeter')
      steps.push(
        design.scheme === 'universal'
          ? 'Close the shunt over the movement, soldered, before any tap is led to the selector: no contact may be in the shunt.'
          : 'Lead each shunt to the selector by wires of its own at the movement’s side, inside those of the current; the selector makes before it breaks.',
      );
  }
  if (fuse)
    steps.push(
      `Put the fuse of ${formatQuantity(fuse.rating, 'A', { digits: 3, trim: true })} next to the positive terminal, before everything else.`,
    );
  steps.push('Remove the short from the movement and set its zero, the dial in its position of use.');
  steps.push(
    'Check every range against a standard, from its low end up, as the table says. Above 60 V keep to local codes and licensed practice.',
  );
  return steps;
}

const percent = (ratio: number): string => `${Number((ratio * 100).toPrecision(2))}\u00a0%`;

/** Parts of a section in a technician's words. */
const partsWords = ({ values, joined }: Combination): string =>
  joined === 'single'
    ? ohms(values[0]!, 5)
    : `${values.map((value) => ohms(value, 5)).join(joined === 'series' ? ' in series with ' : ' in parallel with ')}`;
