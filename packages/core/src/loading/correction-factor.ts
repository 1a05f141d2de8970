import { findRange, type Instrument, type Range } from '../instrument/index.ts';
import { isToleranced, parseEnd, spanOf } from '../network/index.ts';
import {
  add,
  attach,
  divide,
  exactly,
  multiply,
  negate,
  solveCircuit,
  subtract,
  toNumber,
  zero,
  type Attachment,
  type Branch,
  type Circuit,
  type CircuitSolution,
  type DoubleDouble,
  type NetworkCircuit,
} from '../solver/index.ts';
import { isLinear, type Unloaded } from './unloaded.ts';
import { attachmentOf } from './attachment.ts';
import type { AmmeterPlacement, Meter, Setup } from './setup.ts';

/** Contribution of a resistance to the uncertainty of a correction. */
interface FactorContribution {
  /** Id of a part, `meter` for the meter itself, `meter:ID` for another meter of the set-up. */
  readonly of: string;
  /** Standard uncertainty of the resistance, its limit over √3, Ω. */
  readonly standard: number;
  /** |∂(T/E)/∂R| times that, as a ratio. */
  readonly contribution: number;
}

/** Factor T/E by which an indication is corrected, true over expected, and how well it is known. */
export interface CorrectionFactor {
  readonly factor: number;
  readonly contributions: readonly FactorContribution[];
}

/** The keys of a range that a correction depends on. */
type MeterResistance = Pick<Range, 'resistance' | 'resistanceTolerance'>;

/** Returns the correction factor of a range; null if its indication does not determine the true value. */
export type CorrectionOn = (range: MeterResistance) => CorrectionFactor | null;

/**
 * Prepares the correction of any meter at one measurement point, the set-up's other meters connected.
 *
 * T/E = T/I·(1 + R_s/R_m) across, T/I·(1 + R_m/R_s) in series, with I the indication of an ideal meter beside the others. The
 * uncertainty follows the law of propagation (JCGM 100:2008, 5.1.2), with rectangular limits (4.3.7). A change of a resistance is an
 * EMF of −i·dR in series with it, so by reciprocity ∂V/∂R = i·j and ∂R_s/∂R = j², with j its current for 1 A driven into the
 * terminals; ∂I/∂R = −i·h and ∂(1/R_s)/∂R = −h², with h its current for 1 V driven in the break. Nothing cancels for a meter
 * that is alone, and the differences that are left are formed in double-doubles. Where loads are not ohmic, T and E are both
 * solved for, and the sensitivities are those of the tangents.
 *
 * @param setup  without faults by `setupFaults`
 * @param meter  id of the meter that is corrected
 * @param blown  ids of the meters whose fuses have blown
 */
export function correctionAt(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: string,
  blown: ReadonlySet<string>,
): CorrectionOn {
  const placed = setup.meters.find(({ id }) => id === meter)!;
  const others = setup.meters
    .filter(({ id }) => id !== meter)
    .map((one) => {
      const range = rangeOf(instruments, one);
      const attachment = attachmentOf(one, range, blown.has(one.id));
      return { of: `meter:${one.id}`, attachment, limit: attachment.open ? 0 : limitOf(range) };
    });
  const first = unloaded.network.elements.length;
  const uncertain: Uncertain[] = [
    ...unloaded.network.elements.flatMap((part, branch) =>
      isToleranced(unloaded.network, part) ? [{ of: part.id, branch, limit: spanOf(part) }] : [],
    ),
    ...others.flatMap(({ of, limit }, index) => (limit > 0 ? [{ of, branch: first + index, limit }] : [])),
  ];
  const attachments = others.map(({ attachment }) => attachment);
  return isLinear(unloaded)
    ? linearCorrection(unloaded, placed, attachments, uncertain)
    : solvedCorrection(unloaded, placed, attachments, uncertain);
}

/** A resistance with a tolerance: its branch, and its limit, Ω. */
interface Uncertain {
  readonly of: string;
  readonly branch: number;
  readonly limit: number;
}

const rangeOf = (instruments: readonly Instrument[], { instrument, quantity, range }: Meter): Range =>
  findRange(
    instruments.find(({ id }) => id === instrument)!,
    quantity,
    range,
  )!;

const limitOf = ({ resistance, resistanceTolerance = 0 }: MeterResistance): number => resistance * resistanceTolerance;

