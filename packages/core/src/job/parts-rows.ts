import { nextElementId, parseLine, type Element, type Network } from '../network/index.ts';
import { parsePercent } from '../quantity/index.ts';

/** A row that could not be taken. */
export interface RowFault {
  /** Counted from 1, as a spreadsheet does. */
  readonly row: number;
  readonly message: string;
}

export interface PartsRows {
  readonly elements: readonly Element[];
  readonly faults: readonly RowFault[];
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
  const faults: RowFault[] = [];
  for (const { cells, row } of filled.slice(headed ? 1 : 0)) {
    if (cells.every((cell) => cell === '')) continue;
    const of = (column: Column): string => cells[columns.indexOf(column)] ?? '';
    const read = readRow(of, { ...network, elements: [...network.elements, ...elements] });
    if (typeof read === 'string') faults.push({ row, message: read });
    else elements.push(read);
  }
  return { elements, faults };
}

const columnOf = (cell: string): Column | undefined => customary.find((column) => headings[column].test(cell));

function readRow(of: (column: Column) => string, network: Network): Element | string {
  const [from, to, value] = [of('from'), of('to'), of('value')];
  if (from === '' || to === '' || value === '') return 'Needs a name, where it goes from and to, and its value.';
  const percent = of('tolerance');
  const tolerance = percent === '' ? '' : toleranceWord(percent);
  const watts = /^[\d.,]+$/.test(of('rating')) ? `${of('rating')}W` : of('rating');
  const measured = of('measured') === '' ? '' : `=${of('measured').replace(/\s/g, '')}`;
  const label = of('label') === '' ? '' : `"${of('label').replace(/["\\]/g, '\\$&')}"`;
  const words = [value, tolerance, watts, measured, label].join(' ');
  const name = of('name');
  const read = parseLine(`@${from} ${name === '' ? '' : `#${name}`} ${words} @${to}`);
  if (!read.ok) return read.fault.message;
  const element = read.value.elements[0]!;
  if (name !== '' && network.elements.some(({ id }) => id === name)) return `There is a ${name} already.`;
  return name === '' ? { ...element, id: nextElementId(network, element.kind) } : element;
}

/** `5`, `5 %` and, as a spreadsheet has it, `0.05`. */
function toleranceWord(text: string): string {
  const percent = parsePercent(text);
  if (!percent.ok) return text;
  const asRatio = !text.includes('%') && percent.value < 0.005 && percent.value > 0;
  return `${Number((percent.value * (asRatio ? 10_000 : 100)).toPrecision(12))}%`;
}
