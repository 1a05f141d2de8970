import { unitOf, type Calibration, type MeterQuantity } from '../../instrument/index.ts';
import { meterStateWords, type RangeOption } from '../../loading/index.ts';
import { formatPercent, formatQuantity } from '../../quantity/index.ts';
import { watchedValue, type NamedOutput, type NamedParameter, type NetworkValues } from '../../solver/index.ts';
import { unitOfTarget, type CheckPoint, type PartsLine, type WorkedSide } from '../../workshop/index.ts';

/** A table to save: the names of its columns, and its rows. */
export interface TableRows {
  readonly fields: readonly string[];
  readonly data: readonly (readonly (string | number | boolean | null)[])[];
}

/** An instrument in the list of calibrations. */
interface ListedCalibration {
  readonly kept: {
    readonly id: string;
    readonly name?: string;
    readonly assetTag?: string;
    readonly calibratedOn?: string;
    readonly laboratory?: string;
    readonly certificateNumber?: string;
    readonly calibrationMonths?: number;
  };
  /** The day on which its calibration ends; empty if it is not known. */
  readonly dueOn: Calibration['dueOn'] | '';
  /** State of the calibration, in words. */
  readonly words: string;
}

/** Table of the instruments with their calibrations. */
export const rowsFromCalibrations = (list: readonly ListedCalibration[]): TableRows => ({
  fields: ['instrument', 'assetTag', 'calibratedOn', 'laboratory', 'certificateNumber', 'months', 'dueOn', 'state'],
  data: list.map(({ kept, dueOn, words }) => [
    kept.name ?? kept.id,
    kept.assetTag ?? '',
    kept.calibratedOn ?? '',
    kept.laboratory ?? '',
    kept.certificateNumber ?? '',
    kept.calibrationMonths ?? '',
    dueOn,
    words,
  ]),
});

/** Table of the parts of a meter that is to be built. */
export const rowsFromPartsList = (lines: readonly PartsLine[]): TableRows => ({
  fields: ['section', 'what', 'resistance / Ω', 'count', 'tolerance', 'rating / W', 'joined'],
  data: lines.map(({ section, what, resistance, count, tolerance, powerRating, joined }) => [
    section,
    what,
    resistance,
    count,
    tolerance === null ? '' : formatPercent(tolerance, { digits: 4, trim: true }),
    powerRating,
    joined,
  ]),
});

/** Significant digits of a computed value in a table, and of a limit. */
const [valueDigits, limitDigits] = [12, 4];

/** Table of the ranges that can read a measurement point: V or A, resistances in Ω. */
export const rowsFromRangeTable = (options: readonly RangeOption[], quantity: MeterQuantity): TableRows => {
  const unit = unitOf(quantity);
  const figure = (value: number | null, digits = valueDigits): number | '' =>
    value === null ? '' : Number(value.toPrecision(digits));
  return {
    fields: [
      'instrument',
      'range',
      'resistance / Ω',
      `indicated / ${unit}`,
      'display',
      'state',
      'loading error',
      'share of range',
      `own error by certificate / ${unit}`,
      `limit without correction / ${unit}`,
      `U of the corrected value, k = 2 / ${unit}`,
    ],
    data: options.map((option) => [
      option.instrument.name ?? option.instrument.id,
      option.range.id,
      option.range.resistance,
      figure(option.indicated),
      option.display === null ? '' : `${option.display} ${option.unit}`,
      option.state === 'ok' ? '' : meterStateWords[option.state],
      figure(option.relativeLoading),
      figure(option.deflection),
      option.range.calibration ? figure(option.ownError) : '',
      figure(option.uncorrected, limitDigits),
      figure(option.corrected, limitDigits),
    ]),
  };
};

/** Table of the points at which a built meter is checked, with an empty column for the deflection that is found. */
export const rowsFromCheckPoints = (
  points: readonly (CheckPoint & { readonly side: Pick<WorkedSide, 'design'> })[],
): TableRows => ({
  fields: ['range', 'apply', 'unit', 'reading', 'divisions', 'tolerance / divisions', 'found'],
  data: points.map(({ side, range, applied, reading, deflection, tolerance }) => {
    const unit = unitOfTarget(side.design.target);
    return [
      formatQuantity(range, unit, { digits: 4, trim: true }),
      Number(applied.toPrecision(valueDigits)),
      unit,
      ...[reading, deflection].map((value) => Number(value.toPrecision(valueDigits))),
      Number(tolerance.toPrecision(limitDigits)),
      '',
    ];
  }),
});

/** Table of a swept parameter with all results; empty cells for results that have no value. */
export const rowsFromSweep = (
  parameter: NamedParameter,
  values: readonly number[],
  swept: readonly (NetworkValues | null)[],
  results: readonly NamedOutput[],
): TableRows => ({
  fields: [parameter, ...results].map(({ name, unit }) => `${name} / ${unit}`),
  data: values.map((value, index) => [value, ...results.map(({ of }) => watchedValue(swept[index]!, of) ?? '')]),
});
