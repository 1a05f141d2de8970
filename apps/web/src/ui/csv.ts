import Papa from 'papaparse';

/**
 * A cell that a spreadsheet would take for a formula: it begins with `=`, `+`, `-`, `@`, a tab or a return, and is not just a number.
 * One that begins with apostrophes before such a sign is escaped as well, so that reading takes away no more than was added.
 */
const formula = /^'*(?=[=+\-@\t\r])(?!(?:[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)$)/i;

type Cell = string | number | boolean | null | undefined;

/** A table as rows of cells, or as rows by column name, or with its column names apart. */
type Table =
  | readonly (readonly Cell[])[]
  | readonly Readonly<Record<string, Cell>>[]
  | { readonly fields: readonly string[]; readonly data: readonly (readonly Cell[])[] };

/** A table as CSV. No cell of it is run as a formula by a spreadsheet: an apostrophe is put before one that would be. */
export const csvText = (table: Table): string => Papa.unparse(table as never, { escapeFormulae: formula });

/** The rows of a CSV or tab-separated text, as text, without empty ones and without the apostrophes that `csvText` puts. */
export const csvRows = (text: string): string[][] =>
  Papa.parse<string[]>(text, { skipEmptyLines: 'greedy' }).data.map((row) =>
    row.map((cell) => (cell.startsWith("'") && formula.test(cell.slice(1)) ? cell.slice(1) : cell)),
  );
