import { setupsFaults, solveSetup, solveUnloaded, type SetupValues } from '../loading/index.ts';
import { unitOf } from '../instrument/index.ts';
import { networkFaults, duplicates } from '../network/index.ts';
import { diagnose, fitJob, freeName, type Diagnosis, type Fit, type FreeName } from '../diagnosis/index.ts';
import { makePlan, type Depth, type Plan } from '../plan/index.ts';
import { fail, ok, type Result } from '../result.ts';
import { compareReadings, type Comparison, type Reading } from '../readings/index.ts';
import type { NetworkValues } from '../solver/index.ts';
import type { Job, JobFault } from './job.ts';
import { explainSolverFault } from './solver-words.ts';

/** What solving a job returns, as in the published result format. */
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
  const unloaded = solveUnloaded(job.network);
  if (!unloaded.ok) return fail(explainSolverFault(unloaded.fault));
  const setups: Record<string, SetupValues> = {};
  for (const setup of job.setups ?? []) {
    const solved = solveSetup(unloaded.value, job.instruments ?? [], setup);
    if (!solved.ok) return fail(explainSolverFault(solved.fault));
    setups[setup.id] = solved.value;
  }
  return ok({ format: 'usual-drag/result', version: 1, true: unloaded.value.values, setups });
}

/** A job's readings against what was to be expected, or the first fault that keeps them from being compared. */
export function compareJob(job: Job): Result<Comparison, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const compared = compareReadings(job);
  return compared.ok ? compared : fail(explainSolverFault(compared.fault));
}

/** Which single fault explains a job's readings, or the first fault of the file. */
export function diagnoseJob(job: Job): Result<Diagnosis, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const made = diagnose(job);
  return made.ok ? made : fail(explainSolverFault(made.fault));
}

/** What a job's readings say about values that are not known, or the first fault of the file or of a name. */
export function fitFreeNames(job: Job, names: readonly string[]): Result<Fit, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const free = names.map((name) => freeName(name, job));
  const unknown = names.filter((_, index) => free[index] === null);
  if (unknown.length > 0 || free.length === 0)
    return fail({
      code: 'invalid-value',
      message: `${unknown.length > 0 ? `This job has no ${unknown.join(', ')}.` : 'Name what is free.'} Names are E1.emf, E1.internalResistance, R1.resistance, meter:INSTRUMENT:dc-current and leads.`,
      where: unknown,
    });
  const made = fitJob(job, free as readonly FreeName[]);
  return made.ok ? made : fail(explainSolverFault(made.fault));
}

/** What to measure on a job, in which order, or the first fault that keeps it from being planned. */
export function planJob(job: Job, depth?: Depth): Result<Plan, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const plan = makePlan(job, depth);
  return plan.ok ? plan : fail(explainSolverFault(plan.fault));
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
  ];
}

/** A reading may stand at a place that is gone, on an instrument that is gone: it is kept, and cannot be compared. */
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