const standard = (of: string, slope: DoubleDouble, limit: number): FactorContribution => ({
  of,
  standard: limit / Math.sqrt(3),
  contribution: (Math.abs(toNumber(slope)) * limit) / Math.sqrt(3),
});

/** The correction in closed form: the network is solved for the measurement point, not for each range. */
function linearCorrection(
  unloaded: Unloaded,
  meter: Meter,
  others: readonly Attachment[],
  uncertain: readonly Uncertain[],
): CorrectionOn {
  const across = meter.quantity === 'dc-voltage';
  const truth = idealValue(unloaded, meter, []);
  const ideal = others.length === 0 ? truth : idealValue(unloaded, meter, others);
  if (!truth || !ideal) return () => null;
  const isAlone = ideal === truth;
  if (!isAlone && ideal.value.hi === 0) return () => null;
  // T/I, and R_s across or 1/R_s in series.
  const shift = isAlone ? exactly(1) : divide(truth.value, ideal.value);
  const seen = ideal.seen;
  const slopes = uncertain.map(({ of, branch, limit }) => ({
    of,
    limit,
    ofShift: isAlone ? zero : divide(subtract(truth.by(branch), multiply(shift, ideal.by(branch))), ideal.value),
    ofSeen: across ? ideal.response2(branch) : negate(ideal.response2(branch)),
  }));
  return (range) => {
    const resistance = exactly(range.resistance);
    if (across && range.resistance === 0) return null;
    /** Factor of the meter on the seen resistance or conductance. */
    const weight = across ? divide(exactly(1), resistance) : resistance;
    const own = add(exactly(1), multiply(seen, weight));
    const ownSlope = multiply(shift, across ? multiply(multiply(seen, weight), weight) : seen);
    const limit = limitOf(range);
    return {
      factor: toNumber(multiply(shift, own)),
      contributions: [
        ...slopes.map((one) =>
          standard(one.of, add(multiply(one.ofShift, own), multiply(shift, multiply(one.ofSeen, weight))), one.limit),
        ),
        ...(limit > 0 ? [standard('meter', ownSlope, limit)] : []),
      ],
    };
  };
}

/** The correction where loads are not ohmic: each range is solved for. */
function solvedCorrection(
  unloaded: Unloaded,
  meter: Meter,
  others: readonly Attachment[],
  uncertain: readonly Uncertain[],
): CorrectionOn {
  const truth = idealValue(unloaded, meter, []);
  const first = unloaded.network.elements.length;
  const own = first + others.length;
  return (range) => {
    const attached = attach(unloaded.named, [
      ...others,
      attachmentOf(meter, { ...range, id: '', fullScale: 0 }, false),
    ]);
    const solved = solveCircuit(attached.circuit);
    const expected = solved.ok ? sensitivityOf(meter, attached, solved.value, own) : null;
    if (!truth || !expected || expected.value.hi === 0) return null;
    const factor = divide(truth.value, expected.value);
    const limit = limitOf(range);
    const all = [...uncertain, ...(limit > 0 ? [{ of: 'meter', branch: own, limit }] : [])];
    return {
      factor: toNumber(factor),
      contributions: all.map((one) => {
        const ofTruth = one.branch < first ? truth.by(one.branch) : zero;
        const slope = divide(subtract(ofTruth, multiply(factor, expected.by(one.branch))), expected.value);
        return standard(one.of, slope, one.limit);
      }),
    };
  };
}

/** A value of a circuit, and its derivative with respect to the resistance of any branch. */
interface Sensitivity {
  readonly value: DoubleDouble;
  by(branch: number): DoubleDouble;
  /** Square of a branch's current for 1 A driven into the terminals, or 1 V driven in the break. */
  response2(branch: number): DoubleDouble;
  /** Ω between the terminals, or S of the break: the response of the measurement point to itself. */
  readonly seen: DoubleDouble;
}

/** The value of an ideal meter beside others; null if nothing determines it. */
function idealValue(unloaded: Unloaded, meter: Meter, others: readonly Attachment[]): Sensitivity | null {
  const { named, tangent, solution, network } = unloaded;
  if (meter.quantity === 'dc-voltage') {
    if (others.length === 0) return sensitivityOf(meter, { ...named, circuit: tangent.circuit }, solution, -1);
    const attached = attach(named, others);
    const solved = solveCircuit(attached.circuit);
    return solved.ok ? sensitivityOf(meter, attached, solved.value, -1) : null;
  }
  const ideal = { id: meter.id, resistance: 0, from: meter.node, to: { liftedEnds: meter.ends } };
  const branch = network.elements.length + others.length;
  const value = others.length === 0 ? currentInto(unloaded, meter) : null;
  if (!value) {
    // Links may share the current between them: an ideal ammeter in the break determines it.
    const broken = attach(named, [...others, ideal]);
    const solved = solveCircuit(broken.circuit);
    return solved.ok ? sensitivityOf(meter, broken, solved.value, branch) : null;
  }
  const { circuit } = attach(tangent, [ideal]);
  return withAdjoint(circuit, solution, branch, value, drivenAt(circuit, branch), meter);
}

