import type { Instrument, MeterQuantity } from '../instrument/index.ts';
import { isToleranced, spanOf, type Network } from '../network/index.ts';
import { ok, type Result } from '../result.ts';
import type { SolverFault } from '../solver/index.ts';
import type { Setup } from './setup.ts';
import { isLinear, solveSetup, solveUnloaded, type Unloaded } from './solve-setup.ts';

/** What a meter's place offers to any meter that is put there, the set-up's other meters connected. */
export interface MeasurementPoint {
  /** V or A that an ideal meter would show here; null where nothing determines it. */
  readonly ideal: number | null;
  /** The same with no other meter connected. */
  readonly truth: number | null;
  /** Ω that the terminals look into; null where infinite. Where loads are not ohmic, of their tangents. */
  readonly sourceResistance: number | null;
  /**
   * Where loads are not ohmic: what a meter of a resistance, Ω, really indicates here, the whole network solved with it; null
   * where nothing determines it. Elsewhere it follows from the source resistance.
   */
  readonly indicatedBy?: (meterResistance: number) => number | null;
}

/** The share of its ideal reading that a meter of a resistance, Ω, takes at a place; null where nothing determines it. */
export function shareTaken(
  { ideal, sourceResistance, indicatedBy }: MeasurementPoint,
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

/** Ω of the stand-in across: next to nothing flows in it, so that it blows no fuse of another meter. */
const standIn = 1e18;

/** The stand-in that a place is looked at with: it changes nothing, and no fuse of it blows. */
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

/**
 * Looks into the place of one meter of a set-up. From it every range of every instrument follows without solving again:
 * V·R_m/(R_m + R_s) across, I·R_s/(R_s + R_m) in series.
 *
 * @param meter  the meter whose place it is; it is left out
 */
export function measurementPointOf(
  unloaded: Unloaded,
  instruments: readonly Instrument[],
  setup: Setup,
  meter: string,
): Result<MeasurementPoint, SolverFault> {
  const meters = setup.meters.map((other) =>
    other.id === meter ? { ...other, instrument: ideal.id, range: 'ideal' } : other,
  );
  const solveWith = (own: Instrument) => solveSetup(unloaded, [...instruments, own], { ...setup, meters });
  const solved = solveWith(ideal);
  if (!solved.ok) return solved;
  const reading = solved.value.meters[meter]!;
  const { indicated, sourceResistance, true: truth } = reading;
  const across = setup.meters.find(({ id }) => id === meter)!.quantity === 'dc-voltage';
  // What the stand-in takes is put back in closed form.
  const whole = indicated === null || !across ? indicated : indicated * (1 + (sourceResistance ?? 0) / standIn);
  if (isLinear(unloaded)) return ok({ ideal: whole, truth, sourceResistance });
  const indicatedBy = (resistance: number): number | null => {
    const loaded = solveWith(standInOf(resistance, resistance));
    return loaded.ok ? loaded.value.meters[meter]!.indicated : null;
  };
  return ok({ ideal: whole, truth, sourceResistance, indicatedBy });
}

/**
 * The share of itself by which the source resistance of a place may be off for the tolerances of the parts.
 *
 * The resistance between two points never falls when any resistance rises (Rayleigh), so its limits are those with every
 * part at its upper and at its lower limit.
 *
 * @returns half the span over the nominal value; 0 where there is none
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
