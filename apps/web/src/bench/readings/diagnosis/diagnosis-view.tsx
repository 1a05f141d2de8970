import type { ExplanationMatrix } from '@usual-drag/core/diagnosis';
import { useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { Button } from '../../../ui/button.tsx';
import { TabRow } from '../../../ui/tabs.tsx';
import { count } from '../../../ui/words.ts';
import { startExplanations } from '../../../workers/diagnosis.ts';
import { useWorkerResult } from '../../../workers/use-worker-result.ts';
import type { BenchView } from '../../model/use-bench-view.ts';
import { useReadings } from '../use-readings.ts';
import { ExplanationCard } from './explanation-card.tsx';
import { FitPanel } from './fit-panel.tsx';
import { MatrixGrid, type ChosenCell } from './matrix-grid.tsx';
import { ReadNext } from './read-next.tsx';
import { TwoAtOnce } from './two-at-once.tsx';
import type { DiagnosisStart } from './use-explain.ts';

/** Explanations of the readings as a picture, the chosen one beside it, and the reading to take next. */
export function DiagnosisView({ view }: { readonly view: BenchView }) {
  const { job, jobId } = view;
  const readings = useReadings(view);
  const navigate = useNavigate();
  const start = useMemo(
    () => (readings.counted.length > 0 ? () => startExplanations(job) : null),
    [job, readings.counted.length],
  );
  const { result: found, state, stop } = useWorkerResult(start);
  const [asked, choose] = useState<ChosenCell | null>(null);
  const matrix = start && found?.ok ? found.value : null;
  const named = (useLocation().state as DiagnosisStart | null)?.reading;
  const chosen = matrix && within(matrix, asked ?? { row: 0, reading: firstReading(matrix, named) });
  return (
    <div className="flex min-h-0 grow flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
      <main className="flex min-w-0 shrink-0 flex-col lg:min-h-0 lg:shrink lg:grow">
        <TabRow
          label="Readings and sums"
          className="bg-sheet px-3"
          value="diagnosis"
          options={[
            { value: 'log', text: `Log (${readings.readings.length})` },
            { value: 'sums', text: `Sums (${(readings.comparison?.sums ?? []).length})` },
            { value: 'diagnosis', text: 'Diagnosis' },
          ]}
          onChange={(tab) =>
            tab !== 'diagnosis' && void navigate(`/bench/${jobId}/readings${tab === 'sums' ? '/sums' : ''}`)
          }
        />
        <div className="flex min-w-0 flex-col gap-2 p-3 lg:min-h-0">
          <h1 className="text-[18px] font-bold">Explanations of {count(readings.counted.length, 'reading')}</h1>
          {state === 'running' && start && (
            <p role="status" className="flex items-center gap-3 text-[14px] text-soft">
              Trying every single fault … <Button onClick={stop}>Stop</Button>
            </p>
          )}
          {start === null && (
            <p>
              There is nothing to explain yet. Take the readings of the plan: two or more that one fault affects show
              which it is.
            </p>
          )}
          {state === 'failed' && <p role="alert">The search stopped with a fault. Edit the job to start it again.</p>}
          {found && !found.ok && <p>{found.fault.message}</p>}
          {matrix && chosen && (
            <>
              <p className="text-[14px] text-soft">
                {matrix.diagnosis.consistent
                  ? 'Every reading is within its uncertainty of the prediction of the fault-free circuit. No fault is needed.'
                  : 'Each bar: reading − prediction, in units of its standard uncertainty; beyond twice that with its number.'}
              </p>
              <MatrixGrid matrix={matrix} chosen={chosen} onChoose={choose} jobId={jobId} />
              {!matrix.diagnosis.consistent && matrix.rows.length === 1 && <TwoAtOnce job={job} />}
            </>
          )}
        </div>
      </main>
      {matrix && chosen && (
        <aside
          aria-label="Chosen explanation"
          className="flex shrink-0 flex-col gap-3 border-line bg-ground p-3 max-lg:border-t lg:w-[400px] lg:overflow-y-auto lg:border-l"
        >
          <ExplanationCard
            row={matrix.rows[chosen.row]!}
            at={chosen.reading}
            readings={matrix.readings}
            jobId={jobId}
          />
          {matrix.next && <ReadNext next={matrix.next} jobId={jobId} />}
          <FitPanel job={job} jobId={jobId} />
        </aside>
      )}
    </div>
  );
}

/** The chosen cell, or the nearest to it that the matrix has. */
const within = ({ rows, readings }: ExplanationMatrix, { row, reading }: ChosenCell): ChosenCell => ({
  row: Math.min(row, rows.length - 1),
  reading: Math.min(reading, readings.length - 1),
});

/** Index of a reading by its name; of the farthest one if it is not there. */
function firstReading(matrix: ExplanationMatrix, name: string | undefined): number {
  const at = matrix.readings.findIndex(({ reading }) => reading.id === name);
  return at === -1 ? farthestReading(matrix) : at;
}

/** Index of the reading that is farthest from the prediction of the fault-free circuit. */
function farthestReading({ rows }: ExplanationMatrix): number {
  const sizes = rows.at(-1)!.cells.map(({ deviation }) => Math.abs(deviation));
  return sizes.indexOf(Math.max(...sizes));
}
