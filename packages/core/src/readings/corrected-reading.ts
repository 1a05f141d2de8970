import { findRange, rangesOf, type Instrument } from '../instrument/index.ts';
import {
  correctedValue,
  correctionAt,
  setupFaults,
  solveSetup,
  type CorrectedValue,
  type CorrectionFactor,
  type Setup,
  type Unloaded,
} from '../loading/index.ts';
import type { ObservedValue } from './observed-value.ts';
import type { Reading } from './reading.ts';
import { ownMeter, setupOf } from './setup-of.ts';
import { placedInSolved } from './unloaded-source.ts';

/** A part out of circuit needs no correction. */
const uncorrected: CorrectionFactor = { factor: 1, contributions: [] };

const instrumentOf = (instruments: readonly Instrument[], { instrument }: Reading): Instrument =>
  instruments.find(({ id }) => id === instrument) ?? { id: instrument };

type Known = Map<string, CorrectionFactor | null>;
const known = new WeakMap<Unloaded, WeakMap<readonly Instrument[], Known>>();

/**
 * Returns the factor that a reading is corrected with. Readings at one measurement point with the same meters have the same
 * one: it is computed once for a solved network and a list of instruments.
 *
 * @returns null if the indication does not determine the true value
 */
function correctionFactorOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  reading: Reading,
): CorrectionFactor | null {
  if (reading.quantity === 'resistance') {
    const part = unloaded.network.elements.find(({ id }) => id === reading.element);
    const isThere = rangesOf(instrumentOf(instruments, reading), 'resistance').some(({ id }) => id === reading.range);
    return part?.kind === 'resistor' && isThere ? uncorrected : null;
  }
  const placed = placedInSolved(unloaded, reading);
  if (!placed) return null;
  const setup = setupOf(placed.reading);
  if (setupFaults(placed.unloaded.network, instruments, setup).length > 0) return null;
  const byInstruments = known.get(placed.unloaded) ?? new WeakMap<readonly Instrument[], Known>();
  known.set(placed.unloaded, byInstruments);
  const bySetup: Known = byInstruments.get(instruments) ?? new Map<string, CorrectionFactor | null>();
  byInstruments.set(instruments, bySetup);
  const key = JSON.stringify(setup);
  const before = bySetup.get(key);
  if (before !== undefined) return before;
  const found = factorOf(placed.unloaded, instruments, setup);
  const named = found && {
    ...found,
    contributions: found.contributions.map((one) => ({ ...one, of: nameOf(reading, one.of) })),
  };
  bySetup.set(key, named);
  return named;
}

/** The factor of a reading's own meter; null if it indicates 0, if nothing determines its indication, or if its fuse has blown. */
function factorOf(unloaded: Unloaded, instruments: readonly Instrument[], setup: Setup): CorrectionFactor | null {
  const solved = solveSetup(unloaded, instruments, setup);
  if (!solved.ok) return null;
  const { meters } = solved.value;
  const { indicated, state } = meters[ownMeter]!;
  if (!indicated || state === 'fuse-blown') return null;
  const blown = new Set(Object.keys(meters).filter((id) => meters[id]!.state === 'fuse-blown'));
  const own = setup.meters.find(({ id }) => id === ownMeter)!;
  const instrument = instruments.find(({ id }) => id === own.instrument)!;
  return correctionAt(unloaded, instruments, setup, ownMeter, blown)(findRange(instrument, own.quantity, own.range)!);
}

/**
 * Returns the corrected value of a reading with its budget.
 *
 * @param observed  as `observedValue` returns it
 * @returns null if the reading has no value, or if its indication does not determine the true value
 */
export function correctedReading(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  reading: Reading,
  { value, spread }: Pick<ObservedValue, 'value' | 'spread'>,
): CorrectedValue | null {
  const instrument = instruments.find(({ id }) => id === reading.instrument);
  if (!instrument || value === null || spread === null) return null;
  const factor = correctionFactorOf(unloaded, instruments, reading);
  const range = findRange(instrument, reading.quantity, reading.range);
  return factor && range ? correctedValue(factor, { instrument, range, value, spread, rate: reading.rate }) : null;
}

/** Meters alongside have their own ids in the record. */
function nameOf({ alongside = [] }: Reading, of: string): string {
  const at = /^meter:alongside-(\d+)$/.exec(of);
  return at ? `meter:${alongside[Number(at[1]) - 1]!.id}` : of;
}
