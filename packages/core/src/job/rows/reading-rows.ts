import { namePattern } from '../../network/index.ts';
import {
  shownPattern,
  unitPattern,
  type ComparedReading,
  type Observation,
  type Reading,
} from '../../readings/index.ts';
import type { Meter } from '../../loading/index.ts';
import type { RowFault } from './parts-rows.ts';

/** Columns that a reading is read back from. */
const ownColumns = [
  'reading',
  'quantity',
  'instrument',
  'range',
  'red',
  'black',
  'node',
  'ends',
  'reversed',
  'element',
  'unloaded',
  'shown',
  'unit',
  'at',
  'scale',
  'rate',
  'by',
  'note',
  'source',
  'struck',
  'struckAt',
  'alongside',
] as const;

/** Columns that are computed, in SI units; they are computed again after an import. */
const computedColumns = [
  'value',
  'true',
  'expected',
  'loading',
  'uncertainty',
  'low',
  'high',
  'corrected',
  'correctedUncertainty',
  'verdict',
  'explainedByLoading',
] as const;

type Column = (typeof ownColumns)[number];

/** Between the observations of one reading, and between ends. */
const between = ' | ';

/** Readings as rows of cells, the heading first: a row each, struck ones too, with what they were compared with. */
export function rowsFromReadings(
  readings: readonly Reading[],
  compared: Readonly<Record<string, ComparedReading>>,
): string[][] {
  const rows = readings.map((reading) => {
    const own = cellsOf(reading);
    const computed = compared[reading.id];
    return [
      ...ownColumns.map((column) => own[column] ?? ''),
      ...computedColumns.map((column) => (computed?.[column] === undefined ? '' : String(computed[column] ?? ''))),
    ];
  });
  return [[...ownColumns, ...computedColumns], ...rows];
}

function cellsOf(reading: Reading): Partial<Record<Column, string>> {
  const { observations, struck, alongside } = reading;
  const place: Partial<Record<Column, string>> =
    reading.quantity === 'dc-voltage'
      ? {
          red: reading.red,
          black: reading.black,
          ...(reading.unloaded !== undefined && { unloaded: reading.unloaded }),
        }
      : reading.quantity === 'resistance'
        ? { element: reading.element }
        : {
            node: reading.node,
            ends: reading.ends.join(between),
            ...(reading.reversed !== undefined && { reversed: String(reading.reversed) }),
          };
  return {
    reading: reading.id,
    quantity: reading.quantity,
    instrument: reading.instrument,
    range: reading.range,
    ...place,
    shown: observations.map(({ shown }) => shown).join(between),
    unit: observations.map(({ unit }) => unit).join(between),
    at: observations.some(({ at }) => at !== undefined) ? observations.map(({ at = '' }) => at).join(between) : '',
    ...(reading.scale !== undefined && { scale: reading.scale }),
    ...(reading.rate !== undefined && { rate: reading.rate }),
    ...(reading.by !== undefined && { by: reading.by }),
    ...(reading.note !== undefined && { note: reading.note }),
    ...(reading.source !== undefined && { source: reading.source }),
    ...(struck && { struck: struck.why, ...(struck.at !== undefined && { struckAt: struck.at }) }),
    ...(alongside && { alongside: JSON.stringify(alongside) }),
  };
}

/** Returns readings from the cells of a spreadsheet, with columns found by their headings. Unreadable rows are reported by their number. */
export function readingsFromRows(rows: readonly (readonly string[])[]): {
  readonly readings: readonly Reading[];
  readonly faults: readonly RowFault[];
} {
  const heading = (rows[0] ?? []).map((cell) => cell.trim());
  const readings: Reading[] = [];
  const faults: RowFault[] = [];
  if (!heading.includes('reading') || !heading.includes('shown'))
    return {
      readings,
      faults: [{ row: 1, message: `The first row must name the columns: ${ownColumns.join(', ')}.` }],
    };
  rows.slice(1).forEach((cells, index) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const of = (column: Column): string => cells[heading.indexOf(column)]?.trim() ?? '';
    const read = readRow(of);
    if (typeof read === 'string') faults.push({ row: index + 2, message: read });
    else if (readings.some(({ id }) => id === read.id))
      faults.push({ row: index + 2, message: `There is a reading ${read.id} already.` });
    else readings.push(read);
  });
  return { readings, faults };
}

function readRow(of: (column: Column) => string): Reading | string {
  const id = of('reading');
  if (!namePattern.test(id)) return `“${id}” cannot be a reading's name: up to 32 letters, digits, - and _.`;
  const observations = observationsOf(of);
  if (typeof observations === 'string') return `${id}: ${observations}`;
  const optional = (column: 'scale' | 'rate' | 'by' | 'note'): object =>
    of(column) === '' ? {} : { [column]: of(column) };
  const alongside = of('alongside') === '' ? null : metersOf(of('alongside'));
  if (typeof alongside === 'string') return `${id}: ${alongside}`;
  const taken = {
    id,
    instrument: of('instrument'),
    range: of('range'),
    observations,
    ...optional('scale'),
    ...optional('rate'),
    ...optional('by'),
    ...optional('note'),
    ...(of('source') === 'typed' || of('source') === 'instrument' ? { source: of('source') as 'typed' } : {}),
    ...(of('struck') !== '' && {
      struck: { ...(of('struckAt') !== '' && { at: of('struckAt') }), why: of('struck') },
    }),
    ...(alongside && { alongside }),
  };
  if (taken.instrument === '' || taken.range === '') return `${id}: give the instrument and its range.`;
  switch (of('quantity')) {
    case 'dc-voltage':
      if (of('red') === '' || of('black') === '') return `${id}: give the nodes of the red and the black lead.`;
      return {
        ...taken,
        quantity: 'dc-voltage',
        red: of('red'),
        black: of('black'),
        ...(of('unloaded') !== '' && { unloaded: of('unloaded') }),
      };
    case 'dc-current': {
      const ends = of('ends')
        .split('|')
        .map((end) => end.trim())
        .filter((end) => end !== '');
      if (of('node') === '' || ends.length === 0)
        return `${id}: give the node of the break and the ends lifted off it.`;
      const reversed = of('reversed') === '' ? {} : { reversed: of('reversed') === 'true' };
      return { ...taken, quantity: 'dc-current', node: of('node'), ends, ...reversed };
    }
    case 'resistance':
      if (of('element') === '') return `${id}: give the part that was measured.`;
      return { ...taken, quantity: 'resistance', element: of('element') };
    default:
      return `${id}: the quantity must be dc-voltage, dc-current or resistance.`;
  }
}

function observationsOf(of: (column: Column) => string): Observation[] | string {
  const [shown, units, times] = (['shown', 'unit', 'at'] as const).map((column) =>
    of(column)
      .split('|')
      .map((text) => text.trim()),
  ) as [string[], string[], string[]];
  const observations = shown.map((text, index): Observation => {
    const at = times[index] ?? '';
    return { shown: text, unit: units[index] ?? units[0]!, ...(at !== '' && { at }) };
  });
  const bad = observations.find((one) => !shownPattern.test(one.shown) || !unitPattern.test(one.unit));
  return bad
    ? `“${bad.shown} ${bad.unit}” is no display. Give digits with an optional sign and point, or OL, and a unit such as mV.`
    : observations;
}

function metersOf(text: string): Meter[] | string {
  try {
    return JSON.parse(text) as Meter[];
  } catch {
    return 'the meters alongside must be as in a job file.';
  }
}
