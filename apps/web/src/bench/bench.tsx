import { useQuery } from '@tanstack/react-query';
import { Suspense, useCallback, useEffect, useMemo, useState } from 'react';
import { Navigate } from 'react-router';
import { signaturesQuery } from '../api/signatures.ts';
import { useFirstMinute } from '../first-minute/first-minute.ts';
import { fetchedLater } from '../ui/fetched-later.ts';
import { Panel } from '../ui/panel.tsx';
import { useAfterPaint } from '../ui/after-paint.ts';
import { BenchSheet } from './bench-sheet.tsx';
import { useStepStatus } from './model/use-step-status.ts';
import { useBenchView } from './model/use-bench-view.ts';
import { useBenchCommands } from './use-bench-commands.ts';
import { StepPanel } from './step-panel.tsx';
import { StepTabs } from './step-tabs.tsx';

const FirstMinuteCallout = fetchedLater(async () => (await import('../first-minute/callout.tsx')).FirstMinuteCallout);

const DiagnosisView = fetchedLater(async () => (await import('./readings/diagnosis/diagnosis-view.tsx')).DiagnosisView);

const steps = ['network', 'true-values', 'setups', 'readings', 'report'];

/** The job on the bench: the drawing that stays through all steps, and the panel of the step that is open. */
export function Bench() {
  const isFirst = useFirstMinute((state) => state.step !== null);
  const view = useBenchView();
  const { jobId, step, job, sound, inReport } = view;
  const isDiagnosis = view.inReadings && view.setupId === 'diagnosis';
  const [whole, setWhole] = useState(false);
  const toggleWhole = useCallback(() => setWhole((now) => !now), []);
  useBenchCommands(view, toggleWhole);
  useEffect(() => {
    if (localStorage.getItem('usual-drag-sweeps') !== null)
      void import('./readings/sweep/kept-sweeps.ts').then(({ moveKeptSweep }) => moveKeptSweep(jobId));
  }, [jobId]);
  const settled = useAfterPaint(useMemo(() => ({ job, unloaded: sound }), [job, sound]));
  const { data: signatures } = useQuery(signaturesQuery(jobId));
  const status = useStepStatus(settled.job, settled.unloaded, signatures);

  if (!steps.includes(step)) return <Navigate to={`/bench/${jobId}/setups`} replace />;
  return (
    <div className="flex h-full min-h-0 flex-col">
      {isFirst && (
        <Suspense>
          <FirstMinuteCallout />
        </Suspense>
      )}
      <StepTabs jobId={jobId} status={status} />
      {isDiagnosis ? (
        <Panel name="The diagnosis">
          <DiagnosisView view={view} />
        </Panel>
      ) : (
        <div className="flex min-h-0 grow flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
          {/* On a phone its parts are in one column with the panel: the drawing, the panel, the figures. */}
          <main
            data-whole={whole}
            className="@container flex min-w-0 flex-col bg-sheet max-sm:contents sm:min-h-[30rem] sm:grow lg:min-h-0"
          >
            {/* A report has its own. */}
            {!inReport && (
              <h1 className="sr-only print:not-sr-only print:px-4 print:text-[20px] print:font-bold">
                {job.title ?? 'Untitled'}
              </h1>
            )}
            <BenchSheet view={view} whole={whole} onWhole={toggleWhole} />
          </main>
          <StepPanel view={view} hidden={whole} />
        </div>
      )}
    </div>
  );
}
