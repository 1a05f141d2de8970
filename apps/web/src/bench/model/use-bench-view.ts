import { findRange, type Instrument } from '@usual-drag/core/instrument';
import { loadingMap, type MapPoint, type Meter, type Setup } from '@usual-drag/core/loading';
import { withFault } from '@usual-drag/core/faults';
import { networkMeant } from '@usual-drag/core/job';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useWrongConnection } from './use-wrong-connection.ts';
import { isView, type View } from './true-value-views.ts';
import { useSetupValues, useUnloaded } from './analysis.ts';
import { useBench } from './bench-store.ts';
import { useTried } from './tried.ts';

/** Views of Set-ups. */
export const setupViews = [
  { value: 'setup', text: 'Circuit' },
  { value: 'map', text: 'Loading map' },
  { value: 'sums', text: 'Indicated sums' },
  { value: 'tolerance', text: 'Tolerance' },
] as const;
export type SetupView = (typeof setupViews)[number]['value'];

const noInstruments: readonly Instrument[] = [];

/** Everything that the open step shows of the job: which set-up and meter are chosen, what is solved, what is tried out. */
export function useBenchView() {
  const { jobId = '', step = 'setups', setupId } = useParams();
  const job = useBench((state) => state.document);
  const [chosenMeter, chooseMeter] = useState<string | null>(null);
  /** A meter while its lead is dragged. */
  const [held, hold] = useState<Meter | null>(null);
  const [setupView, showSetupView] = useState<SetupView>('setup');
  const inSetups = step === 'setups';
  const inTrueValues = step === 'true-values';
  const inReadings = step === 'readings';
  const inReport = step === 'report';
  const own = job.instruments ?? noInstruments;
  const network = networkMeant(job);
  const sound = useUnloaded(network);
  const tried = useTried(jobId);
  // What it is about may be gone from the network since.
  const isThere = tried?.where.every((about) => [...network.elements, ...own].some(({ id }) => id === about));
  const inFault = isThere && (inSetups || inTrueValues) ? tried : null;
  const bench = useMemo(() => inFault && withFault({ network, instruments: own }, inFault), [inFault, network, own]);
  const faulty = useUnloaded(bench?.network ?? null);
  const unloaded = faulty ?? sound;
  const instruments = bench?.instruments ?? own;
  const setup = job.setups?.find(({ id }) => id === setupId) ?? job.setups?.[0];
  const soundValues = useSetupValues(sound, own, inFault && inSetups ? setup : undefined);
  const shown = useMemo(() => withHeld(setup, held), [setup, held]);
  const values = useSetupValues(unloaded, instruments, inSetups ? shown : undefined);
  const trial = useWrongConnection(unloaded, instruments, shown, values);
  const miswired = trial.outcome?.ok ? trial.outcome.value : null;
  const view: View = inTrueValues && isView(setupId) ? setupId : 'circuit';
  const chosen = setup?.meters.find(({ id }) => id === chosenMeter)?.id ?? setup?.meters[0]?.id ?? null;
  const meter = shown?.meters.find(({ id }) => id === chosen);
  const instrument = instruments.find(({ id }) => id === meter?.instrument);
  const range = meter && instrument && findRange(instrument, meter.quantity, meter.range);
  const isMapped = inSetups && setupView === 'map' && range !== undefined;
  const mapPoints = useMemo(
    (): readonly MapPoint[] | null =>
      isMapped && unloaded.ok && meter ? loadingMap(unloaded.value, meter.quantity, range.resistance) : null,
    [isMapped, unloaded, meter, range],
  );
  return {
    jobId,
    step,
    job,
    /** The job's network as its version of the format means it. */
    network,
    /** The network on the drawing: with the fault that is tried. */
    drawnNetwork: bench?.network ?? job.network,
    sound,
    /** The fault that is tried in this step, and the set-up's values without it. */
    tried: inFault,
    soundValues: soundValues?.ok ? soundValues.value : null,
    instruments,
    inSetups,
    inTrueValues,
    inReadings,
    inReport,
    /** Rest of the URL path after the step: a set-up, a view or a signed record. */
    setupId,
    unloaded,
    truth: unloaded.ok ? unloaded.value.values : null,
    /** The set-up as it is stored, and as it is shown while a lead is dragged. */
    setup,
    shown,
    values,
    trial,
    miswired,
    loaded: miswired?.values ?? (values?.ok ? values.value : null),
    view,
    setupView,
    showSetupView,
    chosen,
    chooseMeter,
    hold,
    meter,
    instrument,
    range,
    mapPoints,
  };
}

export type BenchView = ReturnType<typeof useBenchView>;

const withHeld = (setup: Setup | undefined, held: Meter | null): Setup | undefined =>
  setup && held ? { ...setup, meters: setup.meters.map((meter) => (meter.id === held.id ? held : meter)) } : setup;
