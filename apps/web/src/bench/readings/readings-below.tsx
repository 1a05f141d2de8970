import { formatQuantity, sumOf } from '@usual-drag/core/quantity';
import { equalCurrents, explainSum, type Reading, type ReadingSum } from '@usual-drag/core/readings';
import { namesOf } from '@usual-drag/core/plan';
import { instrumentForJob } from '@usual-drag/core/instrument';
import { addReading, keepInstrument, readingsFromRows, rowsFromReadings } from '@usual-drag/core/job';
import { listQuery } from '../../api/lists.ts';
import { queries } from '../../api/queries.ts';
import { offer } from '../../ui/offer.ts';
import { csvRows, csvText } from '../../ui/csv.ts';
import { useMemo, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { toast } from '../../ui/toast.ts';
import { ActionMenu, type MenuAction } from '../../ui/action-menu.tsx';
import { FileInput } from '../../ui/file-input.tsx';
import { fileStem, saveText } from '../../ui/save-file.ts';
import { TabRow } from '../../ui/tabs.tsx';
import { count } from '../../ui/words.ts';
import { benchNow } from '../model/bench-store.ts';
import { sayUndoable } from '../model/say-undoable.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { openListed } from '../model/reading-entry.ts';
import { Log } from './log/log.tsx';
import { useReadings, type Readings } from './use-readings.ts';

/** Below the drawing: the log of readings and the sums that they make. */
export function ReadingsBelow({ view }: { readonly view: BenchView }) {
  const readings = useReadings(view);
  const navigate = useNavigate();
  const [open, setOpen] = useState<'log' | 'sums'>(view.setupId === 'sums' ? 'sums' : 'log');
  const sums = readings.comparison?.sums ?? [];
  return (
    <div className="flex h-[248px] shrink-0 flex-col border-t border-line max-sm:order-2 max-sm:h-auto max-sm:bg-sheet print:h-auto">
      <div className="flex items-end justify-between gap-2 pr-2 pl-3">
        <TabRow
          label="Readings and sums"
          className="border-b-0"
          value={open}
          options={[
            { value: 'log', text: `Log (${readings.readings.length})` },
            { value: 'sums', text: `Sums (${sums.length})` },
            { value: 'diagnosis', text: 'Diagnosis' },
          ]}
          onChange={(tab) =>
            tab === 'diagnosis' ? void navigate(`/bench/${view.jobId}/readings/diagnosis`) : setOpen(tab)
          }
        />
        <Files readings={readings} jobId={view.jobId} />
      </div>
      <div
        className="min-h-0 grow overflow-auto border-t border-line"
        tabIndex={0}
        role="region"
        aria-label="Readings and sums"
      >
        {open === 'log' && <Log readings={readings} view={view} />}
        {open === 'sums' && <Sums readings={readings} view={view} />}
      </div>
    </div>
  );
}

function Files({ readings, jobId }: { readonly readings: Readings; readonly jobId: string }) {
  const file = useRef<HTMLInputElement>(null);
  const title = benchNow().document.title ?? 'readings';
  const actions: readonly MenuAction[] = useMemo(
    () => [
      {
        text: 'Export readings (CSV)',
        act: () =>
          saveText(
            csvText(rowsFromReadings(readings.readings, readings.comparison?.readings ?? {})),
            `${fileStem(title)}.readings.csv`,
            'text/csv',
          ),
      },
      { text: 'Import readings (CSV)', act: () => file.current?.click() },
      { text: 'Readings of the whole plan …', act: () => openListed(jobId) },
    ],
    [readings.readings, readings.comparison, title, jobId],
  );
  return (
    <>
      <ActionMenu actions={actions} commands={{ source: 'reading-files' }}>
        CSV
      </ActionMenu>
      <FileInput
        ref={file}
        label="Readings to import"
        accept=".csv,text/csv"
        onTake={(one) => void importReadings(one)}
      />
    </>
  );
}

/** Adds the readings of a file that the job does not have yet. */
async function importReadings(file: File): Promise<void> {
  const data = csvRows(await file.text());
  const { readings, faults } = readingsFromRows(data);
  const known = new Set((benchNow().document.readings ?? []).map(({ id }) => id));
  const added = readings.filter(({ id }) => !known.has(id));
  const [fault] = faults;
  if (fault)
    toast.error(
      `Row ${fault.row}: ${fault.message} ${faults.length > 1 ? `${faults.length - 1} more rows cannot be read.` : ''}`,
    );
  if (added.length === 0) {
    if (!fault) toast('No new readings: the job already has all readings of this file.');
    return;
  }
  benchNow().edit((job) => added.reduce((now, reading) => addReading(now, reading), job));
  const kept = readings.length - added.length;
  const said = `${count(added.length, 'reading')} added${kept > 0 ? `, ${kept} were there already` : ''}`;
  const own = benchNow().document.instruments ?? [];
  const missing = [...new Set(added.map(({ instrument }) => instrument))].filter(
    (id) => !own.some((one) => one.id === id),
  );
  if (missing.length === 0) return sayUndoable(`${said}.`);
  // The kit may not be fetched yet. Without an answer the instruments count as not in it.
  const kit = await queries.ensureQueryData(listQuery('instruments')).catch(() => []);
  const found = kit.map(({ document }) => document).filter(({ id }) => missing.includes(id));
  const names = missing.map((id) => found.find((one) => one.id === id)?.name ?? id).join(', ');
  const what = missing.length === 1 ? `the instrument ${names} is` : `the instruments ${names} are`;
  if (found.length === 0)
    toast(`${said}; ${what} neither in this job nor in the kit. Add it to the kit.`, { duration: 12_000 });
  else
    offer(`${said}; ${what} not in this job.`, 'Add from the kit', () =>
      benchNow().edit((job) => found.reduce((now, one) => keepInstrument(now, instrumentForJob(one)), job)),
    );
}

function Sums({ readings, view }: { readonly readings: Readings; readonly view: BenchView }) {
  const sums = readings.comparison?.sums ?? [];
  const equal = equalCurrents(view.job.network, readings.counted);
  if (sums.length === 0 && equal.length === 0)
    return <p className="p-3 text-soft">No sums yet. Read all voltages of a loop, or all currents at a node.</p>;
  return (
    <ul className="flex flex-col divide-y divide-line/60 text-[14px]" aria-label="Sums of the readings">
      {sums.map((sum) => (
        <li key={sum.terms.map(({ reading }) => reading).join(' ')} className="px-3 py-1.5">
          <SumLine sum={sum} readings={readings} view={view} />
        </li>
      ))}
      {equal.map(({ readings: ids, parts }) => (
        <li key={ids.join(' ')} className="px-3 py-1.5">
          {ids.join(', ')} read the same along {parts.join(', ')}: the current is the same there. That it is the true
          one they do not show.
        </li>
      ))}
    </ul>
  );
}

const sumWords = {
  closes: 'agrees',
  'explained-by-loading': 'explained by loading',
  'does-not-close': 'does not agree',
} as const;

function SumLine({
  sum,
  readings,
  view,
}: {
  readonly sum: ReadingSum;
  readonly readings: Readings;
  readonly view: BenchView;
}) {
  const { gap, loading, accuracy, resolution, spread, tolerance } = explainSum(sum, readings.counted, view.instruments);
  const unit = sum.kind === 'loop' ? 'V' : 'A';
  const told = (value: number): string => formatQuantity(value, unit, { digits: 3 });
  const signed = (value: number): string => formatQuantity(value, unit, { digits: 3, signed: true });
  return (
    <>
      <p className="flex flex-wrap items-baseline justify-between gap-x-3">
        <span>
          {sum.kind === 'loop' ? 'Loop' : 'Node'}{' '}
          <span className="figures">
            {sum.terms.map((term, index) => termOf(term, index, readings.readings)).join(' ')}
          </span>{' '}
          = <b className="figures text-ochre">{signed(gap)}</b>
        </span>
        <b className={sum.verdict === 'does-not-close' ? 'text-fault' : sum.verdict === 'closes' ? '' : 'text-ochre'}>
          {sumWords[sum.verdict]}
        </b>
      </p>
      <p className="text-soft">
        Loading leaves <span className="figures text-ochre">{signed(loading)}</span>; the rest is{' '}
        <span className="figures">{signed(sumOf([gap, -loading]))}</span>. U {told(sum.uncertainty)} (k = 2) combines in
        quadrature: accuracy {told(accuracy)}, resolution {told(resolution)}
        {spread > 0 && `, spread ${told(spread)}`}. Limit from the parts’ tolerances: ±{told(tolerance)}.
      </p>
    </>
  );
}

function termOf({ reading, sign }: ReadingSum['terms'][number], index: number, readings: readonly Reading[]): string {
  const at = readings.find(({ id }) => id === reading);
  const part = at?.quantity === 'dc-current' ? ` (${namesOf(at.ends)})` : '';
  return `${sign < 0 ? '−' : index === 0 ? '' : '+'} ${reading}${part}`.trim();
}
