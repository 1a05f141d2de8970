import { displayState, findRange, shownOn, type Instrument, type MeterState, type Range } from '../instrument/index.ts';
import { parseEnd } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import {
  add,
  attach,
  circuitOf,
  divide,
  exactly,
  multiply,
  negate,
  networkValues,
  portResistance,
  solveCircuit,
  subtract,
  toNumber,
  zero,
  type CircuitSolution,
  type DoubleDouble,
  type NetworkCircuit,
  type NetworkValues,
  type Port,
  type SolverFault,
} from '../solver/index.ts';
import { attachmentOf } from './attachment.ts';
import type { AmmeterPlacement, Meter, Setup } from './setup.ts';
import { isLinear, type Unloaded } from './unloaded.ts';

/** Share of a value below which a difference is rounding: 1e-28 of a solution, and two digits more. */
const differenceNoise = 1e-26;

/** Indication of a meter beside its true value. Null if it cannot be formed. */
export interface MeterReading {
  /** Indication of an ideal meter at the same place with no other meter connected, V or A. */
  readonly true: number | null;
  /** Indication of this meter with the whole set-up connected, before rounding to its display. */
  readonly indicated: number | null;
  /** indicated − true. */
  readonly error: number | null;
  /** error/true. */
  readonly relativeError: number | null;
  /** Ω. */
  readonly meterResistance: number;
  /** Resistance seen from the meter's terminals, the other meters connected, Ω; null if infinite. */
  readonly sourceResistance: number | null;
  readonly display: string | null;
  readonly unit: string;
  readonly state: MeterState;
}

/** Values of a network with the meters of a set-up in it. */
export interface SetupValues extends NetworkValues {
  readonly meters: Readonly<Record<string, MeterReading>>;
}

/**
 * Every value of a network with the meters of a set-up in, and what each meter shows against the truth.
 *
 * Each meter's loading comes from −R_s/(R_m + R_s) across and −R_m/(R_m + R_s) in series, R_s being what its terminals
 * look into, never from the difference of two rounded numbers. Where loads are not ohmic it is the difference of two whole
 * solutions, and R_s is that of the tangents with no meter connected. Fuses that are over in one round blow together, then the
 * rest is solved again.
 *
 * @param setup  sound by `setupFaults`
 * @param known  ids of the meters whose fuses have blown; if omitted, they follow from the currents
 */
export function solveSetup(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  known?: ReadonlySet<string>,
): Result<SetupValues, SolverFault> {
  const { network } = unloaded;
  const fitted = setup.meters.map((meter) => fit(meter, instruments));
  const blown = new Set(known);
  for (;;) {
    const attachments = fitted.map(({ meter, range }) => attachmentOf(meter, range, blown.has(meter.id)));
    const named = attach(unloaded.named, attachments);
    const firstBranch = network.elements.length;
    const live = fitted.findIndex((f) => !blown.has(f.meter.id));
    const solved = solveCircuit(named.circuit, live === -1 ? -1 : firstBranch + live);
    if (!solved.ok) return solved;

    const overloaded = fitted.filter(
      ({ meter, range }, index) =>
        !known &&
        meter.quantity === 'dc-current' &&
        range.fuse !== undefined &&
        !blown.has(meter.id) &&
        Math.abs(solved.value.currents[firstBranch + index]?.hi ?? 0) > range.fuse,
    );
    if (overloaded.length > 0) {
      for (const { meter } of overloaded) blown.add(meter.id);
      continue;
    }

    const meters: Record<string, MeterReading> = {};
    const atRest = isLinear(unloaded) ? null : attach(unloaded.tangent, attachments).circuit;
    for (let index = 0; index < fitted.length; index += 1) {
      const branch = firstBranch + index;
      const looked = index === live ? solved : solveCircuit(solved.value.circuit, branch);
      const tangents = atRest ? solveCircuit(atRest, branch) : looked;
      if (!looked.ok) return looked;
      if (!tangents.ok) return tangents;
      const reading = read(unloaded, fitted[index]!, looked.value, {
        branch,
        named,
        port: tangents.value.port!,
        alone: fitted.length === 1,
        blown: blown.has(fitted[index]!.meter.id),
      });
      if (!reading.ok) return reading;
      meters[fitted[index]!.meter.id] = reading.value;
    }
    return ok({ ...networkValues(network, named, solved.value), meters });
  }
}

interface Fitted {
  readonly meter: Meter;
  readonly instrument: Instrument;
  readonly range: Range;
}

function fit(meter: Meter, instruments: readonly Instrument[]): Fitted {
  const instrument = instruments.find((i) => i.id === meter.instrument);
  const range = instrument && findRange(instrument, meter.quantity, meter.range);
  if (!range) throw new Error(`${meter.id} has no instrument or range: check the set-up before solving it`);
  return { meter, instrument, range };
}

interface MeasurementPoint {
  readonly branch: number;
  readonly named: NetworkCircuit;
  /** Network seen from the terminals, loads as their tangents with no meter connected. */
  readonly port: Port;
  readonly alone: boolean;
  readonly blown: boolean;
}

