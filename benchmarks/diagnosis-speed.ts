import { diagnose, twoFaults } from '@usual-drag/core/diagnosis';
import { withFault, type Bench } from '@usual-drag/core/faults';
import type { Job } from '@usual-drag/core/job';
import { solveUnloaded } from '@usual-drag/core/loading';
import type { Network } from '@usual-drag/core/network';
import type { Reading } from '@usual-drag/core/readings';
import { duration, line, secondsOf } from './measure.ts';
import { mesh } from './networks.ts';
import { currents, digital, needle, nodeVoltages, partVoltages, readAll, seeded } from './sample-readings.ts';

const instruments = [digital, needle];

/** Time of all single faults of about 40 parts with 30 readings, and of all pairs of 12 parts with 20 readings. */
export function benchDiagnosisSpeed(): void {
  console.log('\nDiagnosis of large jobs, against solving the network once');
  const random = seeded(20_261_126);
  const large = withTolerances(mesh(21));
  const job = faultyJob(large, 30, random, 1);
  const made = diagnose(job);
  const listed = made.ok ? made.value.groups.flatMap(({ hypotheses }) => hypotheses).length : 0;
  report(
    `  all single faults of ${large.elements.length} parts, ${job.readings.length} readings, ${listed} listed`,
    secondsOf(() => diagnose(job), 0.5),
    large,
    0.1,
  );
  const small = withTolerances(mesh(8));
  const two = faultyJob(small, 20, random, 2);
  const pairs = twoFaults(two);
  report(
    `  all pairs of ${small.elements.length} parts, ${two.readings.length} readings, ${pairs.ok ? pairs.value.length : 0} groups`,
    secondsOf(() => twoFaults(two), 0.5),
    small,
    5,
  );
}

function report(what: string, time: number, network: Network, limit: number): void {
  const solve = secondsOf(() => solveUnloaded(network));
  line(
    `${what} (${duration(time)})`,
    `${(time / solve).toFixed(0)} × solving it once   ${(time / limit).toFixed(2)} of ${limit} s`,
  );
}

const withTolerances = (network: Network): Network => ({
  ...network,
  elements: network.elements.map((part) => (part.kind === 'resistor' ? { ...part, tolerance: 0.05 } : part)),
});

/** Readings of a network in which the first resistors whose faults show are ten times their value. */
function faultyJob(
  network: Network,
  count: number,
  random: () => number,
  faults: number,
): Pick<Job, 'network' | 'instruments'> & { readonly readings: readonly Reading[] } {
  const places = [...nodeVoltages(network), ...currents(network), ...partVoltages(network)];
  let real: Bench = { network, instruments };
  let readings: readonly Reading[] = [];
  let hidden = 0;
  for (const { id, kind } of network.elements) {
    if (kind !== 'resistor' || hidden === faults) continue;
    const tried = withFault(real, { fault: 'decade', where: [id], value: 10 });
    const taken = readAll(network, tried.network, instruments, random, places).slice(0, count);
    const found = diagnose({ network, instruments, readings: taken });
    if (!found.ok || found.value.consistent) continue;
    // A second fault counts if no single one explains both.
    if (hidden > 0 && found.value.groups.length > 0) continue;
    real = { network: tried.network, instruments };
    readings = taken;
    hidden += 1;
  }
  return { network, instruments, readings };
}
