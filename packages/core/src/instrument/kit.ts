import { limitViolation, rangeLimits, duplicates, type Limit } from '../network/index.ts';
import { readAddress } from './address.ts';
import { isDay, type CalibrationNotes } from './calibration-due.ts';
import { certificateFaults } from './certificate.ts';
import type {
  Instrument,
  InstrumentFunction,
  Range,
  RangeCalibration,
  ReadingQuantity,
  ResistanceRange,
} from './instrument.ts';

/** When an auto-ranging instrument changes its range, as shares of full scale. */
export interface AutoRange {
  /** Value above which it changes one range up. */
  readonly up: number;
  /** Below this it comes one range down. */
  readonly down: number;
}

/** An instrument of the kit: what it does to a circuit, and what its owner keeps about it. */
export interface KitInstrument extends Instrument, CalibrationNotes {
  readonly resistanceRanges?: readonly ResistanceRange[];
  readonly autoRange?: AutoRange;
  /** Ω of both test leads together. */
  readonly leadResistance?: number;
  /** Ω of both contacts together. */
  readonly contactResistance?: number;
  readonly assetTag?: string;
  /** Network address, `tcp://host:port`. */
  readonly address?: string;
  readonly notes?: string;
  /** Still on record, no longer offered. */
  readonly retired?: boolean;
}

/** The limit of every quantity of a kit's instrument beside those of its ranges. */
export const kitLimits = {
  testCurrent: 'positive',
  up: 'positive',
  down: 'not-negative',
  leadResistance: 'not-negative',
  contactResistance: 'not-negative',
  calibrationMonths: 'count',
} as const satisfies Record<string, Limit>;

/**
 * The instrument as a job keeps it: without what its owner notes, its resistance ranges as a function like the others, and
 * leads and contacts counted into the resistance of its current ranges. Across, they are as nothing against the input
 * resistance.
 */
export function instrumentForJob(kept: KitInstrument): Instrument {
  const { id, name, display, functions = [], rates, resistanceRanges = [] } = kept;
  const outside = (kept.leadResistance ?? 0) + (kept.contactResistance ?? 0);
  const counted = (one: InstrumentFunction): InstrumentFunction =>
    one.quantity !== 'dc-current' || outside === 0
      ? one
      : { ...one, ranges: one.ranges.map((range) => ({ ...range, resistance: range.resistance + outside })) };
  return {
    id,
    ...(name !== undefined && { name }),
    ...(display !== undefined && { display }),
    functions: [
      ...functions.map(counted),
      ...(resistanceRanges.length > 0 ? [{ quantity: 'resistance', ranges: resistanceRanges } as const] : []),
    ],
    ...(rates !== undefined && { rates }),
  };
}

/** A copy under a new id and name, without what belongs to the one specimen: its tag, address, calibration and certificates. */
export function copyInstrument(kept: KitInstrument, taken: readonly string[]): KitInstrument {
  const {
    assetTag: _tag,
    address: _at,
    calibratedOn: _day,
    laboratory: _by,
    certificateNumber: _number,
    retired: _retired,
    ...kind
  } = kept;
  const { functions, resistanceRanges, ...rest } = kind;
  return {
    ...rest,
    id: freeId(kept.id, taken),
    name: `${kept.name ?? kept.id} (copy)`,
    ...(functions && { functions: functions.map(uncertified) }),
    ...(resistanceRanges && { resistanceRanges: uncertified({ ranges: resistanceRanges }).ranges }),
  };
}

/** Without its ranges' certificates. */
const uncertified = <F extends { readonly ranges: readonly (Range | ResistanceRange)[] }>(one: F): F => ({
  ...one,
  ranges: one.ranges.map(({ calibration: _certificate, ...range }) => range),
});

/** `name`, or `name-2` and so on where that is taken. */
export function freeId(name: string, taken: readonly string[]): string {
  const stem = name.slice(0, 58).replace(/-\d+$/, '');
  if (!taken.includes(name)) return name;
  let number = 2;
  while (taken.includes(`${stem}-${number}`)) number += 1;
  return `${stem}-${number}`;
}