/** The sum of the currents that flow from an ammeter's node into its lifted ends; null if links share it between them. */
function currentInto({ network, solution }: Unloaded, { ends }: AmmeterPlacement): DoubleDouble | null {
  let sum: DoubleDouble = zero;
  for (const end of ends) {
    const { element, end: side } = parseEnd(end)!;
    const through = solution.currents[network.elements.findIndex(({ id }) => id === element)] ?? null;
    if (!through) return null;
    sum = side === 'from' ? add(sum, through) : subtract(sum, through);
  }
  return sum;
}

/** The value that a meter indicates in a solved circuit; `branch` is the meter's own. */
function sensitivityOf(
  meter: Meter,
  { circuit: bare, nodeNumber }: NetworkCircuit,
  solution: CircuitSolution,
  branch: number,
): Sensitivity | null {
  // Loads that are not ohmic count as their tangents at the operating point.
  const circuit = { ...bare, branches: solution.circuit.branches };
  if (meter.quantity === 'dc-current') {
    const value = solution.currents[branch];
    return value ? withAdjoint(circuit, solution, branch, value, drivenAt(circuit, branch), meter) : null;
  }
  const [red, black] = [nodeNumber.get(meter.red)!, nodeNumber.get(meter.black)!];
  const value = solution.voltage(red, black);
  return value && withAdjoint(circuit, solution, -1, value, injectedAt(circuit, red, black), meter);
}

function withAdjoint(
  circuit: Circuit,
  solution: CircuitSolution,
  branch: number,
  value: DoubleDouble,
  driven: Circuit,
  meter: Meter,
): Sensitivity | null {
  const adjoint = solveCircuit(driven);
  if (!adjoint.ok) return null;
  const reversed = meter.quantity === 'dc-current' && (meter.reversed ?? false);
  const isCurrent = branch !== -1;
  const responseIn = (at: number): DoubleDouble =>
    circuit.branches[at]?.kind === 'open' ? zero : (adjoint.value.currents[at] ?? zero);
  const seen = isCurrent ? responseIn(branch) : terminalsOf(meter, driven, adjoint.value);
  return {
    value: reversed ? negate(value) : value,
    seen: seen ?? zero,
    by(at) {
      const product = multiply(solution.currents[at] ?? zero, responseIn(at));
      return isCurrent !== reversed ? negate(product) : product;
    },
    response2: (at) => multiply(responseIn(at), responseIn(at)),
  };
}

/** V between the terminals of a voltmeter into which the last branch of a circuit drives 1 A. */
function terminalsOf(meter: Meter, { branches }: Circuit, solution: CircuitSolution): DoubleDouble | null {
  const source = branches.at(-1);
  return meter.quantity === 'dc-voltage' && source ? solution.voltage(source.to, source.from) : null;
}

/** The circuit with all sources set to zero. */
const atZero = ({ branches, ...circuit }: Circuit): Circuit => ({
  ...circuit,
  branches: branches.map(({ law: _solved, ...branch }): Branch => {
    if (branch.kind === 'current') return { ...branch, kind: 'open', current: 0 };
    return branch.emf.hi === 0 ? branch : { ...branch, emf: zero };
  }),
});

/** The same with 1 A driven into one node and out of another. */
function injectedAt(circuit: Circuit, into: number, out: number): Circuit {
  const still = atZero(circuit);
  const source: Branch = {
    id: ' adjoint',
    kind: 'current',
    from: out,
    to: into,
    resistance: zero,
    emf: zero,
    current: 1,
  };
  return { ...still, branches: [...still.branches, source] };
}

/** The same with 1 V in series with a branch, driving from → to. */
function drivenAt(circuit: Circuit, branch: number): Circuit {
  const still = atZero(circuit);
  const emf = exactly(-1);
  return { ...still, branches: still.branches.map((one, index) => (index === branch ? { ...one, emf } : one)) };
}
