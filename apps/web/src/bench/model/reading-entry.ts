import type { Meter } from '@usual-drag/core/loading';
import type { Depth } from '@usual-drag/core/plan';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** A meter that is placed without the plan, and those connected with it; a resistor that is measured out of circuit. */
export type FreePlace = (
  | Meter
  | { readonly quantity: 'resistance'; readonly instrument: string; readonly range: string; readonly element: string }
) & {
  readonly alongside?: readonly Meter[];
  /** The range whose scale a needle is read from, where it is another. */
  readonly scale?: string;
  readonly rate?: string;
};

/** State of reading entry on the bench. It is not part of the job and is not undone. */
interface InHand {
  readonly jobId: string | null;
  readonly depth: Depth;
  /** Id of the plan's step that is open; null for the first that is still to be done. */
  readonly step: string | null;
  /** Checks that were ticked off, by step. */
  readonly ticked: Readonly<Record<string, readonly string[]>>;
  /** The origin of the reading that takes further observations. */
  readonly again: string | null;
  /** The last reading that was kept: its origin, and the name that it was kept under. */
  readonly last: { readonly origin: string; readonly id: string } | null;
  /** The step alone on the screen. */
  readonly large: boolean;
  readonly spoken: boolean;
  /** A meter placed without the plan. */
  readonly free: FreePlace | null;
  /** Readings of a whole plan that are being pasted; null if none are. */
  readonly listed: string | null;
  /** Typed text that is not stored yet, by its place. */
  readonly typed: Readonly<Record<string, string>>;
}

const nothing: InHand = {
  jobId: null,
  depth: 'parts',
  step: null,
  ticked: {},
  again: null,
  last: null,
  large: false,
  spoken: false,
  free: null,
  listed: null,
  typed: {},
};

export const useReadingEntry = create<InHand>()(() => nothing);

/** Ticks of the job that was on the bench last: they are part of what is signed, so a reload must not lose them. */
const useKeptTicks = create<Pick<InHand, 'jobId' | 'ticked'>>()(
  persist((): Pick<InHand, 'jobId' | 'ticked'> => ({ jobId: null, ticked: {} }), { name: 'usual-drag-ticks' }),
);

/** Begins the entry of readings for another job, with the ticks that were kept for it. */
export const takeInHand = (jobId: string): void => {
  if (useReadingEntry.getState().jobId === jobId) return;
  const kept = useKeptTicks.getState();
  const ticked = kept.jobId === jobId ? kept.ticked : {};
  useReadingEntry.setState({ ...nothing, jobId, ticked, large: isPhone() });
};

/** A phone shows the step alone. */
const isPhone = (): boolean => matchMedia('(max-width: 480px)').matches;

export const toggleLarge = (): void => useReadingEntry.setState(({ large }) => ({ large: !large }));

/** Opens the entry without the plan. If the panel of readings is not loaded yet, it resets the entry of another job when it loads. */
export function openFree(jobId: string, free: FreePlace): void {
  takeInHand(jobId);
  useReadingEntry.setState({ free, again: null });
}

/** Opens the field for the readings of a whole plan. */
export function openListed(jobId: string): void {
  takeInHand(jobId);
  useReadingEntry.setState({ listed: '', large: false });
}

export const openStep = (step: string): void => useReadingEntry.setState({ step, again: null, free: null });

export function tick(step: string, check: string): void {
  const { ticked } = useReadingEntry.getState();
  const own = ticked[step] ?? [];
  const next = own.includes(check) ? own.filter((other) => other !== check) : [...own, check];
  const all = { ...ticked, [step]: next };
  useReadingEntry.setState({ ticked: all });
  useKeptTicks.setState({ jobId: useReadingEntry.getState().jobId, ticked: all });
}

export const typeIn = (place: string, text: string): void =>
  useReadingEntry.setState(({ typed }) => ({ typed: { ...typed, [place]: text } }));
