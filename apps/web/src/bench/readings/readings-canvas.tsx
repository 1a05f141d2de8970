import { formatQuantity } from '@usual-drag/core/quantity';
import { unitOf } from '@usual-drag/core/instrument';
import { solveSetup, setupFaults, type Meter, type Setup } from '@usual-drag/core/loading';
import { withFault, faultSentence } from '@usual-drag/core/faults';
import { readingsAt, type PlanStep } from '@usual-drag/core/plan';
import { trueValuesOf } from '@usual-drag/core/job';
import { useEffect, useMemo } from 'react';
import type { Zoom } from '../../drawing/zoom.ts';
import { BenchCanvas } from '../canvas/bench-canvas.tsx';
import { liveLines } from '../canvas/live-lines.ts';
import type { BenchView } from '../model/use-bench-view.ts';
import { useSelection } from '../model/selection.ts';
import { useTried } from '../model/tried.ts';
import { useReadingHabits } from '../model/reading-habits.ts';
import { useReadingEntry } from '../model/reading-entry.ts';
import { shownIn } from './plan/taken-here.tsx';
import { useReadings } from './use-readings.ts';

/** The drawing while readings are taken: the leads where they belong, the break open, the reading beside its expectation. */
export function ReadingsCanvas({ view, zoom }: { readonly view: BenchView; readonly zoom: Zoom }) {
  const readings = useReadings(view);
  const free = useReadingEntry((state) => state.free);
  const { hidesExpected } = useReadingHabits();
  const tried = useTried(view.jobId);
  const { network, instruments } = useMemo(
    () =>
      tried
        ? withFault({ network: view.network, instruments: view.instruments }, tried)
        : { network: view.network, instruments: view.instruments },
    [tried, view.network, view.instruments],
  );
  const unloaded = useMemo(() => (tried ? trueValuesOf(network) : view.unloaded), [tried, network, view.unloaded]);
  const truth = unloaded.ok ? unloaded.value.values : null;
  const live = useMemo(() => (tried && truth ? liveLines(truth) : undefined), [tried, truth]);
  const { open } = readings;
  const meter = useMemo((): Meter | null => {
    if (free) return free.quantity === 'resistance' ? null : { ...free, id: nameOf(free) };
    if (open?.do !== 'read' || open.quantity === 'resistance') return null;
    const { instrument, range } = open;
    const name = nameOf(open);
    return open.quantity === 'dc-voltage'
      ? { id: name, instrument, range, quantity: 'dc-voltage', red: open.red, black: open.black }
      : {
          id: name,
          instrument,
          range,
          quantity: 'dc-current',
          node: open.node,
          ends: open.ends,
          ...(open.reversed && { reversed: true }),
        };
  }, [free, open]);
  const alongside = free?.alongside;
  const setup = useMemo(
    (): Setup | null => (meter ? { id: 'reading', meters: [meter, ...(alongside ?? [])] } : null),
    [meter, alongside],
  );
  const values = useMemo(() => {
    if (!setup || !unloaded.ok || setupFaults(network, instruments, setup).length > 0) return null;
    const solved = solveSetup(unloaded.value, instruments, setup);
    return solved.ok ? solved.value : null;
  }, [setup, unloaded, network, instruments]);
  const name = meter ? meter.id : 'V';
  const taken = !free && open?.do === 'read' ? readingsAt(readings.readings, open).at(-1) : undefined;
  const indicated = values?.meters[name]?.indicated;
  const lines = useMemo(() => {
    const last = taken && shownIn({ ...taken, observations: taken.observations.slice(-1) });
    if (!meter || indicated == null || (hidesExpected && !last)) return { [name]: last ? [last] : [] };
    const expected = formatQuantity(indicated, unitOf(meter.quantity), { digits: 3 });
    return { [name]: last ? [last, `expected ${expected}`] : [expected, 'expected'] };
  }, [name, taken, meter, indicated, hidesExpected]);
  useEffect(() => {
    if (open) useSelection.setState({ parts: partsOf(open), rail: null });
  }, [open]);
  const place = (next: Meter): void => useReadingEntry.setState({ free: next, again: null });
  return (
    <BenchCanvas
      network={network}
      {...(live && { live })}
      truth={truth}
      zoom={zoom}
      legend={tried ? `tried: ${faultSentence(tried)}` : 'the leads of the open step'}
      selectable
      drawn={
        setup && values
          ? {
              setup,
              values,
              chosen: name,
              lines,
              onPreview: () => undefined,
              onCancel: () => undefined,
              onPlace: place,
              onChoose: () => undefined,
            }
          : null
      }
    />
  );
}

/** Parts that a step reads: the resistor that is taken out, those whose current goes through the meter. */
function partsOf(step: PlanStep): readonly string[] {
  if (step.do !== 'read' || step.quantity === 'dc-voltage') return [];
  if (step.quantity === 'resistance') return [step.element];
  return step.ends.map((end) => end.replace(/\.(from|to)$/, ''));
}

/** A letter fits the meter in the drawing. */
const nameOf = ({ quantity }: { readonly quantity: string }): string => (quantity === 'dc-voltage' ? 'V' : 'A');
