import type { ExplanationMatrix } from '../diagnosis/index.ts';
import {
  jobFaults,
  explainSolverFault,
  networkMeant,
  readingsMeant,
  readingsStatus,
  setupValuesOf,
  type Job,
  type JobFault,
} from '../job/index.ts';
import { networkCautions, setupCautions, solveUnloaded, type Caution, type Unloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import { makePlan, readingsAt, restoringChecks, type PlanStep } from '../plan/index.ts';
import {
  comparisonOf,
  expectationsOf,
  type ComparedReading,
  type CountedReading,
  type Reading,
} from '../readings/index.ts';
import { fail, ok, type Result } from '../result.ts';
import type { NetworkValues } from '../solver/index.ts';
import { budgetWords } from './budget-words.ts';
import { diagnosisWords } from './diagnosis-words.ts';
import { documentHash } from './document-hash.ts';
import { loadingWords } from './loading-words.ts';
import { reportInstruments, type ReportInstrument } from './report-instruments.ts';
import { reportParts, reportSupplies, type ReportPart, type ReportSupply } from './report-parts.ts';
import { reportReadings, type ReportReading } from './report-readings.ts';
import { reportSections, type ReportSection } from './report-sections.ts';
import { reportSetups, type ReportSetup } from './report-setups.ts';
import { reportSweeps, type ReportSweep } from './report-sweeps.ts';
import { reportSums, type ReportSum } from './report-sums.ts';
import { resultWords } from './result-words.ts';
import type { KitNotes, Signature } from './signature.ts';

/** Full content of the record of a job, ready for layout. */
export interface Report {
  readonly job: Job;
  /** The network as the job's version of the format means it. */
  readonly network: Network;
  /** `documentHash` of the job. */
  readonly hash: string;
  /** `changed`: it was signed, and the document has been edited since. */
  readonly state: 'draft' | 'signed' | 'changed';
  readonly signature: Signature | null;
  readonly sections: readonly ReportSection[];
  readonly values: NetworkValues;
  readonly result: readonly string[];
  readonly parts: readonly ReportPart[];
  readonly supplies: readonly ReportSupply[];
  readonly setups: readonly ReportSetup[];
  readonly readings: readonly ReportReading[];
  /** Null if the explanations were not searched for. */
  readonly explanations: ExplanationMatrix | null;
  readonly loading: readonly string[];
  readonly sums: readonly ReportSum[];
  readonly sweeps: readonly ReportSweep[];
  readonly diagnosis: readonly string[];
  readonly instruments: readonly ReportInstrument[];
  readonly cautions: readonly string[];
  readonly restoring: readonly { readonly text: string; readonly done: boolean }[];
}

/** Content of a report beside the job itself. A signed report takes all but the diagnosis from its signature. */
export interface ReportExtras {
  readonly sections?: readonly ReportSection[];
  readonly kit?: Readonly<Record<string, KitNotes>>;
  /** Ticks after the last reading. */
  readonly restored?: readonly string[];
  /** Null or left out if it was not worked out. */
  readonly explanations?: ExplanationMatrix | null;
  /** The last signature on this job. */
  readonly signature?: Signature | null;
}

/** The record of a job, or the first fault that keeps it from being worked out. */
export function makeReport(job: Job, extras: ReportExtras = {}): Result<Report, JobFault> {
  const [fault] = jobFaults(job);
  if (fault) return fail(fault);
  const network = networkMeant(job);
  const unloaded = solveUnloaded(network);
  return unloaded.ok ? ok(reportOf(job, network, unloaded.value, extras)) : fail(explainSolverFault(unloaded.fault));
}

function reportOf(job: Job, network: Network, unloaded: Unloaded, extras: ReportExtras): Report {
  const { instruments = [], conventions = {}, record = {} } = job;
  const taken = readingsMeant(job) ?? [];
  const hash = documentHash(job);
  const signature = extras.signature ?? null;
  const state = signature === null ? 'draft' : signature.hash === hash ? 'signed' : 'changed';
  const { sections = reportSections, kit = {}, restored = [] } = state === 'signed' ? signature! : extras;
  const expect = expectationsOf(unloaded, instruments);
  const comparison = comparisonOf(unloaded, instruments, conventions, taken, { expect });
  const plan = makePlan({ network, instruments, conventions });
  const steps = plan.ok ? plan.value.steps : [];
  const compare = (reading: Reading) => comparison.readings[reading.id] ?? null;
  const budget = (reading: Reading) => budgetWords(network, instruments, conventions, reading);
  const readings = reportReadings(taken, instruments, conventions, record.date, compare, budget);
  const valid = taken.filter(({ struck }) => struck === undefined);
  const counted = valid.map((reading): CountedReading => ({
    reading,
    compared: comparison.readings[reading.id]!,
    expectation: expect(reading),
  }));
  const sums = reportSums(comparison.sums, counted, instruments);
  const used = reportInstruments(readings, instruments, kit);
  const comparable = readings.filter(({ compared }) => compared !== null && compared.verdict !== 'not-comparable');
  const off = readings
    .filter(({ compared }) => compared?.verdict === 'does-not-agree')
    .map(({ reading }) => reading.id);
  return {
    job,
    network,
    hash,
    state,
    signature,
    sections: reportSections.filter((section) => sections.includes(section)),
    values: unloaded.values,
    result: resultWords({ readings, sums, instruments: used, status: readingsStatus(job, ok(unloaded)) }),
    parts: reportParts(network, unloaded.values, measuredIn(valid, compare)),
    setups: reportSetups(job.setups ?? [], instruments, unloaded),
    explanations: extras.explanations ?? null,
    supplies: reportSupplies(network, unloaded.values, readings),
    readings,
    loading: loadingWords(unloaded, instruments, readings),
    sums,
    sweeps: reportSweeps(network, instruments, job.sweeps ?? []),
    diagnosis: diagnosisWords(comparable.length, off, extras.explanations?.diagnosis ?? null),
    instruments: used,
    cautions: cautionsThatStood(job, unloaded, steps, valid),
    restoring: restoringChecks(valid).map((text) => ({ text, done: restored.includes(text) })),
  };
}

/** Returns the resistance of each part that was read out of circuit, Ω: the newest reading counts. */
const measuredIn = (
  readings: readonly Reading[],
  compare: (reading: Reading) => ComparedReading | null,
): ReadonlyMap<string, number> =>
  new Map(
    readings.flatMap((reading): [string, number][] => {
      const value = reading.quantity === 'resistance' ? compare(reading)?.value : null;
      return reading.quantity === 'resistance' && value != null ? [[reading.element, value]] : [];
    }),
  );

/** The network's cautions, the set-ups', and those of the plan's steps that were read, each once. */
function cautionsThatStood(
  { setups = [], instruments = [] }: Job,
  unloaded: Unloaded,
  steps: readonly PlanStep[],
  readings: readonly Reading[],
): string[] {
  const setupOnes = setups.flatMap((setup): Caution[] => {
    const solved = setupValuesOf(ok(unloaded), instruments, setup);
    return solved.ok ? setupCautions(unloaded.network, instruments, setup, solved.value) : [];
  });
  const isRead = (step: PlanStep | undefined): boolean => step?.do === 'read' && readingsAt(readings, step).length > 0;
  const planned = steps.flatMap((step, index) => {
    // A break is made for what is read next.
    const stood = step.do === 'supply' ? readings.length > 0 : isRead(step.do === 'break' ? steps[index + 1] : step);
    return stood && 'cautions' in step ? (step.cautions ?? []) : [];
  });
  const all = [...networkCautions(unloaded.network, unloaded.values), ...setupOnes].map(({ message }) => message);
  return [...new Set([...all, ...planned])];
}
