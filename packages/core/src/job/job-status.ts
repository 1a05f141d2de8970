import { networkCautions, type MeterReading, type Unloaded } from '../loading/index.ts';
import { deviationOf } from '../network/index.ts';
import type { Result } from '../result.ts';
import { nodeSums } from '../solver/index.ts';
import type { Job, JobFault } from './job.ts';
import { setupValuesOf } from './solved-values.ts';

/** How far a job is, step by step. */
export interface JobStatus {
  readonly parts: number;
  readonly nodes: number;
  /** Resistors measured outside their tolerance. */
  readonly outOfTolerance: number;
  readonly solved: boolean;
  readonly cautions: number;
  /** Whether the currents at every node add up; null where it is not solved. */
  readonly sumsClose: boolean | null;
  readonly setups: number;
  /** The relative error of the largest size among all meters; null where no meter has one. */
  readonly worstError: number | null;
}

export function jobStatus(
  { network, setups = [], instruments = [] }: Job,
  unloaded: Result<Unloaded, JobFault>,
): JobStatus {
  const { elements } = network;
  const errors = setups
    .map((setup) => setupValuesOf(unloaded, instruments, setup))
    .flatMap((solved) => (solved.ok ? Object.values<MeterReading>(solved.value.meters) : []))
    .flatMap(({ relativeError }) => relativeError ?? []);
  const values = unloaded.ok ? unloaded.value : null;
  return {
    parts: elements.length,
    nodes: new Set(elements.flatMap((element) => [element.from, element.to])).size,
    outOfTolerance: elements.filter((e) => e.kind === 'resistor' && deviationOf(e)?.within === false).length,
    solved: unloaded.ok,
    cautions: values ? networkCautions(values.network, values.values).length : 0,
    sumsClose: values && nodeSums(values.network, values.values).every(({ left, closes }) => left === null || closes),
    setups: setups.length,
    worstError:
      errors.length === 0 ? null : errors.reduce((most, error) => (Math.abs(error) > Math.abs(most) ? error : most), 0),
  };
}
