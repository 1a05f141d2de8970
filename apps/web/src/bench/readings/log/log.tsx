import { formatMeasured, formatMeasuredValue, formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import type { ComparedReading, Reading } from '@usual-drag/core/readings';
import { placeOf } from '@usual-drag/core/plan';
import { noteReading } from '@usual-drag/core/job';
import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState } from 'react';
import { columnsOf, DataTable } from '../../../ui/data-table.tsx';
import { clock } from '../../../ui/words.ts';
import { useBench } from '../../model/bench-store.ts';
import { shownIn } from '../plan/taken-here.tsx';
import { ReadingBudget } from '../reading-budget.tsx';
import type { Readings } from '../use-readings.ts';
import { VerdictMark } from './verdict.tsx';

interface Row {
  readonly reading: Reading;
  readonly compared: ComparedReading | null;
}

const column = columnsOf<Row>();

const figure = (value: number | null | undefined, { reading }: Row, digits = 4): string =>
  formatQuantity(value ?? null, unitOf(reading.quantity), { digits });

/** A value to the last place of the reading's uncertainty. */
const measured = (value: number | null | undefined, u: number | null | undefined, { reading }: Row): string =>
  formatMeasuredValue(value ?? null, u ?? null, unitOf(reading.quantity));

const columns = column.columns([
  column.accessor(({ reading }) => reading.id, {
    id: 'id',
    header: 'No.',
    cell: ({ row }) => <Struck of={row.original}>{row.original.reading.id}</Struck>,
  }),
  column.accessor(({ reading }) => reading.observations.at(-1)?.at ?? '', {
    id: 'at',
    header: 'Time',
    cell: ({ getValue }) => (getValue() === '' ? '' : clock(getValue())),
  }),
  column.accessor(({ reading }) => placeOf(reading), {
    id: 'place',
    header: 'Point',
    cell: ({ row, getValue }) => <Struck of={row.original}>{getValue()}</Struck>,
  }),
  column.accessor(({ reading }) => shownIn(reading), {
    id: 'shown',
    header: 'Display',
    enableSorting: false,
    meta: { figures: true, indicated: true },
    cell: ({ row, getValue }) => <Struck of={row.original}>{getValue()}</Struck>,
  }),
  column.accessor(({ compared }) => compared?.verdict ?? '', {
    id: 'verdict',
    header: 'Verdict',
    cell: ({ row: { original } }) =>
      original.reading.struck ? (
        <span>struck out: {original.reading.struck.why}</span>
      ) : (
        original.compared && <VerdictMark compared={original.compared} short />
      ),
  }),
  column.accessor(({ compared }) => compared?.expected ?? 0, {
    id: 'expected',
    header: 'Expected',
    enableSorting: false,
    meta: { figures: true },
    cell: ({ row: { original } }) => measured(original.compared?.expected, original.compared?.uncertainty, original),
  }),
  column.accessor(({ compared }) => compared?.value ?? 0, {
    id: 'value',
    header: 'Value',
    enableSorting: false,
    meta: { figures: true, indicated: true },
    cell: ({ row: { original } }) => measured(original.compared?.value, original.compared?.uncertainty, original),
  }),
  column.accessor(({ compared }) => compared?.uncertainty ?? 0, {
    id: 'uncertainty',
    header: 'U, k = 2',
    enableSorting: false,
    meta: { figures: true },
    cell: ({ row }) => figure(row.original.compared?.uncertainty, row.original, 2),
  }),
  column.accessor(({ compared }) => compared?.corrected ?? 0, {
    id: 'corrected',
    header: 'Corrected, U',
    enableSorting: false,
    meta: { figures: true },
    cell: ({ row: { original } }) => (
      <span className="inline-flex items-center gap-1.5 whitespace-nowrap">
        {formatMeasured(
          original.compared?.corrected ?? null,
          original.compared?.correctedUncertainty ?? null,
          unitOf(original.reading.quantity),
        )}
        {original.compared?.corrected != null && <ReadingBudget reading={original.reading} />}
      </span>
    ),
  }),
  column.accessor(({ reading }) => reading.range, { id: 'range', header: 'Range', enableSorting: false }),
  column.accessor(({ reading }) => reading.by ?? '', { id: 'by', header: 'By' }),
  column.accessor(({ reading }) => reading.note ?? '', {
    id: 'note',
    header: 'Note',
    enableSorting: false,
    cell: ({ row }) => <NoteField key={row.original.reading.note ?? ''} reading={row.original.reading} />,
  }),
]);

/** Every reading as it was written down, the newest last; struck ones stay legible. */
export function Log({ readings }: { readonly readings: Readings }) {
  const frame = useRef<HTMLDivElement>(null);
  const { readings: all, comparedAs } = readings;
  const rows = useMemo(
    () => all.map((reading): Row => ({ reading, compared: reading.struck ? null : comparedAs(reading) })),
    [all, comparedAs],
  );
  useEffect(() => {
    frame.current?.lastElementChild?.scrollIntoView({ block: 'end' });
  }, [all.length]);
  if (all.length === 0) return <p className="p-3 text-soft">No readings yet. Enter the display at the open step.</p>;
  return (
    <div ref={frame}>
      <DataTable label="Log of readings" rows={rows} columns={columns} idOf={({ reading }) => reading.id} />
      <span />
    </div>
  );
}

function Struck({ of, children }: { readonly of: Row; readonly children: React.ReactNode }) {
  return <span className={clsx(of.reading.struck && 'text-soft line-through')}>{children}</span>;
}

function NoteField({ reading }: { readonly reading: Reading }) {
  const edit = useBench((state) => state.edit);
  const [typed, setTyped] = useState(reading.note ?? '');
  return (
    <input
      data-typing="true"
      aria-label={`Note on ${reading.id}`}
      placeholder="add a note"
      className="min-h-7 w-44 rounded border border-transparent bg-transparent px-1 placeholder:text-soft/70 hover:border-line focus:border-soft"
      value={typed}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => {
        if (typed.trim() !== (reading.note ?? '')) edit((job) => noteReading(job, reading.id, typed.trim()));
      }}
    />
  );
}
