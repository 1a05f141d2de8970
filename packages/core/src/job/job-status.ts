import type { MeterState } from '../instrument/index.ts';
import { meterStateWords, networkCautions, readableError, type MeterReading, type Unloaded } from '../loading/index.ts';
import { deviationOf } from '../network/index.ts';
import type { Result } from '../result.ts';
import { nodeSums } from '../solver/index.ts';
import type { Job, JobFault } from './job.ts';
import { setupValuesOf } from './solved-values.ts';

/** Progress of a job, step by step. */
export interface JobStatus {
  readonly parts: number;
  readonly nodes: number;
  /** Resistors measured outside their tolerance. */
  readonly outOfTolerance: number;
  readonly solved: boolean;
  readonly cautions: number;
  /** Whether the currents at every node add up; null if it is not solved. */
  readonly sumsClose: boolean | null;
  readonly setups: number;
  /** Relative error of the largest size among the meters that can be read; null if none has one. */
  readonly worstError: number | null;
  /** Meters that cannot be read. */
  readonly unreadable: readonly UnreadableMeter[];
}

/** A meter that is over range, reversed, blown or not in a circuit. */
export interface UnreadableMeter {
  readonly setup: string;
  readonly meter: string;
  readonly state: Exclude<MeterState, 'ok'>;
}

/** Returns which meters of a job cannot be read: `V1 over range`, or their number; empty if all can. */
export function unreadableWords(unreadable: readonly UnreadableMeter[]): string {
  const [only, ...more] = unreadable;
  if (!only) return '';
  return more.length > 0
    ? `${unreadable.length} meters cannot be read`
    : `${only.meter} ${meterStateWords[only.state]}`;
}

/** Returns the figures of a job that the list of jobs shows. */
export function jobStatus(
  { network, setups = [], instruments = [] }: Job,
  unloaded: Result<Unloaded, JobFault>,
): JobStatus {
  const { elements } = network;
  const meters = setups.flatMap((setup) => {
    const solved = setupValuesOf(unloaded, instruments, setup);
    return solved.ok
      ? Object.entries<MeterReading>(solved.value.meters).map(([meter, reading]) => ({
          setup: setup.id,
          meter,
          reading,
        }))
      : [];
  });
  const errors = meters.flatMap(({ reading }) => readableError(reading) ?? []);
  const unreadable = meters.flatMap(({ setup, meter, reading: { state } }) =>
    state === 'ok' ? [] : [{ setup, meter, state }],
  );
  const values = unloaded.ok ? unloaded.value : null;
  return {
    parts: elements.length,
    nodes: new Set(elements.flatMap((element) => [element.from, element.to])).size,
    outOfTolerance: elements.filter((e) => e.kind === 'resistor' && deviationOf(e)?.within === false).length,
    solved: unloaded.ok,
    cautions: values ? networkCautions(values.network, values.values).length : 0,
    sumsClose: values && nodeSums(values.network, values.values).every(({ left, closes }) => left === null || closes),
    setups: setups.length,
    unreadable,
    worstError:
      errors.length === 0 ? null : errors.reduce((most, error) => (Math.abs(error) > Math.abs(most) ? error : most), 0),
  };
}
