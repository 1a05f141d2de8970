import { nextElementId, parseLine, type Element, type Network } from '../../network/index.ts';
import { parsePercent } from '../../quantity/index.ts';

/** A row that could not be taken. */
export interface RowFault {
  /** Counted from 1, as a spreadsheet does. */
  readonly row: number;
  readonly message: string;
}

/** Meaning of the numbers of a tolerance column: `5` as 5 %, or `0.05` as 5 %. */
type ToleranceUnit = 'percent' | 'ratio';

/** Parts read from the rows of a table, and the rows that cannot be read. */
export interface PartsRows {
  readonly elements: readonly Element[];
  /** Row of each element, counted from 1. */
  readonly rows: readonly number[];
  readonly faults: readonly RowFault[];
  /** Meaning of tolerances without a % sign; null if there are none. */
  readonly toleranceUnit: ToleranceUnit | null;
}

type Column = 'name' | 'from' | 'to' | 'value' | 'tolerance' | 'rating' | 'measured' | 'label';

/** Headings as people write them. */
const headings: Readonly<Record<Column, RegExp>> = {
  name: /^(name|part|id|ref)/i,
  from: /^from|^node ?1/i,
  to: /^to$|^node ?2/i,
  value: /^(value|resistance|ohm)/i,
  tolerance: /^tol/i,
  rating: /^(rat|power)/i,
  measured: /^meas/i,
  label: /^(label|for|note|remark)/i,
};

const customary: readonly Column[] = ['name', 'from', 'to', 'value', 'tolerance', 'rating', 'measured', 'label'];

/**
 * Parts from the cells of a spreadsheet: name, from, to, value, tolerance, rating, measured and what it is for, in this
 * order or in that of a first row of headings. A value is read as in a line: `4k7`, `24V/1R8`, `12V 0.3A`, `closed`.
 *
 * @param network  what the parts are added to: their names must not be there yet
 */
export function partsFromRows(rows: readonly (readonly string[])[], network: Network): PartsRows {
  const filled = rows.map((cells, index) => ({ cells: cells.map((cell) => cell.trim()), row: index + 1 }));
  const heading = filled[0]?.cells.map(columnOf) ?? [];
  const headed = heading.includes('from') && heading.includes('value');
  const columns = headed ? heading : customary;
  const elements: Element[] = [];
  const taken: number[] = [];
  const faults: RowFault[] = [];
  const data = filled.slice(headed ? 1 : 0);
  const at = columns.indexOf('tolerance');
  const toleranceUnit = unitOfTolerances(
    data.map(({ cells }) => cells[at] ?? ''),
    headed ? (filled[0]!.cells[at] ?? '') : '',
  );
  for (const { cells, row } of data) {
    if (cells.every((cell) => cell === '')) continue;
    const of = (column: Column): string => cells[columns.indexOf(column)] ?? '';
    const read = readRow(of, toleranceUnit ?? 'percent', { ...network, elements: [...network.elements, ...elements] });
    if (typeof read === 'string') faults.push({ row, message: read });
    else {
      elements.push(read);
      taken.push(row);
    }
  }
  return { elements, rows: taken, faults, toleranceUnit };
}

const columnOf = (cell: string): Column | undefined => customary.find((column) => headings[column].test(cell));

function readRow(of: (column: Column) => string, unit: ToleranceUnit, network: Network): Element | string {
  const [from, to, value] = [of('from'), of('to'), of('value')];
  if (from === '' || to === '' || value === '') return 'Needs a name, where it goes from and to, and its value.';
  const percent = of('tolerance');
  const tolerance = percent === '' ? '' : toleranceWord(percent, unit);
  const watts = /^[\d.,]+$/.test(of('rating')) ? `${of('rating')}W` : of('rating');
  const measured = of('measured') === '' ? '' : `=${of('measured').replace(/\s/g, '')}`;
  const label = of('label') === '' ? '' : `"${of('label').replace(/["\\]/g, '\\$&')}"`;
  const words = [value, tolerance, watts, measured, label].join(' ');
  const name = of('name');
  const read = parseLine(`@${from} ${name === '' ? '' : `#${name}`} ${words} @${to}`);
  if (!read.ok) return cellFault(of, [value, tolerance, watts, measured]) ?? read.fault.message;
  const element = read.value.elements[0]!;
  if (name !== '' && network.elements.some(({ id }) => id === name)) return `${name} already exists.`;
  return name === '' ? { ...element, id: nextElementId(network, element.kind) } : element;
}

/** Cells that become words of a line, with examples of what they may contain. */
const cellsOfLine: readonly { readonly column: Column; readonly examples: string }[] = [
  { column: 'value', examples: '4k7, 22 kΩ, 24V/1R8, 12V 0.3A or closed' },
  { column: 'tolerance', examples: '5 % or 0.05' },
  { column: 'rating', examples: '0.25 or 0.25W' },
  { column: 'measured', examples: '4.68k' },
];

/** Returns the first cell with which a line can no longer be read, in a sentence; null if it is none of them. */
function cellFault(of: (column: Column) => string, words: readonly string[]): string | null {
  const at = words.findIndex((_, index) => !parseLine(`@A #P ${words.slice(0, index + 1).join(' ')} @B`).ok);
  const cell = cellsOfLine[at];
  return cell ? `The ${cell.column} “${of(cell.column)}” cannot be read. Type it as ${cell.examples}.` : null;
}

/** A column of bare numbers that are all below this holds ratios: no tolerance below 0.2 % is as common as one of 20 %. */
const largestRatio = 0.2;

const hasPercentSign = (text: string): boolean => text.includes('%');

/** Reads a tolerance column as a whole: a heading with % decides, otherwise the largest number without a % sign. */
function unitOfTolerances(cells: readonly string[], heading: string): ToleranceUnit | null {
  const bare = cells
    .filter((cell) => cell !== '' && !hasPercentSign(cell))
    .flatMap((cell) => {
      const read = parsePercent(cell);
      return read.ok ? [read.value * 100] : [];
    });
  if (bare.length === 0) return null;
  return !hasPercentSign(heading) && bare.every((value) => value < largestRatio) ? 'ratio' : 'percent';
}

/** A tolerance as the line notation has it. */
function toleranceWord(text: string, unit: ToleranceUnit): string {
  const percent = parsePercent(text);
  if (!percent.ok) return text;
  const factor = unit === 'ratio' && !hasPercentSign(text) ? 10_000 : 100;
  return `${Number((percent.value * factor).toPrecision(12))}%`;
}
