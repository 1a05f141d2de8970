import type { Observation, Reading } from '@usual-drag/core/readings';
import type { PlanStep, ReadStep } from '@usual-drag/core/plan';
import { addObservation, addReading, nextReadingId, readingOrigin } from '@usual-drag/core/job';
import { usePerson } from '../../../ui/person.ts';
import { benchNow } from '../../model/bench-store.ts';
import { tryFault } from '../../model/try-fault.ts';
import { useReadingEntry, type FreePlace } from '../../model/reading-entry.ts';

/** Origin of a number that was not typed. */
export type Origin = Pick<Reading, 'source' | 'note'>;

/** Stores the display at a place; with `stay` further observations go to the same reading. */
export function keepReading(place: Placed, observation: Observation, stay: boolean, origin: Origin = {}): void {
  const { again } = useReadingEntry.getState();
  const { jobId, document, edit } = benchNow();
  const open = document.readings?.find((one) => readingOrigin(one) === again && one.struck === undefined);
  const { person } = usePerson.getState();
  const by = person === '' ? document.record?.by : person;
  const kept: Reading = open ?? {
    id: nextReadingId(document.readings ?? []),
    ...place,
    observations: [observation],
    ...(by && { by }),
    ...origin,
  };
  if (open) edit((job) => addObservation(job, open.id, observation));
  else edit((job) => addReading(job, kept));
  const known = readingOrigin(kept);
  useReadingEntry.setState({ last: { origin: known, id: kept.id }, again: stay ? known : null });
  tryFault(jobId, null);
}

/** A place, with the instrument and range it is read on. */
export type Placed = PlaceOf<Reading>;
type PlaceOf<R> = R extends Reading ? Omit<R, 'id' | 'observations'> : never;

/** Returns whether a reading was taken with an instrument, range and rate: its uncertainty is then that of theirs. */
export const isTakenWith = (
  reading: Reading,
  { instrument, range, rate }: Pick<Reading, 'instrument' | 'range' | 'rate'>,
) => reading.instrument === instrument && reading.range === range && reading.rate === rate;

/** Returns a step's measurement point, instrument and range as a reading stores them. */
export function placedAt(step: ReadStep): Placed {
  const { instrument, range, rate } = step;
  const base = { instrument, range, ...(rate !== undefined && { rate }) };
  switch (step.quantity) {
    case 'dc-voltage':
      return {
        ...base,
        quantity: step.quantity,
        red: step.red,
        black: step.black,
        ...(step.unloaded !== undefined && { unloaded: step.unloaded }),
      };
    case 'dc-current':
      return {
        ...base,
        quantity: step.quantity,
        node: step.node,
        ends: step.ends,
        ...(step.reversed && { reversed: true }),
      };
    case 'resistance':
      return { ...base, quantity: step.quantity, element: step.element };
  }
}

/** A meter placed without the plan as a reading keeps it. */
export function placedFree(free: FreePlace): Placed {
  if (free.quantity === 'resistance') return free;
  if (free.quantity === 'dc-voltage') {
    const { id: _name, ...place } = free;
    return place;
  }
  const { id: _name, ...place } = free;
  return place;
}

/** Opens the next step, or the one before. */
export function openStep(steps: readonly PlanStep[], from: PlanStep | null, by: 1 | -1): void {
  const index = steps.findIndex(({ id }) => id === from?.id);
  const next = steps[Math.min(Math.max(0, index + by), steps.length - 1)];
  if (next) useReadingEntry.setState({ step: next.id, again: null, free: null });
}
