import { faultsOnPurpose, type Hypothesis } from '../faults/index.ts';
import type { Job } from '../job/index.ts';

/** A fault that can be named for an answer, and what it is called apart from where it is. */
export interface NameableFault {
  readonly hypothesis: Hypothesis;
  /** `open`, `wrong decade, × 10`, `written down with the wrong prefix`. */
  readonly name: string;
  /** `R1`, `R1 and R2`, `M3`. */
  readonly place: string;
}

const ofReadings = {
  prefix: 'written down with the wrong prefix',
  'digits-swapped': 'two digits exchanged',
  'wrong-place': 'read at another place',
  'leads-swapped': 'leads swapped',
  'one-point': 'both leads on one point',
} as const;

/** Every fault that a job's readings and parts may have, those of readings first; without the values that only a fit would give. */
export function nameableFaults({
  network,
  readings = [],
}: Pick<Job, 'network' | 'readings'>): readonly NameableFault[] {
  const handling = (Object.keys(ofReadings) as (keyof typeof ofReadings)[]).flatMap((fault) =>
    readings.map(({ id }): NameableFault => ({
      hypothesis: { fault, where: [id], value: null },
      name: ofReadings[fault],
      place: id,
    })),
  );
  const fitted = new Set(['supply-value', 'out-of-tolerance', 'contact']);
  const plain = circuitFaults(network).map((one): NameableFault => {
    const { fault } = one.hypothesis;
    return fitted.has(fault) ? { ...one, hypothesis: { ...one.hypothesis, value: null } } : one;
  });
  return [...handling, ...plain];
}

/** Every fault that the parts of a network may have, one of each that does the same. */
export function circuitFaults(network: Job['network']): readonly NameableFault[] {
  const seen = new Set<string>();
  return network.elements
    .flatMap((element) => faultsOnPurpose(network, element))
    .flatMap(({ hypothesis, name }): NameableFault[] => {
      const { fault, where, value } = hypothesis;
      const key = `${fault} ${[...where].sort().join()} ${String(value)}`;
      if (seen.has(key)) return [];
      seen.add(key);
      const named = fault === 'swapped' ? 'exchanged' : fault === 'supply-value' ? 'set to another voltage' : name;
      return [{ hypothesis, name: named, place: where.join(' and ') }];
    });
}
