import {
  createColumnHelper,
  createSortedRowModel,
  FlexRender,
  rowSortingFeature,
  sortFn_alphanumeric,
  sortFn_basic,
  tableFeatures,
  useTable,
  type ColumnDef,
  type RowData,
  type SortingState,
} from '@tanstack/react-table';
import clsx from 'clsx';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useState } from 'react';

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric, basic: sortFn_basic },
});

/** Makes the columns of a table. */
export const columnsOf = <Row extends RowData>() => createColumnHelper<typeof features, Row>();

/** Appearance of a column: figures are aligned right, indicated values have their colour. */
interface Look {
  readonly figures?: boolean;
  readonly indicated?: boolean;
}

interface Props<Row extends RowData> {
  readonly label: string;
  readonly rows: readonly Row[];
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- each column has its own type of value
  readonly columns: readonly ColumnDef<typeof features, Row, any>[];
  readonly idOf: (row: Row) => string;
  /** Number of rows on the page, the first in the order of the table; all if omitted. */
  readonly most?: number;
  /** As it is sorted at first; as given if omitted. */
  readonly sorting?: SortingState;
}

/** A table that is sorted by its headings. */
export function DataTable<Row extends RowData>({ label, rows, columns, idOf, most, sorting: first = [] }: Props<Row>) {
  const [sorting, setSorting] = useState<SortingState>(first);
  const table = useTable({
    features,
    data: rows,
    columns: columns as ColumnDef<typeof features, Row>[],
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: idOf,
  });
  return (
    <table aria-label={label} className="w-full border-collapse text-[14px]">
      <thead className="text-[13px] text-soft">
        {table.getHeaderGroups().map(({ id, headers }) => (
          <tr key={id} className="border-b border-line">
            {headers.map((header) => (
              <th
                key={header.id}
                scope="col"
                aria-sort={sorts[String(header.column.getIsSorted())]}
                className={clsx(
                  'px-2 py-1 font-medium whitespace-nowrap',
                  lookOf(header.column).figures ? 'text-right' : 'text-left',
                )}
              >
                {header.column.getCanSort() ? (
                  <button
                    type="button"
                    className="inline-flex min-h-6 min-w-6 items-center gap-1 rounded hover:text-ink pointer-coarse:min-h-11"
                    onClick={header.column.getToggleSortingHandler()}
                  >
                    <FlexRender header={header} />
                    {header.column.getIsSorted() === 'asc' && <ArrowUp aria-hidden size={13} />}
                    {header.column.getIsSorted() === 'desc' && <ArrowDown aria-hidden size={13} />}
                  </button>
                ) : (
                  <FlexRender header={header} />
                )}
              </th>
            ))}
          </tr>
        ))}
      </thead>
      <tbody>
        {table
          .getRowModel()
          .rows.slice(0, most)
          .map((row) => (
            <tr key={row.id} className="border-b border-line/60 hover:bg-sunk/60">
              {row.getAllCells().map((cell, index) => {
                const Cell = index === 0 ? 'th' : 'td';
                const { figures, indicated } = lookOf(cell.column);
                return (
                  <Cell
                    key={cell.id}
                    {...(index === 0 && { scope: 'row' })}
                    className={clsx(
                      'px-2 py-0.5 whitespace-nowrap',
                      figures ? 'figures text-right' : 'text-left',
                      indicated && 'font-bold text-ochre',
                    )}
                  >
                    <FlexRender cell={cell} />
                  </Cell>
                );
              })}
            </tr>
          ))}
      </tbody>
    </table>
  );
}

const sorts: Readonly<Record<string, 'ascending' | 'descending' | undefined>> = {
  asc: 'ascending',
  desc: 'descending',
};

const lookOf = ({ columnDef }: { readonly columnDef: { readonly meta?: unknown } }): Look => columnDef.meta ?? {};
