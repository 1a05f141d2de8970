import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded, type Unloaded } from '../loading/index.ts';
import { isSource, type Element, type Network } from '../network/index.ts';
import type { Conventions } from '../readings/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { breakCautions, supplyCautions } from './cautions.ts';
import { fewestJackChanges, jackChangesOf } from './jack-order.ts';
import { measurementsFor } from './measurements.ts';
import type { CurrentStep, Depth, Plan, ReadStep, SupplyStep, Unnumbered } from './plan.ts';
import { ReadSteps } from './read-steps.ts';

/** Relative rounding that must not lift a limit to the next step. */
const rounding = 1e-12;

/** A job as far as a plan needs it. */
export interface PlannedJob {
  readonly network: Network;
  readonly instruments?: readonly Instrument[];
  readonly conventions?: Conventions;
}

/**
 * Returns the measurements in their order: resistances with the supply off; then the supplies, each source unloaded, voltages, and
 * currents, each between its own break and restoring.
 *
 * A step's figures are for its meter alone, in the circuit at that step. Within a kind the order is the one in which
 * instruments and jacks change least.
 */
export function makePlan(job: PlannedJob, depth: Depth = 'parts'): Result<Plan, SolverFault> {
  const network = underCeilings(job.network);
  const solved = solveUnloaded(network);
  if (!solved.ok) return solved;
  const places = new ReadSteps(solved.value, job.instruments ?? [], job.conventions ?? {});
  const { values } = solved.value;
  const wanted = measurementsFor(depth, network, values, {
    across: (pair) => places.canReadVoltage(pair),
    inSeries: (chain) => places.canReadCurrent(chain),
  });

  const resistances = wanted.resistances.flatMap((id) => places.resistance(id) ?? []);
  const unloaded = wanted.unloaded.flatMap((id) => places.sourceUnloaded(id));
  const voltages = wanted.voltages.flatMap((pair) => places.voltage(pair) ?? []);
  const currents = wanted.currents.flatMap((place) => places.current(place) ?? []);
  const noteAt = new Map(wanted.currents.map(({ node, end, note }) => [`${node} ${end}`, note]));
  const [ohms, volts, amps] = fewestJackChanges<Unnumbered<ReadStep>>([resistances, voltages, currents]);
  const supplies = network.elements
    .filter(isSource)
    .map((source, index) => supplyStep(source, index === 0, job, values));
  const steps: Unnumbered[] = [
    ...ohms!,
    ...supplies,
    ...unloaded,
    ...volts!,
    ...amps!.flatMap((step) =>
      step.quantity === 'dc-current' ? opened(step, noteAt.get(`${step.node} ${step.ends[0]}`), values) : [],
    ),
    { do: 'off' },
  ];
  const numbered = steps.map((step, index) => ({ id: `P${index + 1}`, ...step }));
  return ok({
    format: 'usual-drag/plan',
    version: 1,
    breaks: numbered.filter((step) => step.do === 'break').length,
    jackChanges: jackChangesOf(numbered.filter((step) => step.do === 'read')),
    steps: numbered,
  });
}

/** No source is set higher than its ceiling. */
function underCeilings(network: Network): Network {
  const held = (element: Element): Element => {
    if (element.kind === 'source' && element.ceiling !== undefined) {
      const cells = element.cellsInSeries ?? 1;
      return Math.abs(element.emf * cells) > element.ceiling
        ? { ...element, emf: (Math.sign(element.emf) * element.ceiling) / cells }
        : element;
    }
    if (element.kind === 'current-source' && element.ceiling !== undefined)
      return Math.abs(element.current) > element.ceiling
        ? { ...element, current: Math.sign(element.current) * element.ceiling }
        : element;
    return element;
  };
  const elements = network.elements.map(held);
  return elements.every((element, index) => element === network.elements[index]) ? network : { ...network, elements };
}

function supplyStep(
  source: Extract<Element, { kind: 'source' | 'current-source' }>,
  first: boolean,
  { network, conventions = {} }: PlannedJob,
  values: Unloaded['values'],
): Unnumbered<SupplyStep> {
  const set = source.kind === 'source' ? source.emf * (source.cellsInSeries ?? 1) : source.current;
  const { channel } = source;
  const drawn = network.elements.find((one) => one.id === source.id);
  const cautions = supplyCautions(network, drawn && isSource(drawn) ? drawn : source, values, first);
  return {
    do: 'supply',
    element: source.id,
    set,
    currentLimit: source.kind === 'source' ? limitFor(source, values.elements[source.id]?.current, conventions) : null,
    ...(channel !== undefined && { channel }),
    ...(cautions.length > 0 && { cautions }),
  };
}

/** 1.5 times the source's current, rounded up to two digits, at most its own limit; in full that limit. */
function limitFor(
  { currentLimit }: { readonly currentLimit?: number },
  current: number | null | undefined,
  conventions: Conventions,
): number | null {
  if (conventions.currentLimit === 'full' || current === null || current === undefined) return currentLimit ?? null;
  const above = roundUp(1.5 * Math.abs(current));
  return currentLimit === undefined ? above : Math.min(above, currentLimit);
}

/** Up to two digits; what is at two digits but for the noise of the computation stays. */
function roundUp(value: number): number {
  if (value === 0) return 0;
  const exponent = Math.floor(Math.log10(value)) - 1;
  const counts = Math.ceil((value / 10 ** exponent) * (1 - rounding) - rounding);
  return Number(`${counts}e${exponent}`);
}

/** A current step between its own break and restoring. */
function opened(step: Unnumbered<CurrentStep>, note: string | undefined, values: Unloaded['values']): Unnumbered[] {
  const { node, ends } = step;
  return [
    { do: 'break', node, ends, cautions: breakCautions(values), ...(note !== undefined && { notes: [note] }) },
    step,
    { do: 'restore', node, ends },
  ];
}
