import type { JobSummary } from '@usual-drag/contract';
import { formatPercent } from '@usual-drag/core/quantity';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { columnsOf, DataTable } from '../ui/data-table.tsx';
import { when } from '../ui/words.ts';
import { figuresWords } from './figures-words.ts';
import { JobActions, type JobProps } from './job-actions.tsx';

const column = columnsOf<JobSummary>();

interface Props extends Omit<JobProps, 'job'> {
  readonly jobs: readonly JobSummary[];
  /** Number of rows on the page. */
  readonly most: number;
}

/** The jobs as a table, sorted by any of its columns. */
export function JobTable({ jobs, most, onDuplicate, onArchive }: Props) {
  const columns = useMemo(
    () => [
      column.accessor((job) => job.title ?? 'Untitled', {
        id: 'title',
        header: 'Job',
        cell: ({ row, getValue }) => (
          <Link to={`/bench/${row.original.id}/setups`} className="block min-h-6 py-1 font-bold hover:underline">
            {getValue()}
          </Link>
        ),
      }),
      column.accessor((job) => job.record.asset ?? '', { id: 'asset', header: 'Asset' }),
      column.accessor((job) => job.record.order ?? '', { id: 'order', header: 'Order' }),
      column.accessor((job) => job.record.date ?? '', { id: 'date', header: 'Date' }),
      column.accessor('parts', { header: 'Parts', meta: { figures: true } }),
      column.accessor((job) => Math.abs(job.worstError ?? 0), {
        id: 'error',
        header: 'Worst error',
        meta: { figures: true },
        cell: ({ row: { original } }) =>
          original.state !== 'computed'
            ? figuresWords[original.state]
            : original.worstError === null
              ? '–'
              : formatPercent(original.worstError, { signed: true, digits: 3 }),
      }),
      column.accessor('updatedAt', { header: 'Changed', cell: ({ getValue }) => when(getValue()) }),
      column.display({
        id: 'actions',
        header: () => <span className="sr-only">Actions</span>,
        cell: ({ row }) => <JobActions job={row.original} onDuplicate={onDuplicate} onArchive={onArchive} />,
      }),
    ],
    [onDuplicate, onArchive],
  );
  return <DataTable label="Jobs" rows={jobs} most={most} columns={columns} idOf={({ id }) => id} />;
}
