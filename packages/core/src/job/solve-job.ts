import { boardFaults } from '../board/index.ts';
import { setupsFaults, solveSetup, solveUnloaded, type SetupValues } from '../loading/index.ts';
import { unitOf } from '../instrument/index.ts';
import { networkFaults, duplicates } from '../network/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { Reading } from '../readings/index.ts';
import type { NetworkValues } from '../solver/index.ts';
import type { Job, JobFault } from './job.ts';
import { networkMeant } from './job-meant.ts';
import { explainSolverFault } from './solver-words.ts';

/** Result of solving a job, in the published format. */
export interface JobResult {
  readonly format: 'usual-drag/result';
  readonly version: 1;
  readonly true: NetworkValues;
  readonly setups: Readonly<Record<string, SetupValues>>;
}

/** True values of a job's network and every set-up's readings, or the first fault that keeps it from being solved. */
export function solveJob(job: Job): Result<JobResult, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const unloaded = solveUnloaded(networkMeant(job));
  if (!unloaded.ok) return fail(explainSolverFault(unloaded.fault));
  const setups: Record<string, SetupValues> = {};
  for (const setup of job.setups ?? []) {
    const solved = solveSetup(unloaded.value, job.instruments ?? [], setup);
    if (!solved.ok) return fail(explainSolverFault(solved.fault));
    setups[setup.id] = solved.value;
  }
  return ok({ format: 'usual-drag/result', version: 1, true: unloaded.value.values, setups });
}

/** Every fault of a job's values, names and references, the network's first. */
export function jobFaults(job: Job): JobFault[] {
  const instruments = job.instruments ?? [];
  const setups = job.setups ?? [];
  const network = networkFaults(job.network);
  return [
    ...network,
    ...duplicateIds(
      'instruments',
      instruments.map((i) => i.id),
    ),
    ...duplicateIds(
      'set-ups',
      setups.map((s) => s.id),
    ),
    ...setupsFaults(job.network, instruments, setups),
    ...readingsFaults(job.readings ?? []),
    ...(job.board ? boardFaults(job.board) : []),
  ];
}

/** A reading may be at a place that is gone, or on an instrument that is gone: it is kept, and cannot be compared. */
const readingsFaults = (readings: readonly Reading[]): JobFault[] => [
  ...duplicateIds(
    'readings',
    readings.map(({ id }) => id),
  ),
  ...readings.flatMap(({ id, quantity, observations }) => {
    const unit = unitOf(quantity);
    const other = observations.find((one) => !one.unit.endsWith(unit));
    return other
      ? [
          {
            code: 'invalid-value',
            message: `${id}: ${other.shown} ${other.unit} is no ${nouns[quantity]}. Give it in ${unit}, with a prefix where it has one.`,
            where: [id],
          } as const,
        ]
      : [];
  }),
];

const nouns = { 'dc-voltage': 'voltage', 'dc-current': 'current', resistance: 'resistance' } as const;

const duplicateIds = (what: string, ids: readonly string[]): JobFault[] =>
  duplicates(ids).map((id) => ({
    code: 'duplicate-id',
    message: `Two ${what} are called ${id}. Give one of them another name.`,
    where: [id],
  }));
