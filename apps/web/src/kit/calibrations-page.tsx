import { calibrationOn, calibrationsDue, dayOf, type KitInstrument } from '@usual-drag/core/instrument';
import { rowsFromCalibrations } from '@usual-drag/core/job';
import { csvText } from '../ui/csv.ts';
import { Link } from 'react-router';
import { useDocumentList } from '../documents/use-document-list.ts';
import { Button } from '../ui/button.tsx';
import { columnsOf, DataTable } from '../ui/data-table.tsx';
import { saveText } from '../ui/save-file.ts';
import { dueWords } from './due-words.ts';

interface Row {
  readonly kept: KitInstrument;
  readonly dueOn: string;
  readonly words: string;
}

const column = columnsOf<Row>();
const columns = [
  column.accessor(({ kept }) => kept.name ?? kept.id, {
    id: 'instrument',
    header: 'Instrument',
    cell: ({ row, getValue }) => (
      <Link
        className="inline-flex min-h-9 items-center underline"
        to={`/kit/${encodeURIComponent(row.original.kept.id)}`}
      >
        {getValue()}
      </Link>
    ),
  }),
  column.accessor(({ kept }) => kept.assetTag ?? '', { id: 'tag', header: 'Asset tag' }),
  column.accessor(({ kept }) => kept.calibratedOn ?? '', { id: 'on', header: 'Calibrated on' }),
  column.accessor(({ kept }) => [kept.certificateNumber, kept.laboratory].filter(Boolean).join(', '), {
    id: 'certificate',
    header: 'Certificate',
  }),
  column.accessor(({ kept }) => kept.calibrationMonths ?? 0, {
    id: 'months',
    header: 'Interval',
    cell: ({ getValue }) => (getValue() === 0 ? '' : `${getValue()} months`),
  }),
  column.accessor(({ dueOn }) => dueOn, { id: 'due', header: 'Due on' }),
  column.accessor(({ words }) => words, {
    id: 'state',
    header: 'Status',
    cell: ({ getValue }) => (
      <span className={getValue().startsWith('overdue') ? 'font-bold text-ochre' : undefined}>{getValue()}</span>
    ),
  }),
];

/** Every instrument in use with its calibration, the one that is due first at the top; those without any note last. */
export function CalibrationsPage() {
  const { list, error } = useDocumentList('instruments');
  const kit = (list ?? []).map(({ document }) => document);
  const today = dayOf(new Date());
  const due = calibrationsDue(kit, today);
  const unknown = kit.filter((kept) => !kept.retired && calibrationOn(kept, today) === null);
  const rows: Row[] = [
    ...due.map(({ kept, calibration }) => ({ kept, dueOn: calibration.dueOn, words: dueWords(calibration) })),
    ...unknown.map((kept) => ({
      kept,
      dueOn: '',
      words: kept.calibratedOn === undefined ? 'no calibration is noted' : 'no interval is noted',
    })),
  ];
  const save = (): void => saveText(csvText(rowsFromCalibrations(rows)), 'calibrations-due.csv', 'text/csv');
  return (
    <main className="relative h-full overflow-y-auto">
      <div className="mx-auto flex max-w-5xl flex-col gap-4 px-6 py-8 max-sm:px-3">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="grow text-[26px] font-bold">Calibrations</h1>
          <Button onClick={() => window.print()}>Print</Button>
          <Button onClick={save}>Save as CSV</Button>
          <Link className="inline-flex min-h-9 items-center px-2 underline" to="/kit">
            To the kit
          </Link>
        </div>
        {error && <p role="alert">{error.message}</p>}
        {list && (
          <div className="relative overflow-x-auto rounded-xl border border-line bg-sheet">
            <DataTable
              label="Calibrations, the first due at the top"
              rows={rows}
              columns={columns}
              idOf={({ kept }) => kept.id}
            />
          </div>
        )}
      </div>
    </main>
  );
}
