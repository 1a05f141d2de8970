import { fail, ok } from '@usual-drag/core/result';
import type { Unit } from '@usual-drag/core/quantity';
import { rangeLimits, type Limit } from '@usual-drag/core/network';
import {
  burdenOf,
  kitLimits,
  rangeName,
  sensitivityOf,
  type Range,
  type ResistanceRange,
} from '@usual-drag/core/instrument';
import { inPercent, inUnit, numberField, type NumberField } from '../ui/number-field.ts';

/** A column of a range table. */
export interface Column<R> {
  readonly head: string;
  readonly of: (range: R) => NumberField<R>;
}

type Display = 'analogue' | 'digital';

const number =
  (key: string, label: string, limit: Limit, writing: Parameters<typeof numberField>[2] | object, needed = false) =>
  <R extends object>(range: R): NumberField<R> =>
    numberField(range, key, { label, limit, needed, ...(writing as typeof inPercent) });

const text =
  (key: 'jack', label: string) =>
  (range: Range): NumberField<Range> => ({
    key,
    label,
    shown: range[key] ?? '',
    read: (typed) => ok(typed.trim()),
    put: (next) => {
      const { [key]: _old, ...rest } = range;
      return next === '' ? rest : { ...rest, [key]: next as string };
    },
  });

/** Full scale; the range's name follows it as long as it was made from it. */
const fullScale =
  (unit: 'V' | 'A' | 'Ω') =>
  <R extends Range | ResistanceRange>(range: R): NumberField<R> => {
    const field = numberField(range, 'fullScale', {
      label: 'full scale',
      limit: rangeLimits.fullScale,
      needed: true,
      ...inUnit(unit),
    });
    const follows = range.id === rangeName(range.fullScale, unit);
    return {
      ...field,
      put: (next) => ({ ...field.put(next), ...(follows && { id: rangeName(next as number, unit) }) }),
    };
  };

/** A value that follows from resistance and full scale, and sets the resistance when it is typed. */
const derived =
  (label: string, unit: Unit, of: (range: Range) => number, resistance: (value: number, range: Range) => number) =>
  (range: Range): NumberField<Range> => {
    const field = numberField({ value: of(range) }, 'value', {
      label,
      limit: 'positive',
      needed: true,
      ...inUnit(unit),
    });
    return {
      key: label,
      label,
      shown: field.shown,
      read: field.read,
      put: (next) => ({ ...range, resistance: Number(resistance(next as number, range).toPrecision(12)) }),
    };
  };

const plain = {
  parse: (typed: string) => {
    const value = Number(typed.replace(',', '.'));
    return Number.isFinite(value) ? ok(value) : fail({ message: 'A number.' });
  },
  print: String,
};

const scale = (display: Display, unit: Unit): Column<Range>[] =>
  display === 'analogue'
    ? [
        { head: 'Class', of: number('accuracyOfRange', 'class', rangeLimits.accuracyOfRange, inPercent) },
        { head: 'Divisions', of: number('divisions', 'divisions', rangeLimits.divisions, plain) },
      ]
    : [
        {
          head: '± of reading',
          of: number('accuracyOfReading', '± of reading', rangeLimits.accuracyOfReading, inPercent),
        },
        { head: '+ counts', of: number('accuracyCounts', '+ counts', rangeLimits.accuracyCounts, plain) },
        { head: 'Last digit', of: number('resolution', 'last digit', rangeLimits.resolution, inUnit(unit)) },
      ];

export const voltageColumns = (display: Display): readonly Column<Range>[] => [
  { head: 'Full scale', of: fullScale('V') },
  { head: 'Resistance', of: number('resistance', 'resistance', 'positive', inUnit('Ω'), true) },
  {
    head: '± of R',
    of: number('resistanceTolerance', 'tolerance of the resistance', rangeLimits.resistanceTolerance, inPercent),
  },
  ...(display === 'analogue'
    ? [{ head: 'Ω for 1 V', of: derived('Ω for 1 V', 'Ω', sensitivityOf, (each, range) => each * range.fullScale) }]
    : []),
  ...scale(display, 'V'),
  { head: 'Jack', of: text('jack', 'jack') },
];

export const currentColumns = (display: Display): readonly Column<Range>[] => [
  { head: 'Full scale', of: fullScale('A') },
  { head: 'Resistance', of: number('resistance', 'resistance', 'not-negative', inUnit('Ω'), true) },
  {
    head: '± of R',
    of: number('resistanceTolerance', 'tolerance of the resistance', rangeLimits.resistanceTolerance, inPercent),
  },
  { head: 'Burden', of: derived('burden', 'V', burdenOf, (volts, range) => volts / range.fullScale) },
  ...scale(display, 'A'),
  { head: 'Jack', of: text('jack', 'jack') },
  { head: 'Fuse', of: number('fuse', 'fuse', rangeLimits.fuse, inUnit('A')) },
];

export const resistanceColumns = (display: Display): readonly Column<ResistanceRange>[] => [
  { head: 'Full scale', of: fullScale('Ω') },
  { head: 'Test current', of: number('testCurrent', 'test current', kitLimits.testCurrent, inUnit('A'), true) },
  ...(scale(display, 'Ω').filter(({ head }) => head !== 'Divisions') as unknown as Column<ResistanceRange>[]),
];
