import { displayState, type Instrument, type MeterState, type Range } from '../instrument/index.ts';
import { isLinear, type Meter, type Unloaded } from '../loading/index.ts';
import { parseEnd } from '../network/index.ts';
import { breakResistance, resistanceBetween, toNumber, type PairResistance } from '../solver/index.ts';
import { toleranceField, tolerancedParts, type ToleranceField, type ToleranceResponse } from '../uncertainty/index.ts';

/** Indication of a meter that is alone in the circuit. */
export interface ReadAlone {
  readonly true: number;
  readonly expected: number;
  readonly loading: number;
  readonly state: MeterState;
  readonly response: ToleranceResponse | null;
  /** The same for an ideal meter. */
  trueResponse(): ToleranceResponse | null;
}

/**
 * A meter alone across two nodes, or in series with one resistance: V·R_m/(R_m + R_s), I·R_s/(R_s + R_m), with R_s from one
 * reduction of the network that serves all places.
 *
 * @returns null if it has to be solved for: other breaks, places where nothing is determined, loads that are not ohmic
 */
export function readAlone(unloaded: Unloaded, meter: Meter, instrument: Instrument, range: Range): ReadAlone | null {
  if (!isLinear(unloaded)) return null;
  const { between, field } = lookInto(unloaded);
  const { named, solution, network } = unloaded;
  if (!between) return null;
  if (meter.quantity === 'dc-voltage') {
    const [from, to] = [named.nodeNumber.get(meter.red)!, named.nodeNumber.get(meter.black)!];
    const voltage = solution.voltage(from, to);
    const seen = between(from, to);
    if (!voltage || !seen) return null;
    const truth = toNumber(voltage) + 0;
    const sourceResistance = toNumber(seen);
    const whole = range.resistance + sourceResistance;
    const expected = (truth * range.resistance) / whole;
    return {
      true: truth,
      expected,
      loading: 0 - (truth * sourceResistance) / whole,
      state: displayState(instrument, range, expected),
      response: field?.across(from, to, range.resistance, truth) ?? null,
      trueResponse: () => field?.across(from, to, Infinity, truth) ?? null,
    };
  }
  const end = meter.ends.length === 1 ? parseEnd(meter.ends[0]!) : null;
  const index = end ? network.elements.findIndex(({ id }) => id === end.element) : -1;
  const branch = named.circuit.branches[index];
  const current = solution.currents[index];
  if (!end || branch?.kind !== 'resistance' || !current || branch.from === branch.to) return null;
  const reversed = (end.end === 'to') !== (meter.reversed ?? false);
  const through = toNumber(current);
  const truth = (reversed ? 0 - through : through) + 0;
  const seen = breakResistance(branch.resistance, between(branch.from, branch.to)!);
  const share = seen === null ? 1 : seen === 0 && range.resistance === 0 ? 1 : seen / (seen + range.resistance);
  const expected = truth * share;
  const blown = range.fuse !== undefined && Math.abs(expected) > range.fuse;
  return {
    true: truth,
    expected: blown ? 0 : expected,
    loading: 0 - (blown ? truth : seen === null ? 0 : (truth * range.resistance) / (seen + range.resistance)),
    state: blown ? 'fuse-blown' : displayState(instrument, range, expected),
    response: blown ? null : (field?.inSeries(index, range.resistance, through, reversed) ?? null),
    trueResponse: () => field?.inSeries(index, 0, through, reversed) ?? null,
  };
}

interface Looked {
  readonly between: PairResistance | null;
  readonly field: ToleranceField | null;
}

const looked = new WeakMap<Unloaded, Looked>();

/** One reduction of a network, for all its places. */
function lookInto(unloaded: Unloaded): Looked {
  const known = looked.get(unloaded);
  if (known) return known;
  const { circuit } = unloaded.named;
  const toleranced = tolerancedParts(unloaded.network);
  const made = {
    between: resistanceBetween(circuit),
    field: toleranced.length > 0 ? toleranceField(circuit, toleranced) : null,
  };
  looked.set(unloaded, made);
  return made;
}
