import { rangesOf, type Instrument, type MeterQuantity } from '../../instrument/index.ts';
import { solveUnloaded } from '../../loading/index.ts';
import type { Element } from '../../network/index.ts';
import { expectationOf, setupOf } from '../../readings/index.ts';
import { ok, type Result } from '../../result.ts';
import type { SolverFault } from '../../solver/index.ts';
import type { DiagnosedJob } from '../diagnosed-job.ts';
import { differenceFrom } from '../predictions/comparing.ts';
import { toleranceOf } from '../causes/elsewhere.ts';
import { isolatedPart } from '../causes/isolated-part.ts';
import { leastSquares, type LeastSquares, type Predicted } from './least-squares.ts';
import { observedReadings, type Observed } from '../predictions/observed.ts';
import type { Bench } from '../../faults/index.ts';

/** Ω that a fitted resistance keeps at least. */
const leastResistance = 1e-9;

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

/** A name that is free to be fitted. */
export interface FreeName {
  readonly name: string;
  /** Its value in the job; where a fit begins. */
  readonly start: number;
  /** No resistance is negative. */
  readonly isResistance: boolean;
  put(bench: Bench, value: number): Bench;
}

/** The largest misfit that explains. */
const largestMisfit = 2;

/**
 * Fits free values to all readings, weighted by their uncertainty: what meter, leads, sources or parts would have to be.
 *
 * The tolerances of the other parts count in u to first order, as in a diagnosis.
 *
 * @param names  as `freeName` reads them
 */
export function fitJob(job: DiagnosedJob, names: readonly FreeName[]): Result<Fit, SolverFault> {
  const { network, instruments = [], conventions = {}, readings = [] } = job;
  const bench: Bench = { network, instruments };
  const unloaded = solveUnloaded(network);
  if (!unloaded.ok) return unloaded;
  const observed = observedReadings({ unloaded: unloaded.value, instruments, conventions }, readings).filter(
    ({ comparison }) => comparison !== 'over-range',
  );
  const free = new Set(names.map(({ name }) => name));
  const predictedAt = (values: readonly number[]): Predicted | null =>
    predict(
      names.reduce((now, one, k) => one.put(now, values[k]!), bench),
      observed,
      free,
    );
  const start = names.map((one) => one.start);
  const solved = leastSquares({
    start,
    positive: names.map((one) => one.isResistance),
    differences: (predicted) => observed.map((one, k) => differenceFrom(one, predicted[k]!)),
    predict: predictedAt,
  });
  return ok(fitOf(solved, names, observed));
}

function fitOf(solved: LeastSquares, names: readonly FreeName[], observed: readonly Observed[]): Fit {
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
  const misfit = Math.sqrt(solved.sum / Math.max(1, observed.length - names.length));
  return {
    ...base,
    free: Object.fromEntries(
      names.map(({ name }, k) => [name, { value: solved.values[k]!, uncertainty: 2 * solved.deviations[k]! }]),
    ),
    misfit,
    residuals: Object.fromEntries(observed.map(({ reading }, k) => [reading.id, solved.residuals[k]!])),
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

/**
 * Reads a name: `E1.emf`, `E1.internalResistance`, `R1.resistance`, `meter:ID:dc-current`, `meter:ID:dc-current:RANGE`, `leads`.
 *
 * @returns null if the job has no such thing
 */
export function freeName(name: string, { network, instruments = [], readings = [] }: DiagnosedJob): FreeName | null {
  const isResistance = true;
  if (name === 'leads')
    return {
      name,
      start: 0,
      isResistance,
      put: (bench, ohms) =>
        withMeters(
          bench,
          (_, of) => of === 'dc-current',
          (own) => own + ohms,
        ),
    };
  const meter = /^meter:(.+):(dc-current|dc-voltage)(?::(.+))?$/.exec(name);
  if (meter) {
    const [, id, quantity, range] = meter as unknown as [string, string, MeterQuantity, string | undefined];
    const instrument = instruments.find((one) => one.id === id);
    const ranges = (instrument ? rangesOf(instrument, quantity) : []).filter(
      (one) => range === undefined || one.id === range,
    );
    if (ranges.length === 0) return null;
    const used = readings.flatMap((one) => (one.quantity === 'resistance' ? [] : setupOf(one).meters));
    const inUse = used.find(
      (one) => one.instrument === id && one.quantity === quantity && (range === undefined || one.range === range),
    );
    const start = ranges.find((one) => one.id === inUse?.range)?.resistance ?? ranges[0]!.resistance;
    const isMine = (instrument: string, of: string, at: string): boolean =>
      instrument === id && of === quantity && (range === undefined || at === range);
    return { name, start, isResistance, put: (bench, ohms) => withMeters(bench, isMine, () => ohms) };
  }
  const [id, key] = name.split('.');
  const element = network.elements.find((one) => one.id === id);
  const put =
    (change: (value: number) => Element) =>
    (bench: Bench, value: number): Bench => ({
      ...bench,
      network: {
        ...bench.network,
        elements: bench.network.elements.map((one) =>
          one.id === id ? { ...one, ...change(value), ...keptOf(one, key!) } : one,
        ),
      },
    });
  if (element?.kind === 'source' && key === 'emf')
    return { name, start: element.emf, isResistance: false, put: put((emf) => ({ ...element, emf })) };
  if (element?.kind === 'source' && key === 'internalResistance')
    return {
      name,
      start: element.internalResistance ?? 0,
      isResistance,
      put: put((internalResistance) => ({ ...element, internalResistance })),
    };
  if (element?.kind === 'resistor' && key === 'resistance')
    return {
      name,
      start: element.resistance,
      isResistance,
      put: put((resistance) => {
        const { measuredResistance: _former, ...rest } = element;
        return { ...rest, resistance: Math.max(resistance, leastResistance) };
      }),
    };
  return null;
}

/** Of two names of one source each keeps what the other has put. */
const keptOf = (element: Element, key: string): object =>
  element.kind !== 'source'
    ? {}
    : key === 'emf'
      ? { ...(element.internalResistance !== undefined && { internalResistance: element.internalResistance }) }
      : { emf: element.emf };

/** The bench with the resistance of some ranges changed, Ω. */
function withMeters(
  bench: Bench,
  isMine: (instrument: string, quantity: string, range: string) => boolean,
  change: (own: number) => number,
): Bench {
  const instruments = bench.instruments.map((instrument): Instrument => ({
    ...instrument,
    functions: (instrument.functions ?? []).map((one) => {
      if (one.quantity === 'resistance') return one;
      return {
        ...one,
        ranges: one.ranges.map((range) =>
          isMine(instrument.id, one.quantity, range.id)
            ? { ...range, resistance: Math.max(0, change(range.resistance)) }
            : range,
        ),
      };
    }),
  }));
  return { ...bench, instruments };
}
