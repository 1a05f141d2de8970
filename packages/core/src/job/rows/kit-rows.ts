import {
  freeId,
  type Instrument,
  type KitInstrument,
  type MeterQuantity,
  type Range,
  type RangeCalibration,
  type Rate,
  type ResistanceRange,
} from '../../instrument/index.ts';
import type { RowFault } from './parts-rows.ts';

/** A kit in a file of its own, `*.kit.json`. */
export interface Kit {
  readonly format: 'usual-drag/kit';
  readonly version: 1;
  readonly instruments: readonly KitInstrument[];
}

/** Keys of the instrument itself; the others are of its ranges. */
const ownKeys = [
  'name',
  'display',
  'assetTag',
  'address',
  'calibratedOn',
  'laboratory',
  'certificateNumber',
  'calibrationMonths',
  'leadResistance',
  'contactResistance',
  'notes',
] as const;
const rangeKeys = [
  'fullScale',
  'resistance',
  'resistanceTolerance',
  'testCurrent',
  'resolution',
  'accuracyOfReading',
  'accuracyCounts',
  'accuracyOfRange',
  'divisions',
  'jack',
  'fuse',
] as const;

/** A certificate's columns; its points are `applied/indicated`, as many as it has. */
const certificateKeys = ['certificateOn', 'certificatePoints', 'certificateUncertainty'] as const;

/** Columns of a kit as a table: a row a range, what is the instrument's own repeated. All in SI units. */
const kitColumns = [
  'id',
  ...ownKeys,
  'rangesUpAbove',
  'rangesDownBelow',
  'retired',
  'rates',
  'quantity',
  'range',
  ...rangeKeys,
  ...certificateKeys,
] as const;

type Column = (typeof kitColumns)[number];
type Cells = Partial<Record<Column, string>>;

/** Between the parts of one cell. */
const between = ' | ';

/** A kit as rows of cells, the heading first. An instrument without ranges has a row of its own. */
export function rowsFromKit(kit: readonly KitInstrument[]): string[][] {
  const rows = kit.flatMap((kept): Cells[] => {
    const own: Cells = {
      ...textOf(kept, ownKeys),
      id: kept.id,
      ...(kept.autoRange && {
        rangesUpAbove: String(kept.autoRange.up),
        rangesDownBelow: String(kept.autoRange.down),
      }),
      ...(kept.retired && { retired: 'yes' }),
      ...(kept.rates && { rates: kept.rates.map(({ id, counts }) => `${id} ${counts}`).join(between) }),
    };
    const ranges = (kept.functions ?? []).flatMap(({ quantity, ranges }) =>
      ranges.map((range): Cells => ({ ...own, quantity, ...rangeCells(range) })),
    );
    const ohms = (kept.resistanceRanges ?? []).map((range): Cells => ({
      ...own,
      quantity: 'resistance',
      ...rangeCells(range),
    }));
    return ranges.length + ohms.length > 0 ? [...ranges, ...ohms] : [own];
  });
  return [[...kitColumns], ...rows.map((cells) => kitColumns.map((column) => cells[column] ?? ''))];
}

function rangeCells(range: Range | ResistanceRange): Cells {
  const { calibration } = range;
  return {
    range: range.id,
    ...textOf(range, rangeKeys),
    ...(calibration && {
      certificateOn: calibration.on,
      certificatePoints: calibration.points.map(({ applied, indicated }) => `${applied}/${indicated}`).join(between),
      certificateUncertainty: String(calibration.uncertainty),
    }),
  };
}

const texts: readonly Column[] = [
  'name',
  'display',
  'assetTag',
  'address',
  'calibratedOn',
  'laboratory',
  'certificateNumber',
  'notes',
  'jack',
];

function textOf(of: object, keys: readonly Column[]): Cells {
  const values = of as Readonly<Record<string, string | number | undefined>>;
  return Object.fromEntries(keys.flatMap((key) => (values[key] === undefined ? [] : [[key, String(values[key])]])));
}

/**
 * A kit from the cells of a table with the headings of `kitColumns`, in any order.
 *
 * @returns the instruments that could be read, and the rows that could not; their values are still to be checked
 */
export function kitFromRows(rows: readonly (readonly string[])[]): {
  readonly instruments: readonly KitInstrument[];
  readonly faults: readonly RowFault[];
} {
  const heading = (rows[0] ?? []).map((cell) => cell.trim());
  for (const needed of ['name', 'quantity', 'range', 'fullScale'])
    if (!heading.includes(needed))
      return { instruments: [], faults: [{ row: 1, message: `The first row must have a heading “${needed}”.` }] };
  const unknown = heading.find((cell) => cell !== '' && !(kitColumns as readonly string[]).includes(cell));
  if (unknown !== undefined)
    return { instruments: [], faults: [{ row: 1, message: `“${unknown}” is not a heading of a kit.` }] };

  const instruments = new Map<string, KitInstrument>();
  const faults: RowFault[] = [];
  rows.slice(1).forEach((line, index) => {
    const cells: Cells = {};
    line.forEach((cell, column) => {
      if (cell.trim() !== '' && heading[column]) cells[heading[column] as Column] = cell.trim();
    });
    if (Object.keys(cells).length === 0) return;
    const read = readRow(cells, instruments);
    if (typeof read === 'string') faults.push({ row: index + 2, message: read });
    else instruments.set(read.id, read);
  });
  return { instruments: [...instruments.values()], faults };
}

