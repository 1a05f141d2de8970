import { meterAt } from '@usual-drag/core/loading';
import { putMeter } from '@usual-drag/core/job';
import { Suspense, useCallback, useState } from 'react';
import { useNavigate } from 'react-router';
import { useZoom, type Zoom } from '../drawing/zoom.ts';
import { fetchedLater } from '../ui/fetched-later.ts';
import { Panel } from '../ui/panel.tsx';
import { CanvasToolbar } from './canvas/canvas-toolbar.tsx';
import { ValuesTable } from './canvas/values-table.tsx';
import { benchNow } from './model/bench-store.ts';
import { useSelection } from './model/selection.ts';
import type { BenchView } from './model/use-bench-view.ts';
import { SheetHeader } from './sheet-header.tsx';
import { StepCanvas } from './step-canvas.tsx';

const TrueView = fetchedLater(async () => (await import('./true-values/true-view.tsx')).TrueView);
const SetupComparison = fetchedLater(async () => (await import('./setups/setup-comparison.tsx')).SetupComparison);
const EditStrip = fetchedLater(async () => (await import('./network/edit-strip.tsx')).EditStrip);
const IndicatedSums = fetchedLater(async () => (await import('./setups/indicated-sums.tsx')).IndicatedSums);
const MapTable = fetchedLater(async () => (await import('./setups/map-table.tsx')).MapTable);
const ReadingsBelow = fetchedLater(async () => (await import('./readings/readings-below.tsx')).ReadingsBelow);
const ReadingsCanvas = fetchedLater(async () => (await import('./readings/readings-canvas.tsx')).ReadingsCanvas);
const ReportPaper = fetchedLater(async () => (await import('./report/report-paper.tsx')).ReportPaper);
const BuildBoard = fetchedLater(async () => (await import('./board/build-board.tsx')).BuildBoard);
const ReadingsBoard = fetchedLater(async () => (await import('./readings/readings-board.tsx')).ReadingsBoard);
const Tolerance = fetchedLater(async () => (await import('./tolerance/tolerance.tsx')).Tolerance);

interface Props {
  readonly view: BenchView;
  readonly whole: boolean;
  readonly onWhole: () => void;
}

/** The sheet of the step that is open: its views, the drawing or what is there instead, and the figures below. */
export function BenchSheet({ view, whole, onWhole }: Props) {
  const [tidied, setTidied] = useState(0);
  const tidy = useCallback(() => setTidied((times) => times + 1), []);
  const zoom = useZoom();
  const { job, step, inSetups, inTrueValues, unloaded, truth, loaded, meter, mapPoints } = view;
  const part = useSelection((state) => state.parts.at(-1) ?? null);
  /** View in place of the drawing. */
  const undrawn = view.view === 'circuit' || view.view === 'tolerance' ? null : view.view;
  const isTolerance = unloaded.ok && (view.view === 'tolerance' || (inSetups && view.setupView === 'tolerance'));
  const isSums = inSetups && view.setupView === 'sums' && unloaded.ok && meter && view.instrument && view.range;
  const isCompared = inSetups && view.setupView === 'compare' && unloaded.ok;
  const navigate = useNavigate();
  if (view.inReport)
    return (
      <Panel name="The report">
        <ReportPaper view={view} />
      </Panel>
    );
  return (
    <>
      <SheetHeader view={view}>
        {undrawn === null && (
          <CanvasToolbar
            zoom={zoom}
            whole={whole}
            onWhole={onWhole}
            onTidy={tidy}
            roomFrom={inTrueValues ? 'wide' : 'narrow'}
            onBoard={view.onBoard}
          />
        )}
      </SheetHeader>
      <Drawing view={view} zoom={zoom} tidied={tidied} undrawn={undrawn} />
      {step === 'network' && !view.onBoard && (
        <Suspense fallback={<div className="min-h-[45px] shrink-0" />}>
          <EditStrip />
        </Suspense>
      )}
      {mapPoints && meter && view.instrument && view.range && (
        <Panel name="The loading map">
          <MapTable
            network={job.network}
            instrument={view.instrument}
            range={view.range}
            quantity={meter.quantity}
            points={mapPoints}
            onTake={(point) => {
              const moved = meterAt(meter, point, job.network);
              if (moved) benchNow().edit((current) => putMeter(current, view.setup!, moved));
              view.showSetupView('setup');
            }}
          />
        </Panel>
      )}
      {isSums && (
        <Panel name="The indicated sums">
          <IndicatedSums
            unloaded={unloaded.value}
            instrument={view.instrument!}
            range={view.range!}
            quantity={meter.quantity}
          />
        </Panel>
      )}
      {isCompared && (
        <Panel name="The comparison">
          <SetupComparison
            setups={job.setups ?? []}
            instruments={view.instruments}
            unloaded={unloaded.value}
            open={view.setup?.id}
            onOpen={(id) => void navigate(`/bench/${view.jobId}/setups/${id}`)}
          />
        </Panel>
      )}
      {isTolerance && (
        <Panel name="Tolerance">
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
        </Panel>
      )}
      {view.inReadings && !view.onBoard && !whole && (
        <Panel name="The log">
          <ReadingsBelow view={view} />
        </Panel>
      )}
      {!whole &&
        !view.onBoard &&
        !view.inReadings &&
        !inTrueValues &&
        !mapPoints &&
        !isSums &&
        !isTolerance &&
        !isCompared && (
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

interface DrawingProps {
  readonly view: BenchView;
  readonly zoom: Zoom;
  /** How often the layout was tidied. */
  readonly tidied: number;
  /** View in place of the drawing; null if the drawing is shown. */
  readonly undrawn: Exclude<BenchView['view'], 'circuit' | 'tolerance'> | null;
}

/** The circuit, the strip board, or the view that is there instead. */
function Drawing({ view, zoom, tidied, undrawn }: DrawingProps) {
  if (view.onBoard)
    return (
      <Panel name="The strip board">
        {view.inReadings ? <ReadingsBoard view={view} zoom={zoom} /> : <BuildBoard view={view} zoom={zoom} />}
      </Panel>
    );
  if (view.inReadings)
    return (
      <Panel name="The drawing">
        <ReadingsCanvas key={tidied} view={view} zoom={zoom} />
      </Panel>
    );
  if (undrawn === null) return <StepCanvas key={tidied} view={view} zoom={zoom} />;
  return (
    <Panel key={undrawn} name="This view">
      <TrueView view={undrawn} unloaded={view.unloaded} />
    </Panel>
  );
}
