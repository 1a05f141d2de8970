import { solveUnloaded } from '../../loading/index.ts';
import type { Element } from '../../network/index.ts';
import { expectationOf } from '../../readings/index.ts';
import { ok, type Result } from '../../result.ts';
import type { SolverFault } from '../../solver/index.ts';
import type { DiagnosedJob } from '../diagnosed-job.ts';
import { differenceFrom } from '../predictions/comparing.ts';
import { toleranceOf } from '../causes/elsewhere.ts';
import { isolatedPart } from '../causes/isolated-part.ts';
import type { FreeName } from './free-name.ts';
import { leastSquares, type LeastSquares, type Predicted } from './least-squares.ts';
import { observedReadings, type Observed } from '../predictions/observed.ts';
import type { Bench } from '../../faults/index.ts';

/** Fit of unknown values to the readings. */
export interface Fit {
  readonly format: 'usual-drag/fit';
  readonly version: 1;
  /** By name; k = 2. Null if the readings do not determine them, or if the fit does not converge. */
  readonly free: Readonly<Record<string, { readonly value: number | null; readonly uncertainty: number | null }>>;
  readonly misfit: number | null;
  /** (value − fitted)/u by reading. */
  readonly residuals: Readonly<Record<string, number>>;
  readonly verdict: 'explains' | 'does-not-explain' | 'underdetermined';
  /** Names that no reading bears on, alone or together. */
  readonly undetermined?: readonly string[];
}

/** The largest misfit that explains. */
const largestMisfit = 2;

/**
 * Fits free values to the readings of one job, weighted by their uncertainty: the values that meter, leads, sources or parts
 * would need.
 *
 * The tolerances of the other parts count in u to first order, as in a diagnosis.
 *
 * @param names  names that the job has
 */
export const fitJob = (job: DiagnosedJob, names: readonly FreeName[]): Result<Fit, SolverFault> =>
  fitJobs([job], [names]);

/**
 * Fits free values to the readings of several jobs together. Instruments, leads and elements of the same id are the same in
 * all of them.
 *
 * @param names  of each job, those that it has
 * @returns the fit; residuals of readings whose id occurs in several jobs are named `2:M1`, with the number of the job
 */
export function fitJobs(
  jobs: readonly DiagnosedJob[],
  names: readonly (readonly FreeName[])[],
): Result<Fit, SolverFault> {
  const free = [
    ...new Map(
      names
        .flat()
        .reverse()
        .map((one) => [one.name, one] as const),
    ).values(),
  ].reverse();
  const fitted: FittedJob[] = [];
  for (const [k, job] of jobs.entries()) {
    const { network, instruments = [], conventions = {}, readings = [] } = job;
    const unloaded = solveUnloaded(network);
    if (!unloaded.ok) return unloaded;
    const observed = observedReadings({ unloaded: unloaded.value, instruments, conventions }, readings).filter(
      ({ comparison }) => comparison !== 'over-range',
    );
    const own = names[k]!.map((one) => ({ ...one, at: free.findIndex(({ name }) => name === one.name) }));
    fitted.push({ bench: { network, instruments }, observed, own });
  }
  const all = fitted.flatMap(({ observed }) => observed);
  const solved = leastSquares({
    start: free.map((one) => one.start),
    bounds: free.map((one) => one.bounds),
    differences: (predicted) => all.map((one, k) => differenceFrom(one, predicted[k]!)),
    predict: (values) => predictAll(fitted, values),
  });
  return ok(fitOf(solved, free, all.length, residualNames(fitted)));
}

/** A job of a fit: its readings, and the free names that it has with their places among the values. */
interface FittedJob {
  readonly bench: Bench;
  readonly observed: readonly Observed[];
  readonly own: readonly (FreeName & { readonly at: number })[];
}

function predictAll(jobs: readonly FittedJob[], values: readonly number[]): Predicted | null {
  const predicted: Predicted[] = [];
  for (const { bench, observed, own } of jobs) {
    const changed = own.reduce((now, one) => one.put(now, values[one.at]!), bench);
    const one = predict(changed, observed, new Set(own.map(({ name }) => name)));
    if (!one) return null;
    predicted.push(one);
  }
  return { values: predicted.flatMap((one) => one.values), u: predicted.flatMap((one) => one.u) };
}

function residualNames(jobs: readonly FittedJob[]): string[] {
  const ids = jobs.flatMap(({ observed }) => observed.map(({ reading }) => reading.id));
  const isUnique = (id: string): boolean => ids.indexOf(id) === ids.lastIndexOf(id);
  return jobs.flatMap(({ observed }, k) =>
    observed.map(({ reading: { id } }) => (isUnique(id) ? id : `${k + 1}:${id}`)),
  );
}

function fitOf(solved: LeastSquares, names: readonly FreeName[], count: number, readings: readonly string[]): Fit {
  const base = { format: 'usual-drag/fit', version: 1 } as const;
  const unknown = {
    ...base,
    free: Object.fromEntries(names.map(({ name }) => [name, { value: null, uncertainty: null }])),
    misfit: null,
    residuals: {},
  };
  if (solved.undetermined.length > 0)
    return { ...unknown, verdict: 'underdetermined', undetermined: solved.undetermined.map((k) => names[k]!.name) };
  if (!solved.converged) return { ...unknown, verdict: 'does-not-explain' };
  const misfit = Math.sqrt(solved.sum / Math.max(1, count - names.length));
  return {
    ...base,
    free: Object.fromEntries(
      names.map(({ name }, k) => [name, { value: solved.values[k]!, uncertainty: 2 * solved.deviations[k]! }]),
    ),
    misfit,
    residuals: Object.fromEntries(readings.map((id, k) => [id, solved.residuals[k]!])),
    verdict: misfit <= largestMisfit ? 'explains' : 'does-not-explain',
  };
}

function predict(bench: Bench, observed: readonly Observed[], free: ReadonlySet<string>): Predicted | null {
  // A part that is fitted has no tolerance beside that.
  const elements = bench.network.elements.map((element): Element => {
    if (element.kind !== 'resistor' || !free.has(`${element.id}.resistance`)) return element;
    const { tolerance: _none, ...rest } = element;
    return rest;
  });
  const unloaded = solveUnloaded({ ...bench.network, elements });
  if (!unloaded.ok) return null;
  const predicted = observed.map(({ reading, value }) => {
    if (reading.quantity === 'resistance') {
      const { resistance, span } = isolatedPart(unloaded.value.network, reading, value);
      return { value: resistance, tolerance: span / Math.sqrt(3) };
    }
    const expectation = expectationOf(unloaded.value, bench.instruments, reading);
    return { value: expectation.expected ?? 0, tolerance: toleranceOf(expectation) };
  });
  return {
    values: predicted.map(({ value }) => value),
    u: predicted.map(({ tolerance }, k) => Math.hypot(observed[k]!.u, tolerance)),
  };
}
