import { findRange, type Instrument, type MeterState, type Range } from '../instrument/index.ts';
import { attachmentOf, setupFaults, solveSetup, type Meter, type Unloaded } from '../loading/index.ts';
import type { Network } from '../network/index.ts';
import { attach, type Attachment } from '../solver/index.ts';
import { toleranceLimits, toleranceResponse, tolerancedParts, type ToleranceResponse } from '../uncertainty/index.ts';
import { readAlone } from './alone.ts';
import { setupOf } from './setup-of.ts';
import type { Reading, ResistanceReading } from './reading.ts';
import { placedInSolved, type PlacedSolved } from './unloaded-source.ts';

/** Expected indication of a reading's meter at its place, before anybody has read it. V, A or Ω. */
export interface Expectation {
  /** Indication of an ideal meter alone. */
  readonly true: number | null;
  /** Indication of this meter with those alongside, before rounding; null if the reading cannot be compared. */
  readonly expected: number | null;
  /** expected − true. */
  readonly loading: number | null;
  /** State of the meter; null if its place or instrument is gone. */
  readonly state: MeterState | null;
  /** Limits of `expected` over the parts' tolerances, worst case. */
  readonly limits: Limits | null;
  /** The same of `true`. */
  trueLimits(): Limits | null;
  /** Effect of the tolerances on `expected`; null if they have none. */
  readonly response: ToleranceResponse | null;
}

/** Limits of a value, in its unit. */
export interface Limits {
  readonly low: number;
  readonly high: number;
}

const gone: Expectation = {
  true: null,
  expected: null,
  loading: null,
  state: null,
  limits: null,
  trueLimits: () => null,
  response: null,
};

/** Returns the expectation of a reading in a network that has been solved with no meter connected. */
export function expectationOf(unloaded: Unloaded, instruments: readonly Instrument[], reading: Reading): Expectation {
  if (reading.quantity === 'resistance') return resistanceExpectation(unloaded.network, instruments, reading);
  const placed = placedInSolved(unloaded, reading);
  return placed ? expectationInCircuit(placed, instruments) : gone;
}

function expectationInCircuit({ unloaded, reading }: PlacedSolved, instruments: readonly Instrument[]): Expectation {
  const { network } = unloaded;
  const setup = setupOf(reading);
  const meter = setup.meters[0]!;
  if (setupFaults(network, instruments, setup).length > 0) return gone;
  const alone =
    setup.meters.length === 1
      ? readAlone(unloaded, meter, instrumentOf(instruments, meter), rangeOf(instruments, meter))
      : null;
  if (alone) {
    const { response, trueResponse, ...figures } = alone;
    return {
      ...figures,
      limits: toleranceLimits(alone.expected, response ? [response] : []),
      trueLimits: () => {
        const ideal = trueResponse();
        return toleranceLimits(alone.true, ideal ? [ideal] : []);
      },
      response,
    };
  }
  const solved = solveSetup(unloaded, instruments, setup);
  if (!solved.ok) return gone;
  const { meters } = solved.value;
  const { true: truth, indicated: expected, error: loading, state } = meters[meter.id]!;
  const attachments = setup.meters.map((one) =>
    attachmentOf(one, rangeOf(instruments, one), meters[one.id]!.state === 'fuse-blown'),
  );
  const response = expected === null || state === 'fuse-blown' ? null : responseAt(unloaded, meter, attachments);
  return {
    true: truth,
    expected,
    loading,
    state,
    limits: expected === null ? null : toleranceLimits(expected, response ? [response] : []),
    trueLimits: () => {
      if (truth === null) return null;
      const ideal = meter.quantity === 'dc-voltage' ? [] : [{ ...attachments[0]!, resistance: 0, open: false }];
      const alone = responseAt(unloaded, meter, ideal);
      return toleranceLimits(truth, alone ? [alone] : []);
    },
    response,
  };
}

/** The same for many readings: what was worked out for one is remembered as long as it is there. */
export function expectationsOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
): (reading: Reading) => Expectation {
  const known = new WeakMap<Reading, Expectation>();
  return (reading) => {
    const before = known.get(reading);
    if (before) return before;
    const made = expectationOf(unloaded, instruments, reading);
    known.set(reading, made);
    return made;
  };
}

const instrumentOf = (instruments: readonly Instrument[], { instrument }: Meter): Instrument =>
  instruments.find(({ id }) => id === instrument)!;

const rangeOf = (instruments: readonly Instrument[], meter: Meter): Range =>
  findRange(instrumentOf(instruments, meter), meter.quantity, meter.range)!;

/** A resistor out of circuit: its nominal resistance and its tolerance. */
function resistanceExpectation(
  network: Network,
  instruments: readonly Instrument[],
  reading: ResistanceReading,
): Expectation {
  const part = network.elements.find(({ id }) => id === reading.element);
  const instrument = instruments.find(({ id }) => id === reading.instrument);
  const range = instrument && findRange(instrument, 'resistance', reading.range);
  if (part?.kind !== 'resistor' || !range) return gone;
  const { resistance, tolerance = 0 } = part;
  const limits = { low: resistance * (1 - tolerance), high: resistance * (1 + tolerance) };
  return {
    true: resistance,
    expected: resistance,
    loading: 0,
    state: resistance > range.fullScale ? 'over-range' : 'ok',
    limits,
    trueLimits: () => limits,
    response: null,
  };
}

/** Returns the effect of the tolerances on the first of some attachments, or on the voltage between two nodes. */
function responseAt(unloaded: Unloaded, meter: Meter, attachments: readonly Attachment[]): ToleranceResponse | null {
  const { network, named } = unloaded;
  const toleranced = tolerancedParts(network);
  if (toleranced.length === 0) return null;
  const { circuit, nodeNumber } = attach(named, attachments);
  const output =
    meter.quantity === 'dc-voltage'
      ? { from: nodeNumber.get(meter.red)!, to: nodeNumber.get(meter.black)! }
      : { branch: network.elements.length, reversed: meter.reversed ?? false };
  return toleranceResponse(circuit, toleranced, output);
}
