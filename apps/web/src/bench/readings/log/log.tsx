import { formatMeasured, formatMeasuredValue, formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { notComparableReason, type ComparedReading, type Reading } from '@usual-drag/core/readings';
import { placeOf, type PlanStep } from '@usual-drag/core/plan';
import { noteReading } from '@usual-drag/core/job';
import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useEffect, useMemo, useRef, useState } from 'react';
import { columnsOf, DataTable } from '../../../ui/data-table.tsx';
import { useCommands, type Command } from '../../../ui/commands.ts';
import { when } from '../../../ui/words.ts';
import { useBench } from '../../model/bench-store.ts';
import { shownIn } from '../plan/taken-here.tsx';
import { ReadingBudget } from '../reading-budget.tsx';
import type { Readings } from '../use-readings.ts';
import type { BenchView } from '../../model/use-bench-view.ts';
import { listQuery } from '../../../api/lists.ts';
import { ReadingMenu } from './reading-menu.tsx';
import { StrikeForm } from './strike-form.tsx';
import { VerdictMark } from './verdict.tsx';

interface Row {
  readonly reading: Reading;
  readonly compared: ComparedReading | null;
  /** Name of the instrument, and the range. */
  readonly taken: string;
  /** Reason why there is no expected value. */
  readonly reason: string | null;
  readonly steps: readonly PlanStep[];
  readonly strike: (id: string) => void;
}

const column = columnsOf<Row>();

const figure = (value: number | null | undefined, { reading }: Row, digits = 4): string =>
  formatQuantity(value ?? null, unitOf(reading.quantity), { digits });

/** A value to the last place of the reading's uncertainty. */
const measured = (value: number | null | undefined, u: number | null | undefined, { reading }: Row): string =>
  formatMeasuredValue(value ?? null, u ?? null, unitOf(reading.quantity));

/** Columns of the comparison come first: they are visible without scrolling on a screen of 1280 px. */
const columns = column.columns([
  column.accessor(({ reading }) => reading.id, {
    id: 'id',
    header: 'No.',
    cell: ({ row: { original } }) => (
      <Struck of={original}>
        <ReadingMenu
          reading={original.reading}
          steps={original.steps}
          onStrike={() => original.strike(original.reading.id)}
        />
      </Struck>
    ),
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
  column.accessor(({ compared }) => compared?.expected ?? 0, {
    id: 'expected',
    header: 'Expected',
    enableSorting: false,
    meta: { figures: true },
    cell: ({ row: { original } }) => measured(original.compared?.expected, original.compared?.uncertainty, original),
  }),
  column.accessor(({ compared }) => compared?.uncertainty ?? 0, {
    id: 'uncertainty',
    header: 'U, k = 2',
    enableSorting: false,
    meta: { figures: true },
    cell: ({ row }) => figure(row.original.compared?.uncertainty, row.original, 2),
  }),
  column.accessor(({ compared }) => compared?.verdict ?? '', {
    id: 'verdict',
    header: 'Verdict',
    cell: ({ row: { original } }) =>
      original.reading.struck ? (
        <span>struck out: {original.reading.struck.why}</span>
      ) : (
        original.compared && <VerdictMark compared={original.compared} reason={original.reason} short />
      ),
  }),
  column.accessor(({ compared }) => compared?.value ?? 0, {
    id: 'value',
    header: 'Value',
    enableSorting: false,
    meta: { figures: true, indicated: true },
    cell: ({ row: { original } }) => measured(original.compared?.value, original.compared?.uncertainty, original),
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
  column.accessor(({ reading }) => reading.observations.at(-1)?.at ?? '', {
    id: 'at',
    header: 'Time',
    cell: ({ getValue }) => (getValue() === '' ? '' : when(getValue())),
  }),
  column.accessor(({ taken }) => taken, { id: 'instrument', header: 'Instrument, range' }),
  column.accessor(({ reading }) => reading.by ?? '', { id: 'by', header: 'By' }),
  column.accessor(({ reading }) => reading.note ?? '', {
    id: 'note',
    header: 'Note',
    enableSorting: false,
    cell: ({ row }) => <NoteField key={row.original.reading.note ?? ''} reading={row.original.reading} />,
  }),
]);

/** Every reading as it was written down, the newest last; struck ones stay legible. */
export function Log({ readings, view }: { readonly readings: Readings; readonly view: BenchView }) {
  const frame = useRef<HTMLDivElement>(null);
  const { readings: all, comparedAs, steps } = readings;
  const { job, instruments } = view;
  const { data: kit = [] } = useQuery(listQuery('instruments'));
  const [struck, setStruck] = useState<string | null>(null);
  const rows = useMemo(() => {
    const nameOf = (id: string): string =>
      instruments.find((one) => one.id === id)?.name ?? kit.find((one) => one.id === id)?.document.name ?? id;
    return all.map((reading): Row => {
      const compared = reading.struck ? null : comparedAs(reading);
      return {
        reading,
        compared,
        taken: `${nameOf(reading.instrument)}, ${reading.range}`,
        reason: compared?.verdict === 'not-comparable' ? notComparableReason(job.network, instruments, reading) : null,
        steps,
        strike: setStruck,
      };
    });
  }, [all, comparedAs, steps, job.network, instruments, kit]);
  const newest = all.findLast((reading) => !reading.struck)?.id;
  const commands = useMemo(
    (): Command[] =>
      newest === undefined
        ? []
        : [{ group: 'Actions', text: 'Strike the newest reading out', run: () => setStruck(newest) }],
    [newest],
  );
  useCommands('log', commands);
  useEffect(() => {
    frame.current?.lastElementChild?.scrollIntoView({ block: 'end' });
  }, [all.length]);
  if (all.length === 0) return <p className="p-3 text-soft">No readings yet. Enter the display at the open step.</p>;
  return (
    <div ref={frame}>
      {struck !== null && (
        <div className="sticky top-0 left-0 z-10 bg-sheet p-2">
          <StrikeForm key={struck} id={struck} onClose={() => setStruck(null)} />
        </div>
      )}
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
