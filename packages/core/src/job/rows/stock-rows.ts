import { formatQuantity, parsePercent, parseQuantity } from '../../quantity/index.ts';
import type { StockPart } from '../../workshop/index.ts';
import type { RowFault } from './parts-rows.ts';

type Column = 'value' | 'count' | 'tolerance';

/** Headings as people write them. */
const headings: Readonly<Record<Column, RegExp>> = {
  value: /^(value|resist|ohm|Ω)/i,
  count: /^(count|number|pieces|qty|quantity|stock|n$)/i,
  tolerance: /^tol/i,
};

const customary: readonly Column[] = ['value', 'count', 'tolerance'];

/**
 * A stock of resistors from the cells of a spreadsheet: value, count and tolerance, in this order or in that of a first row of
 * headings. Only the value is needed: `4k7`, `8.2 kΩ`, `0R1`.
 */
export function stockFromRows(rows: readonly (readonly string[])[]): {
  readonly stock: readonly StockPart[];
  readonly faults: readonly RowFault[];
} {
  const filled = rows.map((cells, index) => ({ cells: cells.map((cell) => cell.trim()), row: index + 1 }));
  const heading = filled[0]?.cells.map((cell) => customary.find((column) => headings[column].test(cell))) ?? [];
  const headed = heading.includes('value');
  const columns = headed ? heading : customary;
  const stock: StockPart[] = [];
  const faults: RowFault[] = [];
  for (const { cells, row } of filled.slice(headed ? 1 : 0)) {
    if (cells.every((cell) => cell === '')) continue;
    const read = readRow((column) => cells[columns.indexOf(column)] ?? '');
    if (typeof read === 'string') faults.push({ row, message: read });
    else stock.push(read);
  }
  return { stock, faults };
}

function readRow(of: (column: Column) => string): StockPart | string {
  const value = parseQuantity(of('value'), 'Ω');
  if (!value.ok) return value.fault.message;
  if (!(value.value > 0)) return `${of('value')} is no resistance above zero.`;
  const count = of('count');
  if (count !== '' && !/^\d+$/.test(count)) return `${count} is no number of pieces.`;
  if (Number(count) === 0 && count !== '')
    return `The count of ${formatQuantity(value.value, 'Ω')} is 0: remove the row.`;
  const percent = of('tolerance');
  const tolerance = percent === '' ? null : parsePercent(percent);
  if (tolerance && !tolerance.ok) return tolerance.fault.message;
  return {
    resistance: value.value,
    ...(count !== '' && { count: Number(count) }),
    ...(tolerance?.ok && { tolerance: tolerance.value }),
  };
}

/** The stock as the rows of a table with headings, to be read in again. */
export const rowsFromStock = (stock: readonly StockPart[]): string[][] => [
  ['value / Ω', 'count', 'tolerance'],
  ...stock.map(({ resistance, count, tolerance }) => [
    String(resistance),
    count === undefined ? '' : String(count),
    tolerance === undefined ? '' : `${Number((tolerance * 100).toPrecision(12))} %`,
  ]),
];
