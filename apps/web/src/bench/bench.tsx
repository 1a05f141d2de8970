import { formatQuantity, putMeter, type Meter, type NetworkValues } from '@usual-drag/core';
import { useQuery } from '@tanstack/react-query';
import clsx from 'clsx';
import { lazy, Suspense, useCallback, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Navigate, useNavigate, useParams } from 'react-router';
import { kitQuery } from '../api/jobs.ts';
import { useZoom } from '../drawing/zoom.ts';
import { useSetupValues, useStandings, useUnloaded } from './analysis.ts';
import { BenchDrawing } from './bench-drawing.tsx';
import { redo, undo, useBench } from './bench-store.ts';
import { ConflictBanner } from './conflict-banner.tsx';
import { useDisplay } from './display.ts';
import { DrawingBar } from './drawing-bar.tsx';
import { EditStrip } from './network/edit-strip.tsx';
import { NetworkStation } from './network/network-station.tsx';
import { useSelection } from './selection.ts';
import { SetupsStation } from './setups/setups-station.tsx';
import { StationStrip } from './station-strip.tsx';
import { isView, ViewChoice, type View } from './true-values/view-choice.tsx';
import { Worksheet } from './worksheet.tsx';

// What is not on the first screen is fetched when it is opened.
const TrueStation = lazy(() => import('./true-values/true-station.tsx').then((m) => ({ default: m.TrueStation })));
const TrueView = lazy(() => import('./true-values/true-view.tsx').then((m) => ({ default: m.TrueView })));

const stations = ['network', 'true-values', 'setups'];

/** The job on the bench: the drawing that stays through all stations, and the panel of the station that is open. */
export function Bench() {
  const { jobId = '', station = 'setups', setupId } = useParams();
  const navigate = useNavigate();
  const job = useBench((state) => state.document);
  const save = useBench((state) => state.save);
  const edit = useBench((state) => state.edit);
  const { data: kit = [] } = useQuery(kitQuery);
  const spacing = useDisplay((state) => state.spacing);
  const part = useSelection((state) => state.parts.at(-1) ?? null);
  const [chosenMeter, setChosenMeter] = useState<string | null>(null);
  const [held, setHeld] = useState<Meter | null>(null);
  const [whole, setWhole] = useState(false);
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
  const values = useSetupValues(unloaded, job.instruments ?? noInstruments, shown);
  const standings = useStandings(job, unloaded);
  const truth = unloaded.ok ? unloaded.value.values : null;
  const loaded = values?.ok ? values.value : null;
  const inSetups = station === 'setups';
  const inTrue = station === 'true-values';
  const view: View = inTrue && isView(setupId) ? setupId : 'circuit';
  const chosen = setup?.meters.find(({ id }) => id === chosenMeter)?.id ?? setup?.meters[0]?.id ?? null;
  const live = useMemo(
    () => (inSetups && loaded ? liveLines(loaded) : truth ? liveLines(truth) : undefined),
    [inSetups, loaded, truth],
  );
  const arrows = useMemo(
    () => (inTrue && truth ? currentsThrough(job.network.elements, truth) : undefined),
    [inTrue, truth, job.network],
  );

  if (!stations.includes(station)) return <Navigate to={`/bench/${jobId}/setups`} replace />;
  return (
    <div className="flex h-full min-h-0 flex-col">
      {save.kind === 'conflict' && <ConflictBanner theirs={save.theirs} />}
      <StationStrip jobId={jobId} standings={standings} />
      <div className="flex min-h-0 grow flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
        <main className="flex min-h-[30rem] min-w-0 grow flex-col bg-sheet lg:min-h-0">
          <h1 className="sr-only">{job.title ?? 'Untitled'}</h1>
          {inTrue && (
            <ViewChoice view={view} onChange={(next) => void navigate(`/bench/${jobId}/true-values/${next}`)} />
          )}
          {view === 'circuit' ? (
            <>
              <DrawingBar zoom={zoom} whole={whole} onWhole={toggleWhole} onTidy={tidy} />
              <BenchDrawing
                key={tidied}
                network={job.network}
                truth={truth}
                zoom={zoom}
                {...(live && { live })}
                {...(arrows && { arrows })}
                legend={legend(inSetups && loaded !== null, spacing)}
                selectable={!inSetups}
                editable={station === 'network'}
                drawn={
                  inSetups && shown
                    ? {
                        setup: shown,
                        values: loaded,
                        chosen,
                        onPreview: setHeld,
                        onCancel: () => setHeld(null),
                        onPlace: (meter) => {
                          setHeld(null);
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
          {station === 'network' && <EditStrip />}
          {!whole && !inTrue && (
            <Worksheet
              network={job.network}
              truth={truth}
              loaded={inSetups ? loaded : null}
              selected={inSetups ? null : part}
            />
          )}
        </main>
        <aside
          aria-label="Station"
          className={clsx(
            'shrink-0 overflow-y-auto [contain:layout_paint] border-line bg-ground p-4 lg:border-l print:hidden',
            station === 'network' ? 'lg:w-[488px]' : 'lg:w-[456px]',
            whole && 'lg:hidden',
          )}
        >
          {inSetups && (
            <SetupsStation
              setup={setup}
              shown={shown}
              values={values}
              kit={kit}
              chosen={chosen}
              onChooseSetup={(id) => void navigate(`/bench/${jobId}/setups/${id}`)}
              onChooseMeter={setChosenMeter}
            />
          )}
          {station === 'network' && <NetworkStation unloaded={unloaded} />}
          {inTrue && (
            <Suspense fallback={fetching}>
              <TrueStation unloaded={unloaded} />
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

function liveLines(values: NetworkValues): Record<string, string> {
  return Object.fromEntries(
    Object.entries(values.elements).map(([id, { voltage, current }]) => [
      id,
      `${formatQuantity(voltage, 'V', { digits: 3 })} · ${formatQuantity(current, 'A', { digits: 3 })}`,
    ]),
  );
}

/** A from → to through every part; a source's own value is given out of `from`. */
const currentsThrough = (
  elements: readonly { readonly id: string; readonly kind: string }[],
  values: NetworkValues,
): Record<string, number | null> =>
  Object.fromEntries(
    elements.map(({ id, kind }) => {
      const current = values.elements[id]?.current ?? null;
      return [id, current !== null && (kind === 'source' || kind === 'current-source') ? -current : current];
    }),
  );

function legend(metered: boolean, spacing: 'even' | 'scale'): string {
  const scale = spacing === 'scale' ? 'height is potential; zigzag: axis stretched' : '';
  return metered
    ? ['dashed: unloaded · solid: with the meters in', scale].filter((text) => text !== '').join(' · ')
    : scale;
}
