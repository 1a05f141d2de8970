import type { Instrument, MeterQuantity } from '../instrument/index.ts';
import { isToleranced, spanOf, type Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import { correctionAt, type CorrectionOn } from './correction-factor.ts';
import type { Setup } from './setup.ts';
import { solveSetup } from './solve-setup.ts';
import { isLinear, solveUnloaded, type Unloaded } from './unloaded.ts';

/** Values at a measurement point for any meter, with the set-up's other meters connected. */
export interface PointValues {
  /** Indication of an ideal meter here, V or A; null if nothing determines it. */
  readonly ideal: number | null;
  /** The same with no other meter connected. */
  readonly truth: number | null;
  /** Source resistance at the terminals, Ω; null if it is infinite. If loads are not ohmic, that of their tangents. */
  readonly sourceResistance: number | null;
  /**
   * If loads are not ohmic: returns the indication of a meter of a resistance, Ω, with the whole network solved; null if nothing
   * determines it. Otherwise it follows from the source resistance.
   */
  readonly indicatedBy?: (meterResistance: number) => number | null;
}

/** The same with the correction of any meter that is connected here. */
export interface MeasurementPoint extends PointValues {
  readonly correctionOn: CorrectionOn;
}

/** The share of its ideal reading that a meter of a resistance, Ω, takes at a place; null if nothing determines it. */
export function shareTaken(
  { ideal, sourceResistance, indicatedBy }: PointValues,
  meterResistance: number,
  quantity: MeterQuantity,
): number | null {
  if (!indicatedBy) return loadingShare(sourceResistance, meterResistance, quantity);
  const indicated = indicatedBy(meterResistance);
  return indicated === null || !ideal ? null : (ideal - indicated) / ideal;
}

/** The share of its ideal reading that a meter takes: R_s/(R_m + R_s) across, R_m/(R_m + R_s) in series. */
export function loadingShare(
  sourceResistance: number | null,
  meterResistance: number,
  quantity: MeterQuantity,
): number {
  if (sourceResistance === null) return quantity === 'dc-voltage' ? 1 : 0;
  const taken = quantity === 'dc-voltage' ? sourceResistance : meterResistance;
  return taken === 0 ? 0 : taken / (meterResistance + sourceResistance);
}

/** Resistance of the substitute across, Ω: its current is far below the rounding of any other. */
const standIn = 1e18;

/** Substitute for a meter with which a place is examined: it changes nothing, and has no fuse. */
const ideal = standInOf(standIn, 0);

function standInOf(across: number, inSeries: number): Instrument {
  return {
    id: ' ideal',
    functions: [
      { quantity: 'dc-voltage', ranges: [{ id: 'ideal', fullScale: 1, resistance: across }] },
      { quantity: 'dc-current', ranges: [{ id: 'ideal', fullScale: 1, resistance: inSeries }] },
    ],
  };
}

/** Indication of a meter at a measurement point, V or A. */
export interface Indication {
  readonly indicated: number;
  /** Share of the ideal indication that the meter takes. */
  readonly taken: number;
  /** indicated − true; null if the true value is not known. */
  readonly loading: number | null;
  /** The same over true; null also if the true value is 0. */
  readonly relativeLoading: number | null;
}

/** Returns the indication of a meter of a resistance, Ω; null if nothing determines it. */
export function indicationAt(point: PointValues, meterResistance: number, quantity: MeterQuantity): Indication | null {
  const { ideal, truth } = point;
  const taken = shareTaken(point, meterResistance, quantity);
  if (ideal === null || taken === null) return null;
  const indicated = ideal * (1 - taken);
  // Alone, the error is the share itself: as a difference it would lose its digits.
  const isAlone = truth === ideal;
  const loading = truth === null ? null : isAlone ? 0 - truth * taken : indicated - truth;
  const relativeLoading = loading === null || !truth ? null : isAlone ? 0 - taken : loading / truth;
  return { indicated, taken, loading, relativeLoading };
}

/**
 * Returns what any meter would find at the measurement point of one meter of a set-up. From it every range of every instrument
 * follows without solving again: V·R_m/(R_m + R_s) across, I·R_s/(R_s + R_m) in series.
 *
 * The other meters are in the state that they have in the set-up itself: a fuse that has not blown there is whole.
 *
 * @param meter  the meter whose measurement point it is; it is left out
 */
export function measurementPointOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: string,
): Result<MeasurementPoint, SolverFault> {
  // A meter that is alone has no other meter's state, and may have no instrument yet.
  const real = setup.meters.length > 1 ? solveSetup(unloaded, instruments, setup) : null;
  if (real && !real.ok) return real;
  const blown = new Set(
    setup.meters.flatMap(({ id }) => (id !== meter && real?.value.meters[id]!.state === 'fuse-blown' ? [id] : [])),
  );
  const meters = setup.meters.map((other) =>
    other.id === meter ? { ...other, instrument: ideal.id, range: 'ideal' } : other,
  );
  const solveWith = (own: Instrument) => solveSetup(unloaded, [...instruments, own], { ...setup, meters }, blown);
  const solved = solveWith(ideal);
  if (!solved.ok) return solved;
  const { indicated, sourceResistance, true: truth } = solved.value.meters[meter]!;
  const across = setup.meters.find(({ id }) => id === meter)!.quantity === 'dc-voltage';
  // The current of the substitute is put back in closed form.
  const whole = indicated === null || !across ? indicated : indicated * (1 + (sourceResistance ?? 0) / standIn);
  let correction: CorrectionOn | null = null;
  const values: MeasurementPoint = {
    ideal: whole,
    truth,
    sourceResistance,
    correctionOn: (range) => (correction ??= correctionAt(unloaded, instruments, setup, meter, blown))(range),
  };
  if (isLinear(unloaded)) return ok(values);
  const indicatedBy = (resistance: number): number | null => {
    const loaded = solveWith(standInOf(resistance, resistance));
    return loaded.ok ? loaded.value.meters[meter]!.indicated : null;
  };
  return ok({ ...values, indicatedBy });
}

/**
 * The share of itself by which the source resistance of a place may be off for the tolerances of the parts.
 *
 * The resistance between two points never falls when any resistance rises (Rayleigh), so its limits are those with every
 * part at its upper and at its lower limit.
 *
 * @returns half the span over the nominal value; 0 if there is none
 */
export function sourceResistanceUncertainty(
  network: Network,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: string,
): number {
  const at = (side: 1 | -1): number | null => {
    const shifted = solveUnloaded(shiftedNetwork(network, side));
    const point = shifted.ok ? measurementPointOf(shifted.value, instruments, setup, meter) : null;
    return point?.ok ? point.value.sourceResistance : null;
  };
  const [low, high] = [at(-1), at(1)];
  return low === null || high === null || low + high === 0 ? 0 : (high - low) / (high + low);
}

/** Every toleranced resistor at the upper or lower limit of what it may be. */
export const shiftedNetwork = (network: Network, side: 1 | -1): Network => ({
  ...network,
  elements: network.elements.map((element) => {
    if (!isToleranced(network, element)) return element;
    return { ...element, resistance: element.resistance + side * spanOf(element) };
  }),
});
