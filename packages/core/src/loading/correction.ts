import {
  ownErrorAt,
  rangesOf,
  readingUncertainty,
  type Instrument,
  type MeterQuantity,
  type Range,
} from '../instrument/index.ts';
import { isToleranced, replaceElement, spanOf } from '../network/index.ts';
import { measurementPointOf, shareTaken, type MeasurementPoint } from './measurement-point.ts';
import type { Setup } from './setup.ts';
import { solveUnloaded, type Unloaded } from './solve-setup.ts';

/** How well is known what a correction is made from. */
export interface Uncertainties {
  /** Share of itself that the source resistance may be off. */
  readonly sourceResistance: number;
  /** Share of itself that a meter's resistance may be off; 1 % where nobody says. */
  readonly meterResistance: number;
  /** Share of itself that the factor of the set-up's other meters may be off; 0 where left out. */
  readonly otherMeters?: number;
}

/** A true value worked back from a reading, V or A, with the limit of its uncertainty. */
export interface Corrected {
  readonly value: number;
  readonly uncertainty: number;
}

/**
 * The true value, with no meter connected at all, behind what an instrument indicates on a range: its own error comes off first,
 * where a certificate says it, then the loading.
 *
 * @param indicated  V or A
 * @returns null as `correctReading`
 */
export function correctIndication(
  instrument: Instrument,
  range: Range,
  quantity: MeterQuantity,
  indicated: number,
  point: MeasurementPoint,
  uncertainties: Uncertainties,
): Corrected | null {
  const { accuracy, resolution } = readingUncertainty(instrument, range, indicated);
  const read = indicated - ownErrorAt(range.calibration, indicated);
  return correctReading(read, accuracy + resolution, point, range.resistance, quantity, uncertainties);
}

/**
 * The true value behind a reading: V(1 + R_s/R_m) across, I(1 + R_m/R_s) in series, takes this meter out; what the
 * set-up's other meters change is taken out by the ratio of the true value to what an ideal meter indicates beside them.
 *
 * @param own  limit of the reading's own uncertainty, V or A
 * @returns null where nothing leads back: a current indicated with no resistance behind it, or a true value that the other
 *          meters bring to zero
 */
export function correctReading(
  indicated: number,
  own: number,
  point: MeasurementPoint,
  meterResistance: number,
  quantity: MeterQuantity,
  uncertainties: Uncertainties,
): Corrected | null {
  const others = otherMetersFactor(point);
  const ratio = ratioAt(point, meterResistance, quantity);
  if (others === null || ratio === null) return null;
  const value = indicated * (1 + ratio) * others;
  const spread =
    Math.abs(indicated * ratio * others) * (uncertainties.sourceResistance + uncertainties.meterResistance);
  return {
    value,
    uncertainty: own * (1 + ratio) * Math.abs(others) + spread + Math.abs(value) * (uncertainties.otherMeters ?? 0),
  };
}

/**
 * What a reading is corrected by: the ratio R_s/R_m across, R_m/R_s in series, as its two resistances, Ω.
 *
 * @param sourceResistance  Ω; null where it has no limit
 * @returns null where the source resistance has no limit
 */
export function loadingRatioOf(
  sourceResistance: number | null,
  meterResistance: number,
  quantity: MeterQuantity,
): { readonly over: number; readonly under: number } | null {
  if (sourceResistance === null) return null;
  return quantity === 'dc-voltage'
    ? { over: sourceResistance, under: meterResistance }
    : { over: meterResistance, under: sourceResistance };
}

/** The ratio at a place; where loads are not ohmic what it really comes to, ideal over indicated less one. */
function ratioAt(point: MeasurementPoint, meterResistance: number, quantity: MeterQuantity): number | null {
  if (!point.indicatedBy) return loadingRatio(point.sourceResistance, meterResistance, quantity);
  const taken = shareTaken(point, meterResistance, quantity);
  return taken === null || taken === 1 ? null : taken / (1 - taken);
}

/** The ratio as a number; null where it has no limit. */
function loadingRatio(
  sourceResistance: number | null,
  meterResistance: number,
  quantity: MeterQuantity,
): number | null {
  const ratio = loadingRatioOf(sourceResistance, meterResistance, quantity);
  if (!ratio) return quantity === 'dc-voltage' ? null : 0;
  if (ratio.over === 0) return 0;
  return ratio.under === 0 ? null : ratio.over / ratio.under;
}

/** The true value over what an ideal meter indicates beside the set-up's others; null where one is not known or zero. */
export function otherMetersFactor({ ideal, truth }: MeasurementPoint): number | null {
  if (truth === ideal) return 1;
  return truth === null || ideal === null || ideal === 0 ? null : truth / ideal;
}

/**
 * The share of itself by which the factor of the other meters may be off: for the tolerance of each part, and for the
 * resistance of each other meter, half the span from limit to limit each, added up. To first order that is the worst case.
 *
 * @param meter            the meter that is corrected
 * @param meterResistance  share of itself that each other meter's resistance may be off
 * @returns a ratio; 0 for a meter alone, or where there is no factor
 */
export function otherMetersUncertainty(
  { network }: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: string,
  meterResistance: number,
): number {
  if (setup.meters.length < 2) return 0;
  const factorWith = (changed: typeof network, meters: readonly Instrument[], of: Setup): number | null => {
    const unloaded = solveUnloaded(changed);
    const point = unloaded.ok ? measurementPointOf(unloaded.value, meters, of, meter) : null;
    return point?.ok ? otherMetersFactor(point.value) : null;
  };
  const factor = factorWith(network, instruments, setup);
  if (!factor) return 0;
  const swing = (at: (side: 1 | -1) => number | null): number => {
    const [low, high] = [at(-1), at(1)];
    return low === null || high === null ? 0 : Math.abs((high - low) / 2 / factor);
  };
  const parts = network.elements.map((part) => {
    if (!isToleranced(network, part)) return 0;
    return swing((side) => {
      const shifted = { ...part, resistance: part.resistance + side * spanOf(part) };
      return factorWith(replaceElement(network, part.id, shifted), instruments, setup);
    });
  });
  const meters = setup.meters.map(({ id }) => {
    if (id === meter) return 0;
    return swing((side) => {
      const off = withResistanceOff(instruments, setup, id, side * meterResistance);
      return factorWith(network, off.instruments, off.setup);
    });
  });
  return [...parts, ...meters].reduce((sum, one) => sum + one, 0);
}

/** The set-up with one meter's resistance off by a share of itself. */
function withResistanceOff(
  instruments: readonly Instrument[],
  setup: Setup,
  meter: string,
  share: number,
): { readonly instruments: readonly Instrument[]; readonly setup: Setup } {
  const placed = setup.meters.find(({ id }) => id === meter)!;
  const instrument = instruments.find(({ id }) => id === placed.instrument);
  if (!instrument) return { instruments, setup };
  const off: Instrument = {
    ...instrument,
    id: ` ${instrument.id} off`,
    functions: (['dc-voltage', 'dc-current'] as const).map((quantity) => ({
      quantity,
      ranges: rangesOf(instrument, quantity).map((range) => ({ ...range, resistance: range.resistance * (1 + share) })),
    })),
  };
  const meters = setup.meters.map((other) => (other.id === meter ? { ...other, instrument: off.id } : other));
  return { instruments: [...instruments, off], setup: { ...setup, meters } };
}