/** A fault of a kit that keeps it from being stored. */
export interface KitFault {
  readonly message: string;
  /** The instrument it is about. */
  readonly where: string;
}

/** Everything that keeps an instrument from being put of the kit, in words. */
export function kitFaults(kept: KitInstrument): KitFault[] {
  const name = kept.name ?? kept.id;
  const faults: string[] = [];
  if (kept.id.length < 1 || kept.id.length > 64) faults.push('its id must have 1 to 64 characters');
  const check = (subject: string, values: object, limits: Readonly<Record<string, Limit>>): void => {
    for (const [key, value] of Object.entries(values)) {
      const violation = typeof value === 'number' && limits[key] ? limitViolation(limits[key], value) : null;
      if (violation) faults.push(`${subject}${subject && ', '}${key} ${violation}`);
    }
  };
  check('', kept, kitLimits);
  if (kept.autoRange) {
    check('auto-ranging', kept.autoRange, kitLimits);
    if (kept.autoRange.down >= kept.autoRange.up) faults.push('auto-ranging must come down below where it goes up');
  }
  for (const { quantity, ranges } of kept.functions ?? []) {
    const limits = {
      ...rangeLimits,
      ...kitLimits,
      resistance: quantity === 'dc-voltage' ? 'positive' : 'not-negative',
    } as const;
    for (const id of duplicates(ranges.map((range) => range.id))) faults.push(`two ranges are called ${id}`);
    for (const range of ranges) {
      if (range.id.length < 1 || range.id.length > 64) faults.push('a range needs a name of 1 to 64 characters');
      check(range.id, range, limits);
    }
  }
  for (const range of kept.resistanceRanges ?? []) check(range.id, range, { ...rangeLimits, ...kitLimits });
  for (const { id, calibration } of [...(kept.functions ?? []).flatMap(allRanges), ...(kept.resistanceRanges ?? [])])
    if (calibration) faults.push(...certificateFaults(calibration).map((fault) => `${id}, ${fault}`));
  if (kept.address !== undefined && readAddress(kept.address) === null)
    faults.push('its address must be like tcp://192.168.1.20:5025');
  if (kept.calibratedOn !== undefined && !isDay(kept.calibratedOn))
    faults.push('the day of calibration must be a date such as 2026-11-25');
  return faults.map((message) => ({ message: `${name}: ${message}.`, where: kept.id }));
}

/** The instrument with another certificate of one of its ranges; without one where it is null. */
export function withCertificate(
  kept: KitInstrument,
  quantity: ReadingQuantity,
  range: string,
  calibration: RangeCalibration | null,
): KitInstrument {
  const certified = <R extends Range | ResistanceRange>(ranges: readonly R[]): R[] =>
    ranges.map((one) => {
      if (one.id !== range) return one;
      const { calibration: _former, ...rest } = one;
      return (calibration ? { ...rest, calibration } : rest) as R;
    });
  return {
    ...kept,
    ...(kept.functions && {
      functions: kept.functions.map((one) =>
        one.quantity === quantity
          ? ({ ...one, ranges: certified<Range | ResistanceRange>(one.ranges) } as typeof one)
          : one,
      ),
    }),
    ...(kept.resistanceRanges && quantity === 'resistance' && { resistanceRanges: certified(kept.resistanceRanges) }),
  };
}

const allRanges = ({ ranges }: InstrumentFunction): readonly (Range | ResistanceRange)[] => ranges;

/** The range that an auto-ranging instrument settles on, from what each would indicate; null if all are over. */
export function settledRange<R extends { readonly range: Range; readonly indicated: number }>(
  readings: readonly R[],
  { up }: AutoRange,
): R | null {
  const rising = [...readings].sort((a, b) => a.range.fullScale - b.range.fullScale);
  return rising.find(({ range, indicated }) => Math.abs(indicated) <= up * range.fullScale) ?? null;
}
