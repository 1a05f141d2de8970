import { formatQuantity, putMeter, type Meter, type NetworkValues } from '@usual-drag/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { jobQuery, kitQuery } from '../api/jobs.ts';
import { Segments } from '../ui/segments.tsx';
import { useSetupValues, useStandings, useUnloaded } from './analysis.ts';
import { startAutosave } from './autosave.ts';
import { BenchDrawing } from './bench-drawing.tsx';
import { openOnBench, redo, undo, useBench } from './bench-store.ts';
import { ConflictBanner } from './conflict-banner.tsx';
import { findDraft } from './drafts.ts';
import { NetworkStation } from './network/network-station.tsx';
import { SetupsStation } from './setups/setups-station.tsx';
import { StationStrip } from './station-strip.tsx';
import { Worksheet } from './worksheet.tsx';

/** Opens a job from the server and puts it on the bench, with what this browser had not saved of it. */
export function BenchPage() {
  const { jobId = '' } = useParams();
  // Read once: from here on the bench is ahead of the server, and a second answer would undo what was typed.
  const { data, error } = useQuery({ ...jobQuery(jobId), staleTime: Infinity, gcTime: 0 });
  const opened = useBench((state) => state.jobId);

  useEffect(() => {
    if (!data) return;
    const draft = findDraft(data.id);
    openOnBench(data);
    const stop = startAutosave();
    if (draft) {
      if (draft.revision !== data.revision) useBench.setState({ save: { kind: 'conflict', theirs: data } });
      useBench.getState().edit(() => draft.document);
    }
    return stop;
  }, [data]);

  if (error)
    return (
      <div className="p-8">
        <p className="mb-2 text-lg">{error.message}</p>
        <Link className="underline" to="/">
          To the list of jobs
        </Link>
      </div>
    );
  if (!data || opened !== jobId) return <p className="p-8 text-soft">Opening the job …</p>;
  return <Bench />;
}

function Bench() {
  const { jobId = '', station = 'setups', setupId } = useParams();
  const navigate = useNavigate();
  const job = useBench((state) => state.document);
  const save = useBench((state) => state.save);
  const edit = useBench((state) => state.edit);
  const { data: kit = [] } = useQuery(kitQuery);
  const [spacing, setSpacing] = useState<'even' | 'scale'>('scale');
  const [part, setPart] = useState<string | null>(null);
  const [chosenMeter, setChosenMeter] = useState<string | null>(null);
  const [held, setHeld] = useState<Meter | null>(null);
  useHotkeys('mod+z', undo, everywhereButInTyping);
  useHotkeys('mod+shift+z, mod+y', redo, everywhereButInTyping);

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
  const chosen = setup?.meters.find(({ id }) => id === chosenMeter)?.id ?? setup?.meters[0]?.id ?? null;
  const live = useMemo(
    () => (inSetups && loaded ? liveLines(loaded) : truth ? liveLines(truth) : undefined),
    [inSetups, loaded, truth],
  );

  if (station !== 'network' && station !== 'setups') return <Navigate to={`/bench/${jobId}/setups`} replace />;
  return (
    <div className="flex h-full min-h-0 flex-col">
      {save.kind === 'conflict' && <ConflictBanner theirs={save.theirs} />}
      <StationStrip jobId={jobId} standings={standings} />
      <div className="flex min-h-0 grow flex-col overflow-y-auto lg:flex-row lg:overflow-hidden">
        <main className="flex min-h-[30rem] min-w-0 grow flex-col bg-sheet lg:min-h-0">
          <div className="flex flex-wrap items-center gap-3 px-4 pt-3">
            <Segments
              label="Spacing of the rails"
              value={spacing}
              options={[
                { value: 'scale', text: 'To scale' },
                { value: 'even', text: 'Even' },
              ]}
              onChange={setSpacing}
            />
            <p className="ml-auto text-[14px] text-soft">{legend(inSetups && loaded !== null, spacing)}</p>
          </div>
          <BenchDrawing
            network={job.network}
            truth={truth}
            spacing={spacing}
            {...(live && { live })}
            selected={inSetups ? null : part}
            {...(!inSetups && { onSelect: setPart })}
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
          <Worksheet
            network={job.network}
            truth={truth}
            loaded={inSetups ? loaded : null}
            selected={inSetups ? null : part}
          />
        </main>
        <aside
          aria-label="Station"
          className="shrink-0 overflow-y-auto border-line bg-ground p-4 lg:w-[456px] lg:border-l"
        >
          {inSetups ? (
            <SetupsStation
              setup={setup}
              shown={shown}
              values={values}
              kit={kit}
              chosen={chosen}
              onChooseSetup={(id) => void navigate(`/bench/${jobId}/setups/${id}`)}
              onChooseMeter={setChosenMeter}
            />
          ) : (
            <NetworkStation unloaded={unloaded} selected={part} onSelect={setPart} />
          )}
        </aside>
      </div>
    </div>
  );
}

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

function legend(metered: boolean, spacing: 'even' | 'scale'): string {
  const scale = spacing === 'scale' ? 'height is potential; zigzag: axis stretched' : 'evenly spaced';
  return metered ? `dashed: unloaded · solid: with the meters in · ${scale}` : scale;
}