/** The instrument with what a row adds to it, or what is wrong with the row. */
function readRow(cells: Cells, known: ReadonlyMap<string, KitInstrument>): KitInstrument | string {
  const { name, quantity } = cells;
  const named = [...known.values()].find((other) => other.name === name);
  const id = cells.id ?? named?.id ?? (name === undefined ? undefined : freeId(slug(name), [...known.keys()]));
  if (id === undefined) return 'Needs a name.';
  const own = numbers(cells, ownKeys);
  if (typeof own === 'string') return own;
  const rates = ratesOf(cells);
  if (typeof rates === 'string') return rates;
  const { retired, rangesUpAbove, rangesDownBelow } = cells;
  const kept: KitInstrument = known.get(id) ?? {
    id,
    ...own,
    ...(rangesUpAbove !== undefined && {
      autoRange: { up: Number(rangesUpAbove), down: Number(rangesDownBelow ?? 0) },
    }),
    ...(retired !== undefined && /^(y|true|1)/i.test(retired) && { retired: true }),
    ...(rates && { rates }),
  };
  if (quantity === undefined) return kept;
  const range = numbers(cells, rangeKeys);
  if (typeof range === 'string') return range;
  if (cells.range === undefined || range.fullScale === undefined) return 'Needs the range’s name and its full scale.';
  const calibration = certificateOf(cells);
  if (typeof calibration === 'string') return calibration;
  const made = { id: cells.range, ...range, ...(calibration && { calibration }) };
  if (quantity === 'resistance') {
    if (range.testCurrent === undefined) return 'A resistance range needs its testCurrent.';
    return { ...kept, resistanceRanges: [...(kept.resistanceRanges ?? []), made as unknown as ResistanceRange] };
  }
  if (quantity !== 'dc-voltage' && quantity !== 'dc-current')
    return `“${quantity}” is none of dc-voltage, dc-current and resistance.`;
  if (range.resistance === undefined) return 'Needs the resistance of the range.';
  return { ...kept, functions: withRange(kept.functions ?? [], quantity, made as unknown as Range) };
}

/** @returns null if there are none, what is wrong where they cannot be read */
function ratesOf({ rates }: Cells): Rate[] | string | null {
  if (rates === undefined) return null;
  const read = rates.split('|').map((text) => /^(.+?)\s+(\d+(?:\.\d+)?)$/.exec(text.trim()));
  if (read.includes(null)) return `“${rates}” are no rates: write them as slow 0 | fast 5, each with its counts.`;
  return read.map((match) => ({ id: match![1]!, counts: Number(match![2]) }));
}

/** @returns null if there is none, what is wrong where it cannot be read */
function certificateOf(cells: Cells): RangeCalibration | string | null {
  const { certificateOn, certificatePoints, certificateUncertainty } = cells;
  if (certificateKeys.every((key) => cells[key] === undefined)) return null;
  const missing = certificateKeys.find((key) => cells[key] === undefined);
  if (missing) return `The certificate needs its ${missing}.`;
  const points = certificatePoints!.split('|').map((text) => text.split('/').map(Number) as [number, number]);
  const uncertainty = Number(certificateUncertainty);
  if (!Number.isFinite(uncertainty) || points.some((pair) => pair.length !== 2 || !pair.every(Number.isFinite)))
    return `“${certificatePoints}” with “${certificateUncertainty}” is no certificate: write its points as applied/indicated, 5/5.005 | 12/12.012, in SI units.`;
  return {
    on: certificateOn!,
    points: points.map(([applied, indicated]) => ({ applied, indicated })),
    uncertainty,
  };
}

function numbers(cells: Cells, keys: readonly Column[]): Record<string, string | number> | string {
  const read: Record<string, string | number> = {};
  for (const key of keys) {
    const text = cells[key];
    if (text === undefined) continue;
    const value = texts.includes(key) ? text : Number(text);
    if (typeof value === 'number' && !Number.isFinite(value))
      return `“${text}” is not a number for ${key}: write it in SI units, such as 0.01.`;
    read[key] = value;
  }
  if (read.display !== undefined && read.display !== 'analogue' && read.display !== 'digital')
    return 'display must be analogue or digital.';
  return read;
}

/** The functions with one range more, in the function of its quantity. */
export function withRange(
  functions: NonNullable<Instrument['functions']>,
  quantity: MeterQuantity,
  range: Range,
): NonNullable<Instrument['functions']> {
  return functions.some((f) => f.quantity === quantity)
    ? functions.map((f) => (f.quantity === quantity ? { ...f, ranges: [...f.ranges, range] } : f))
    : [...functions, { quantity, ranges: [range] }];
}

const slug = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 58) || 'instrument';
