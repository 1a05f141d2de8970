import { findRange, rangesOf, readingUncertainty, type Instrument } from '../instrument/index.ts';
import { setupFaults, type Unloaded } from '../loading/index.ts';
import { correctionFactor, type CorrectionFactor } from '../uncertainty/index.ts';
import { ownMeter, setupOf } from './setup-of.ts';
import type { ObservedValue } from './observed-value.ts';
import type { Reading } from './reading.ts';
import { placedInSolved } from './unloaded-source.ts';

/** One contribution to the uncertainty of a corrected value. */
export interface BudgetEntry {
  /** `accuracy` or `certificate`, `resolution`, `spread`, the id of a part, `meter`, or `meter:ID` for a meter alongside. */
  readonly of: string;
  /** Standard uncertainty, in the reading's unit. */
  readonly contribution: number;
}

/** A value corrected for the effect of all meters, with U, k = 2, and what U consists of. V, A or Ω. */
export interface CorrectedValue {
  readonly value: number;
  readonly uncertainty: number;
  readonly budget: readonly BudgetEntry[];
}

/** Share of the whole below which a contribution is noise of the computation: 1e-20, of 28 digits. */
const noise = 1e-20;

/**
 * Returns the corrected value C = v·T/E of a reading, T its true value and E its expected one.
 *
 * u²(C) = (T/E)²·u²(v) + Σ(v·∂(T/E)/∂R · limit/√3)² over parts and meters (JCGM 100:2008, 5.1.2); U = 2u.
 *
 * @param value   value of the reading, V, A or Ω
 * @param spread  standard uncertainty of the value from its observations
 */
export function correctedValue(
  { factor, contributions }: CorrectionFactor,
  reading: Pick<Reading, 'quantity' | 'range' | 'rate'>,
  instrument: Instrument,
  value: number,
  spread: number,
): CorrectedValue {
  const range = findRange(instrument, reading.quantity, reading.range);
  const limits = range
    ? readingUncertainty(instrument, range, value, reading.rate)
    : { accuracy: 0, resolution: 0 };
  const own = (of: string, standard: number): BudgetEntry => ({ of, contribution: Math.abs(factor) * standard });
  const all = [
    own(range?.calibration ? 'certificate' : 'accuracy', limits.accuracy / Math.sqrt(3)),
    own('resolution', limits.resolution / Math.sqrt(3)),
    own('spread', spread),
    ...contributions.map(({ of, contribution }) => ({ of, contribution: Math.abs(value) * contribution })),
  ];
  const u = Math.hypot(...all.map(({ contribution }) => contribution));
  return {
    value: value * factor + 0,
    uncertainty: 2 * u,
    budget: all.filter(({ contribution }) => contribution > noise * u),
  };
}

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
 * @returns null if nothing leads back to the true value
 */
export function correctionFactorOf(
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
  const found = correctionFactor(placed.unloaded, instruments, setup, ownMeter);
  const named = found && { ...found, contributions: found.contributions.map((one) => ({ ...one, of: nameOf(reading, one.of) })) };
  bySetup.set(key, named);
  return named;
}

/**
 * Returns the corrected value of a reading with its budget.
 *
 * @param observed  as `observedValue` returns it
 * @returns null if the reading has no value, or if nothing leads back to the true value
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
  return factor && correctedValue(factor, reading, instrument, value, spread);
}

/** Meters alongside have their own ids in the record. */
function nameOf({ alongside = [] }: Reading, of: string): string {
  const at = /^meter:alongside-(\d+)$/.exec(of);
  return at ? `meter:${alongside[Number(at[1]) - 1]!.id}` : of;
}
