import { meterAt, putMeter } from '@usual-drag/core';
import { Suspense } from 'react';
import { useNavigate } from 'react-router';
import { fetchedLater } from '../ui/fetched-later.ts';
import { Segments } from '../ui/segments.tsx';
import { ValuesTable } from './canvas/values-table.tsx';
import { benchNow } from './model/bench-store.ts';
import { useSelection } from './model/selection.ts';
import type { BenchView } from './model/use-bench-view.ts';
import { EditStrip } from './network/edit-strip.tsx';
import { MapTable } from './setups/map-table.tsx';
import { SumsAsRead } from './setups/sums-as-read.tsx';
import { StepCanvas } from './step-canvas.tsx';
import { ViewChoice } from './true-values/view-choice.tsx';

const TrueView = fetchedLater(async () => (await import('./true-values/true-view.tsx')).TrueView);
const Tolerance = fetchedLater(async () => (await import('./tolerance/tolerance.tsx')).Tolerance);

interface Props {
  readonly view: BenchView;
  readonly whole: boolean;
  readonly onWhole: () => void;
}

/** The sheet of the step that is open: its views, the drawing or what stands in its place, and the figures below. */
export function BenchSheet({ view, whole, onWhole }: Props) {
  const navigate = useNavigate();
  const { jobId, job, step, inSetups, inTrueValues, unloaded, truth, loaded, meter, mapPoints } = view;
  const part = useSelection((state) => state.parts.at(-1) ?? null);
  const isTolerance = unloaded.ok && (view.view === 'tolerance' || (inSetups && view.setupView === 'tolerance'));
  const isSums = inSetups && view.setupView === 'sums' && unloaded.ok && meter && view.instrument && view.range;
  return (
    <>
      {inTrueValues && (
        <ViewChoice view={view.view} onChange={(next) => void navigate(`/bench/${jobId}/true-values/${next}`)} />
      )}
      {inSetups && meter && <SetupViews view={view} meter={meter.id} />}
      {view.view === 'circuit' || view.view === 'tolerance' ? (
        <StepCanvas view={view} whole={whole} onWhole={onWhole} />
      ) : (
        <Suspense fallback={fetching}>
          <TrueView view={view.view} network={job.network} unloaded={unloaded} />
        </Suspense>
      )}
      {step === 'network' && <EditStrip />}
      {mapPoints && meter && (
        <MapTable
          network={job.network}
          quantity={meter.quantity}
          points={mapPoints}
          onTake={(point) => {
            const moved = meterAt(meter, point, job.network);
            if (moved) benchNow().edit((current) => putMeter(current, view.setup!, moved));
            view.showSetupView('setup');
          }}
        />
      )}
      {isSums && (
        <SumsAsRead
          unloaded={unloaded.value}
          instrument={view.instrument!}
          range={view.range!}
          quantity={meter.quantity}
        />
      )}
      {isTolerance && (
        <Suspense fallback={fetching}>
          <Tolerance
            network={job.network}
            instruments={view.instruments}
            truth={truth}
            metered={
              inSetups && view.shown && loaded && view.chosen
                ? { setup: view.shown, values: loaded, chosen: view.chosen }
                : null
            }
          />
        </Suspense>
      )}
      {!whole && !inTrueValues && !mapPoints && !isSums && !isTolerance && (
        <ValuesTable
          network={job.network}
          truth={truth}
          loaded={inSetups ? loaded : null}
          selected={inSetups ? null : part}
        />
      )}
    </>
  );
}

function SetupViews({
  view: { setupView, showSetupView },
  meter,
}: {
  readonly view: BenchView;
  readonly meter: string;
}) {
  return (
    <div className="shrink-0 px-4 pt-2">
      <Segments
        label="What the sheet shows"
        value={setupView}
        options={[
          { value: 'setup', text: 'This set-up' },
          { value: 'map', text: `Loading map of ${meter}` },
          { value: 'sums', text: 'Sums as read' },
          { value: 'tolerance', text: 'Tolerance' },
        ]}
        onChange={showSetupView}
      />
    </div>
  );
}

const fetching = <p className="p-4 text-soft">Fetching it …</p>;
