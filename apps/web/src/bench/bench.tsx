import { findRange, loadingMap, meterAt, putMeter, sharesByPart, showsLive, type Meter } from '@usual-drag/core';
import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { Suspense, useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, useNavigate, useParams } from 'react-router';
import { kitQuery } from '../api/lists.ts';
import { useZoom } from '../drawing/zoom.ts';
import { useSetupValues, useStepStatus, useUnloaded } from './model/analysis.ts';
import { BenchDrawing } from './canvas/bench-canvas.tsx';
import { redo, undo, useBench } from './model/bench-store.ts';
import { useDisplay } from './canvas/display.ts';
import { DrawingBar } from './canvas/canvas-toolbar.tsx';
import { currentsThrough, legend, liveLines, shareLines } from './canvas/live-lines.ts';
import { EditStrip } from './network/edit-strip.tsx';
import { useSelection } from './model/selection.ts';
import { useAfterPaint } from '../ui/after-paint.ts';
import { fetchedLater } from '../ui/fetched-later.ts';
import { Segments } from '../ui/segments.tsx';
import { MapTable } from './setups/map-table.tsx';
import { SumsAsRead } from './setups/sums-as-read.tsx';
import { SetupsStep } from './setups/setups-step.tsx';
import { useMistake } from './setups/use-mistake.ts';
import { StepTabs } from './step-tabs.tsx';
import { isView, ViewChoice, type View } from './true-values/view-choice.tsx';
import { Worksheet } from './canvas/values-table.tsx';

// What is not on the first screen is fetched when it is opened.
const NetworkStep = fetchedLater(async () => (await import('./network/network-step.tsx')).NetworkStep);
const TrueValuesStep = fetchedLater(async () => (await import('./true-values/true-values-step.tsx')).TrueValuesStep);
const TrueView = fetchedLater(async () => (await import('./true-values/true-view.tsx')).TrueView);
const Tolerance = fetchedLater(async () => (await import('./tolerance/tolerance.tsx')).Tolerance);

const steps = ['network', 'true-values', 'setups'];

