import { tryableFaults, type CircuitHypothesis, type Hypothesis } from '../faults/index.ts';
import type { Job } from '../job/index.ts';
import { nameInAnswer, offeredMistakes, unfitted } from './by-kind.ts';

/** A fault that can be named as an answer, and its name without its place. */
export interface NameableFault<Fault extends Hypothesis = Hypothesis> {
  readonly hypothesis: Fault;
  /** `open`, `wrong decade, × 10`, `written down with the wrong prefix`. */
  readonly name: string;
  /** `R1`, `R1 and R2`, `M3`. */
  readonly place: string;
}

/**
 * Returns every fault that a job's readings and parts may have, those of readings first; without the values that only a fit
 * would give.
 */
export const nameableFaults = ({
  network,
  readings = [],
}: Pick<Job, 'network' | 'readings'>): readonly NameableFault[] => [
  ...offeredMistakes.flatMap(({ of, name }) =>
    readings.map(({ id }): NameableFault => ({ hypothesis: of(id), name, place: id })),
  ),
  ...nameableCircuitFaults(network).map((one) => ({ ...one, hypothesis: unfitted(one.hypothesis) })),
];

/** Returns every fault that the parts of a network may have, one of each that has the same effect. */
export function nameableCircuitFaults(network: Job['network']): readonly NameableFault<CircuitHypothesis>[] {
  const seen = new Set<string>();
  return network.elements
    .flatMap((element) => tryableFaults(network, element))
    .flatMap((tryable): NameableFault<CircuitHypothesis>[] => {
      const { hypothesis } = tryable;
      const { fault, where, value } = hypothesis;
      const key = `${fault} ${[...where].sort().join()} ${String(value)}`;
      if (seen.has(key)) return [];
      seen.add(key);
      return [{ hypothesis, name: nameInAnswer(tryable), place: where.join(' and ') }];
    });
}
