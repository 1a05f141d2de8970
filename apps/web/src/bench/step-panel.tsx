import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { useNavigate } from 'react-router';
import { kitQuery } from '../api/lists.ts';
import { fetchedLater } from '../ui/fetched-later.ts';
import { Panel } from '../ui/panel.tsx';
import type { BenchView } from './model/use-bench-view.ts';
import { SetupsStep } from './setups/setups-step.tsx';

// What is not on the first screen is fetched when it is opened.
const BoardPanel = fetchedLater(async () => (await import('./board/board-panel.tsx')).BoardPanel);
const FaultBar = fetchedLater(async () => (await import('./faults/fault-bar.tsx')).FaultBar);
const NetworkStep = fetchedLater(async () => (await import('./network/network-step.tsx')).NetworkStep);
const ReadingsStep = fetchedLater(async () => (await import('./readings/readings-step.tsx')).ReadingsStep);
const ReportStep = fetchedLater(async () => (await import('./report/report-step.tsx')).ReportStep);
const TrueValuesStep = fetchedLater(async () => (await import('./true-values/true-values-step.tsx')).TrueValuesStep);

/** The panel of the step that is open, beside the drawing. */
export function StepPanel({ view, hidden }: { readonly view: BenchView; readonly hidden: boolean }) {
  const navigate = useNavigate();
  const { data: kit = [] } = useQuery(kitQuery);
  const { jobId, step, unloaded } = view;
  return (
    <aside
      aria-label="Step"
      className={clsx(
        'shrink-0 overflow-y-auto max-sm:order-1 [contain:layout_paint] border-line bg-ground px-3 py-1.5 lg:border-l print:hidden',
        view.inTrueValues ? 'lg:w-[456px]' : 'lg:w-[488px]',
        hidden && 'hidden',
      )}
    >
      {view.tried && (
        <Panel name="The fault">
          <FaultBar
            jobId={jobId}
            tried={view.tried}
            meter={
              view.inSetups && view.meter
                ? { placed: view.meter, sound: view.soundValues?.meters[view.meter.id] ?? null }
                : null
            }
          />
        </Panel>
      )}
      {view.inSetups && (
        <Panel name="Set-ups">
          <SetupsStep
            setup={view.setup}
            shown={view.shown}
            unloaded={unloaded}
            sound={view.sound}
            values={view.values}
            kit={kit}
            chosen={view.chosen}
            trial={view.trial}
            onChooseSetup={(id) => void navigate(`/bench/${jobId}/setups/${id}`)}
            onChooseMeter={view.chooseMeter}
          />
        </Panel>
      )}
      {/* A boundary for each: one that stays would keep the former step on the screen until the next one is fetched. */}
      {step === 'network' && (
        <Panel name="Network">
          {view.onBoard ? <BoardPanel network={view.network} /> : <NetworkStep unloaded={unloaded} />}
        </Panel>
      )}
      {view.inTrueValues && (
        <Panel name="True values">
          <TrueValuesStep jobId={jobId} unloaded={unloaded} sound={view.sound} />
        </Panel>
      )}
      {view.inReadings && (
        <Panel name="Readings">
          <ReadingsStep view={view} kit={kit} />
        </Panel>
      )}
      {view.inReport && (
        <Panel name="Report">
          <ReportStep view={view} />
        </Panel>
      )}
    </aside>
  );
}