function read(
  unloaded: Unloaded,
  fitted: Fitted,
  solution: CircuitSolution,
  point: MeasurementPoint,
): Result<MeterReading, SolverFault> {
  const { meter, range } = fitted;
  const truth = meter.quantity === 'dc-voltage' ? ok(trueVoltage(unloaded, meter)) : trueCurrent(unloaded, meter);
  if (!truth.ok) return truth;
  const comparison = point.blown
    ? { indicated: zero, error: truth.value && negate(truth.value), ratio: truth.value?.hi ? -1 : null }
    : compare(fitted, truth.value, solution, isLinear(unloaded), point);
  const indicated = comparison.indicated && toNumber(comparison.indicated) + 0;
  return ok({
    true: truth.value && toNumber(truth.value) + 0,
    indicated,
    error: comparison.error && toNumber(comparison.error) + 0,
    relativeError: comparison.ratio === null ? null : comparison.ratio + 0,
    meterResistance: range.resistance,
    sourceResistance: portResistance(point.port),
    ...shownOn(fitted.instrument, meter.quantity, range, indicated),
    state: point.blown ? 'fuse-blown' : stateOf(fitted, indicated),
  });
}

interface Comparison {
  readonly indicated: DoubleDouble | null;
  readonly error: DoubleDouble | null;
  readonly ratio: number | null;
}

/** Indicated against true, the error split into what the other meters shift and what this one takes itself. */
function compare(
  { meter, range }: Fitted,
  truth: DoubleDouble | null,
  solution: CircuitSolution,
  linear: boolean,
  point: MeasurementPoint,
): Comparison {
  const port = solution.port!;
  const sign = meter.quantity === 'dc-current' && meter.reversed ? negate : (x: DoubleDouble) => x;
  const branch = point.named.circuit.branches[point.branch]!;
  const joinedByRest = port.conductance === null || port.conductance.hi !== 0;
  if (meter.quantity === 'dc-voltage' && !joinedByRest) return { indicated: null, error: null, ratio: null };
  const measured =
    meter.quantity === 'dc-voltage' ? solution.voltage(branch.from, branch.to) : solution.currents[point.branch]!;
  if (measured === null) return { indicated: null, error: null, ratio: null };
  const indicated = sign(measured);
  if (truth === null) return { indicated, error: null, ratio: null };
  if (!linear) {
    const error = subtract(indicated, truth);
    return { indicated, error, ratio: truth.hi === 0 ? null : toNumber(divide(error, truth)) };
  }

  const share = port.conductance === null ? zero : ownShare(meter, exactly(range.resistance), port.conductance);
  const ideal = sign(idealReading(meter, measured, port));
  const shift = point.alone ? zero : settled(subtract(ideal, truth), ideal);
  const error = subtract(shift, multiply(point.alone ? truth : ideal, share));
  if (truth.hi === 0) return { indicated, error, ratio: null };
  return { indicated, error, ratio: point.alone ? -toNumber(share) : toNumber(divide(error, truth)) };
}

/** The part of its ideal reading that the meter takes: R_s/(R_m + R_s) across, R_m/(R_m + R_s) in series. */
function ownShare(meter: Meter, resistance: DoubleDouble, conductance: DoubleDouble): DoubleDouble {
  const product = multiply(resistance, conductance);
  const denominator = add(exactly(1), product);
  return divide(meter.quantity === 'dc-voltage' ? exactly(1) : product, denominator);
}

/** Returns the indication of an ideal meter here with the set-up's other meters connected. */
function idealReading(meter: Meter, measured: DoubleDouble, port: Port): DoubleDouble {
  if (port.conductance === null || port.conductance.hi === 0) return measured;
  const short = port.shortCircuitCurrent!;
  return meter.quantity === 'dc-voltage' ? divide(short, port.conductance) : short;
}

const settled = (difference: DoubleDouble, size: DoubleDouble): DoubleDouble =>
  Math.abs(difference.hi) <= differenceNoise * Math.abs(size.hi) ? zero : difference;

function trueVoltage({ named, solution }: Unloaded, meter: { readonly red: string; readonly black: string }) {
  return solution.voltage(named.nodeNumber.get(meter.red)!, named.nodeNumber.get(meter.black)!);
}

/** Returns the current from the node into the lifted ends; an ideal ammeter is inserted if links share it between them. */
function trueCurrent(unloaded: Unloaded, meter: AmmeterPlacement): Result<DoubleDouble | null, SolverFault> {
  const { network, solution } = unloaded;
  const sign = meter.reversed ? negate : (x: DoubleDouble) => x;
  let sum: DoubleDouble | null = zero;
  for (const end of meter.ends) {
    const { element, end: side } = parseEnd(end)!;
    const through: DoubleDouble | null = solution.currents[network.elements.findIndex((e) => e.id === element)]!;
    sum = sum && through && (side === 'from' ? add(sum, through) : subtract(sum, through));
  }
  if (sum) return ok(sign(sum));
  const ideal = circuitOf(network, [{ id: meter.id, resistance: 0, from: meter.node, to: { liftedEnds: meter.ends } }]);
  const solved = solveCircuit(ideal.circuit);
  if (!solved.ok) return solved;
  const current = solved.value.currents[network.elements.length]!;
  return ok(current && sign(current));
}

function stateOf({ meter, instrument, range }: Fitted, indicated: number | null): MeterState {
  if (indicated === null) return meter.quantity === 'dc-voltage' ? 'floating' : 'undetermined';
  return displayState(instrument, range, indicated);
}