/** The job on the bench: the drawing that stays through all steps, and the panel of the step that is open. */
export function Bench() {
  const { jobId = '', step = 'setups', setupId } = useParams();
  const navigate = useNavigate();
  const job = useBench((state) => state.document);
  const edit = useBench((state) => state.edit);
  const { data: kit = [] } = useQuery(kitQuery);
  const spacing = useDisplay((state) => state.spacing);
  const part = useSelection((state) => state.parts.at(-1) ?? null);
  const [chosenMeter, setChosenMeter] = useState<string | null>(null);
  const [held, setHeld] = useState<Meter | null>(null);
  const [whole, setWhole] = useState(false);
  const [sheet, setSheet] = useState<'setup' | 'map' | 'sums' | 'tolerance'>('setup');
  const [tidied, setTidied] = useState(0);
  const zoom = useZoom();
  const toggleWhole = useCallback(() => setWhole((now) => !now), []);
  const tidy = useCallback(() => setTidied((times) => times + 1), []);
  useHotkeys('mod+z', undo, everywhereButInTyping);
  useHotkeys('mod+shift+z, mod+y', redo, everywhereButInTyping);
  useHotkeys('f', toggleWhole);

  const setups = job.setups ?? [];
  const setup = setups.find(({ id }) => id === setupId) ?? setups[0];
  const shown = useMemo(
    () => (setup && held ? { ...setup, meters: setup.meters.map((m) => (m.id === held.id ? held : m)) } : setup),
    [setup, held],
  );
  const unloaded = useUnloaded(job.network);
  const inSetups = step === 'setups';
  const values = useSetupValues(unloaded, job.instruments ?? noInstruments, inSetups ? shown : undefined);
  const settled = useAfterPaint(useMemo(() => ({ job, unloaded }), [job, unloaded]));
  const status = useStepStatus(settled.job, settled.unloaded);
  const truth = unloaded.ok ? unloaded.value.values : null;
  const trial = useMistake(unloaded, job.instruments ?? noInstruments, shown, values);
  const mistaken = trial.outcome?.ok ? trial.outcome.value : null;
  const loaded = mistaken?.values ?? (values?.ok ? values.value : null);
  const inTrue = step === 'true-values';
  const view: View = inTrue && isView(setupId) ? setupId : 'circuit';
  const chosen = setup?.meters.find(({ id }) => id === chosenMeter)?.id ?? setup?.meters[0]?.id ?? null;
  const meter = shown?.meters.find(({ id }) => id === chosen);
  const instrument = job.instruments?.find(({ id }) => id === meter?.instrument);
  const range = meter && instrument && findRange(instrument, meter.quantity, meter.range);
  const mapped = inSetups && sheet === 'map' && range !== undefined;
  const points = useMemo(
    () => (mapped && unloaded.ok && meter ? loadingMap(unloaded.value, meter.quantity, range.resistance) : null),
    [mapped, unloaded, meter, range],
  );
  const summed = inSetups && sheet === 'sums' && unloaded.ok && meter && instrument && range;
  const tolerated = unloaded.ok && (view === 'tolerance' || (inSetups && sheet === 'tolerance'));
  // While the network is edited its drawing comes first; the figures beside the parts follow a frame later.
  const truthLater = useAfterPaint(truth);
  const told = inSetups && loaded ? loaded : step === 'network' ? truthLater : truth;
  const live = useMemo(() => {
    if (points) return shareLines(sharesByPart(job.network, points));
    return told && showsLive(job.network.elements.length) ? liveLines(told) : undefined;
  }, [points, job.network, told]);
  const arrows = useMemo(
    () => (inTrue && truth ? currentsThrough(job.network.elements, truth) : undefined),
    [inTrue, truth, job.network],
  );

  if (!steps.includes(step)) return <Navigate to={`/bench/${jobId}/setups`} replace />;
  return (
    <div className="flex h-full min-h-0 flex-col">
      <StepTabs jobId={jobId} status={status} />
      <div className="flex min-h-0 grow flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
        <main className="flex min-h-[30rem] min-w-0 grow flex-col bg-sheet lg:min-h-0">
          <h1 className="sr-only print:not-sr-only print:px-4 print:text-[20px] print:font-bold">
            {job.title ?? 'Untitled'}
          </h1>
          {inTrue && (
            <ViewChoice view={view} onChange={(next) => void navigate(`/bench/${jobId}/true-values/${next}`)} />
          )}
          {inSetups && meter && (
            <div className="shrink-0 px-4 pt-2">
              <Segments
                label="What the sheet shows"
                value={sheet}
                options={[
                  { value: 'setup', text: 'This set-up' },
                  { value: 'map', text: `Loading map of ${meter.id}` },
                  { value: 'sums', text: 'Sums as read' },
                  { value: 'tolerance', text: 'Tolerance' },
                ]}
                onChange={setSheet}
              />
            </div>
          )}
          {view === 'circuit' || view === 'tolerance' ? (
            <>
              <DrawingBar zoom={zoom} whole={whole} onWhole={toggleWhole} onTidy={tidy} />
              <BenchDrawing
                key={tidied}
                indicated={points !== null}
                network={job.network}
                truth={truth}
                zoom={zoom}
                {...(live && { live })}
                {...(arrows && { arrows })}
                legend={
                  points
                    ? `the error of ${chosen} ${meter?.quantity === 'dc-voltage' ? 'across' : 'in series with'} each part`
                    : legend(inSetups && loaded !== null, spacing)
                }
                selectable={!inSetups}
                editable={step === 'network'}
                drawn={
                  inSetups && shown && !points
                    ? {
                        setup: mistaken?.setup ?? shown,
                        values: loaded,
                        chosen,
                        onPreview: mistaken ? () => undefined : setHeld,
                        onCancel: () => setHeld(null),
                        onPlace: (meter) => {
                          setHeld(null);
                          // A wrong connection is taken off first: it is not what the job keeps.
                          if (mistaken) return trial.ask(null);
                          edit((current) => putMeter(current, setup!, meter));
                        },
                        onChoose: setChosenMeter,
                      }
                    : null
                }
              />
            </>
          ) : (
            <Suspense fallback={fetching}>
              <TrueView view={view} network={job.network} unloaded={unloaded} />
            </Suspense>
          )}
          {step === 'network' && <EditStrip />}
          {points && meter && (
            <MapTable
              network={job.network}
              quantity={meter.quantity}
              points={points}
              onTake={(point) => {
                const moved = meterAt(meter, point, job.network);
                if (moved) edit((current) => putMeter(current, setup!, moved));
                setSheet('setup');
              }}
            />
          )}
          {summed && (
            <SumsAsRead unloaded={unloaded.value} instrument={instrument} range={range} quantity={meter.quantity} />
          )}
          {tolerated && (
            <Suspense fallback={fetching}>
              <Tolerance
                network={job.network}
                instruments={job.instruments ?? noInstruments}
                truth={truth}
                metered={inSetups && shown && loaded && chosen ? { setup: shown, values: loaded, chosen } : null}
              />
            </Suspense>
          )}
          {!whole && !inTrue && !points && !summed && !tolerated && (
            <Worksheet
              network={job.network}
              truth={truth}
              loaded={inSetups ? loaded : null}
              selected={inSetups ? null : part}
            />
          )}
        </main>
        <aside
          aria-label="Step"
          className={clsx(
            'shrink-0 overflow-y-auto [contain:layout_paint] border-line bg-ground p-4 lg:border-l print:hidden',
            inTrue ? 'lg:w-[456px]' : 'lg:w-[488px]',
            whole && 'lg:hidden',
          )}
        >
          {inSetups && (
            <SetupsStep
              setup={setup}
              shown={shown}
              unloaded={unloaded}
              values={values}
              kit={kit}
              chosen={chosen}
              trial={trial}
              onChooseSetup={(id) => void navigate(`/bench/${jobId}/setups/${id}`)}
              onChooseMeter={setChosenMeter}
            />
          )}
          {step === 'network' && (
            <Suspense fallback={fetching}>
              <NetworkStep unloaded={unloaded} />
            </Suspense>
          )}
          {inTrue && (
            <Suspense fallback={fetching}>
              <TrueValuesStep unloaded={unloaded} />
            </Suspense>
          )}
        </aside>
      </div>
    </div>
  );
}

const fetching = <p className="p-4 text-soft">Fetching it …</p>;

/** Inside a field that is being typed in, undo is the field's own. */
const everywhereButInTyping = {
  preventDefault: true,
  enableOnFormTags: true,
  ignoreEventWhen: ({ target }: KeyboardEvent) => (target as HTMLElement).dataset.typing === 'true',
};

const noInstruments: readonly never[] = [];
