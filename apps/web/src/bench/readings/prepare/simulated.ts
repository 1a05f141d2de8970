import type { CircuitHypothesis } from '@usual-drag/core/faults';
import type { Observation, Reading } from '@usual-drag/core/readings';
import { networkMeant } from '@usual-drag/core/job';
import { drawFault, Draw, isHiddenAt, simulatedBench, type Level } from '@usual-drag/core/practice';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { benchNow } from '../../model/bench-store.ts';
import type { Placed } from '../entry/keep-reading.ts';

/** Which bench is simulated for a job. */
interface Simulated {
  /** Another one has other hidden values. */
  readonly number: number;
  /** Difficulty of its hidden fault; 0 for a sound bench. */
  readonly level: 0 | Level;
}

/** The simulated bench of each job, kept in this browser. */
export const useSimulated = create<Readonly<Record<string, Simulated>>>()(
  persist((): Readonly<Record<string, Simulated>> => ({}), { name: 'usual-drag-simulated-bench' }),
);

const first: Simulated = { number: 1, level: 0 };

/** Changes the bench that is simulated for the open job. */
export function setSimulated(change: Partial<Simulated>): void {
  const { jobId } = benchNow();
  if (jobId === null) return;
  useSimulated.setState((all) => ({ [jobId]: { ...first, ...all[jobId], ...change } }));
}

/** The bench that is simulated for the open job now. */
const simulatedNow = (): Simulated => useSimulated.getState()[benchNow().jobId ?? ''] ?? first;

/** Another bench of the same kind. */
export const anotherBench = (): void => setSimulated({ number: simulatedNow().number + 1 });

/** The fault that is hidden on the open job's simulated bench; null if it is sound. */
export function hiddenFault(): CircuitHypothesis | null {
  const { jobId, document } = benchNow();
  const { number, level } = simulatedNow();
  if (level === 0) return null;
  return drawFault(new Draw('bench', jobId ?? '', number, level), networkMeant(document), (one) =>
    isHiddenAt(level, one),
  );
}

/**
 * Returns the display of a meter of the open job at a place of its simulated bench.
 *
 * @param time  how many observations there were at this place before
 * @returns null if the place or the range is not there
 */
export function readSimulated(place: Placed, time: number): Observation | null {
  const { jobId, document } = benchNow();
  const { alongside, scale, ...rest } = place;
  const seed = new Draw('bench', jobId ?? '', simulatedNow().number).whole(1, 2 ** 30);
  const bench = simulatedBench(networkMeant(document), document.instruments ?? [], {
    seed,
    fault: hiddenFault(),
  });
  return bench.read({ ...rest, ...(alongside && { alongside }), ...(scale !== undefined && { scale }) }, time);
}

/** Returns the number of observations of some readings together: the next one flickers differently. */
export const observationsAt = (taken: readonly Reading[]): number =>
  taken.reduce((sum, { observations }) => sum + observations.length, 0);
