import { findRange, type Instrument, type Range } from '../instrument/index.ts';
import { attachmentOf, solveSetup, type AmmeterPlacement, type Meter, type Setup, type Unloaded } from '../loading/index.ts';
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
  type Branch,
  type Circuit,
  type CircuitSolution,
  type DoubleDouble,
  type NetworkCircuit,
} from '../solver/index.ts';

/** What a resistance contributes to the uncertainty of a correction. */
export interface FactorContribution {
  /** Id of a part, `meter` for the meter itself, `meter:ID` for another meter of the set-up. */
  readonly of: string;
  /** |∂(T/E)/∂R| · limit of R / √3: standard, as a ratio. */
  readonly contribution: number;
}

/** Factor by which a meter's indication is corrected, true over expected, and how well it is known. */
export interface CorrectionFactor {
  readonly factor: number;
  readonly contributions: readonly FactorContribution[];
}

/**
 * Returns the factor T/E of a meter, its true value without any meter over its indication with the whole set-up connected,
 * and the contribution of each toleranced resistance to its uncertainty.
 *
 * By the law of propagation of uncertainty (JCGM 100:2008, 5.1.2), rectangular limits by 4.3.7. A change of a resistance is an
 * EMF of −i·dR in series with it, so by reciprocity ∂V/∂R = i·j, with j its current for 1 A driven into the terminals, and
 * ∂I/∂R = −i·h, with h its current for 1 V in series with the meter. All in double-doubles: for a meter that loads little,
 * the two sensitivities cancel in T/E.
 *
 * @param setup  without faults by `setupFaults`
 * @param meter  id of the meter that is corrected
 * @returns null if nothing leads back from the indication: it is 0 or undetermined, or its fuse has blown
 */
export function correctionFactor(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: string,
): CorrectionFactor | null {
  const own = setup.meters.findIndex(({ id }) => id === meter);
  const placed = setup.meters[own]!;
  const solved = solveSetup(unloaded, instruments, setup);
  if (!solved.ok || solved.value.meters[meter]!.state === 'fuse-blown') return null;
  const attachments = setup.meters.map((one) =>
    attachmentOf(one, rangeOf(instruments, one), solved.value.meters[one.id]!.state === 'fuse-blown'),
  );
  const first = unloaded.network.elements.length;
  const truth = trueSensitivity(unloaded, placed);
  const loadedCircuit = attach(unloaded.named, attachments);
  const loaded = solveCircuit(loadedCircuit.circuit);
  const expected = loaded.ok ? sensitivityOf(placed, loadedCircuit, loaded.value, first + own) : null;
  if (!truth || !expected || expected.value.hi === 0) return null;

  const factor = divide(truth.value, expected.value);
  /** ∂(T/E)/∂R = (∂T/∂R − T/E·∂E/∂R)/E. */
  const slope = (branch: number): DoubleDouble =>
    divide(
      subtract(branch < first ? truth.by(branch) : zero, multiply(factor, expected.by(branch))),
      expected.value,
    );
  const contribution = (of: string, branch: number, limit: number): FactorContribution => ({
    of,
    contribution: (Math.abs(toNumber(slope(branch))) * limit) / Math.sqrt(3),
  });
  return {
    factor: toNumber(factor),
    contributions: [
      ...unloaded.network.elements.flatMap((part, branch) =>
        isToleranced(unloaded.network, part) ? [contribution(part.id, branch, spanOf(part))] : [],
      ),
      ...setup.meters.flatMap((one, index) => {
        const { resistance, resistanceTolerance = 0 } = rangeOf(instruments, one);
        const limit = resistance * resistanceTolerance;
        if (limit === 0 || attachments[index]!.open) return [];
        return [contribution(one.id === meter ? 'meter' : `meter:${one.id}`, first + index, limit)];
      }),
    ],
  };
}

const rangeOf = (instruments: readonly Instrument[], { instrument, quantity, range }: Meter): Range =>
  findRange(instruments.find(({ id }) => id === instrument)!, quantity, range)!;

/** A value of a circuit, and its derivative with respect to the resistance of any branch. */
interface Sensitivity {
  readonly value: DoubleDouble;
  by(branch: number): DoubleDouble;
}

/** The value of an ideal meter alone. */
function trueSensitivity(unloaded: Unloaded, meter: Meter): Sensitivity | null {
  const { named, tangent, solution } = unloaded;
  if (meter.quantity === 'dc-voltage') return sensitivityOf(meter, { ...named, circuit: tangent.circuit }, solution, -1);
  const ideal = { id: meter.id, resistance: 0, from: meter.node, to: { liftedEnds: meter.ends } };
  const circuit = attach(tangent, [ideal]);
  const branch = unloaded.network.elements.length;
  const value = currentInto(unloaded, meter);
  if (!value) {
    // Links share the current between them; an ideal ammeter in the break determines it.
    const broken = attach(named, [ideal]);
    const solved = solveCircuit(broken.circuit);
    return solved.ok ? sensitivityOf(meter, broken, solved.value, branch) : null;
  }
  return withAdjoint(circuit.circuit, solution, branch, value, drivenAt(circuit.circuit, branch), meter);
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
  return {
    value: reversed ? negate(value) : value,
    by(at) {
      const [through, response] = [solution.currents[at] ?? null, adjoint.value.currents[at] ?? null];
      if (!through || !response || circuit.branches[at]?.kind === 'open') return zero;
      const product = multiply(through, response);
      return isCurrent !== reversed ? negate(product) : product;
    },
  };
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
