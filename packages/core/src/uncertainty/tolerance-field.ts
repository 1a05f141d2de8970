import { quickCircuit, type Circuit, type QuickCircuit } from '../solver/index.ts';
import {
  determined,
  mostCornerParts,
  responseOf,
  type Toleranced,
  type ToleranceResponse,
} from './tolerance-limits.ts';

/**
 * Effect of the tolerances of a circuit on one connected meter, for many meters one after the other: the circuit is
 * laid out once, and each meter is a change of rank one.
 */
export interface ToleranceField {
  /**
   * To what a voltmeter of a resistance, Ω, indicates across two nodes that are joined; Infinity for an ideal one.
   *
   * @param voltage  V from one to the other with no meter connected
   */
  across(from: number, to: number, meterResistance: number, voltage: number): ToleranceResponse;
  /**
   * To what an ammeter of a resistance, Ω, indicates in series with a branch of finite resistance, from → to.
   *
   * @param current  A from → to with no meter connected
   */
  inSeries(branch: number, meterResistance: number, current: number, reversed: boolean): ToleranceResponse;
}

/** Lays a circuit out; null if ideal sources contradict each other. */
export function toleranceField(circuit: Circuit, toleranced: readonly Toleranced[]): ToleranceField | null {
  const quick = quickCircuit(circuit, []);
  if (!quick) return null;
  const n = toleranced.length;
  const inParts = (): Float64Array => Float64Array.from(toleranced, ({ branch }) => determined(quick.current(branch)));
  quick.solve([]);
  const currents = inParts();
  const ports = n > mostCornerParts ? null : portsOf(quick, toleranced, inParts);

  /** With a meter in, whose port has this effect, this response to itself and this current before it was in. */
  const withMeter = (effect: Float64Array, perDrive: number, drawn: number, scale: number): ToleranceResponse =>
    responseOf(toleranced, {
      currents: currents.map((current, j) => current + effect[j]! * drawn),
      effect: effect.map((one) => one * scale),
      ports: ports && ports.map((one, at) => one + effect[Math.floor(at / n)]! * effect[at % n]! * perDrive),
    });
  return {
    across(from, to, meterResistance, voltage) {
      quick.inject(from, to);
      const whole = meterResistance + quick.voltage(from, to);
      const ideal = meterResistance === Infinity;
      return withMeter(
        inParts(),
        ideal ? 0 : -1 / whole,
        ideal ? 0 : -voltage / whole,
        ideal ? 1 : meterResistance / whole,
      );
    },
    inSeries(branch, meterResistance, current, reversed) {
      quick.drive(branch);
      const gain = 1 / (1 - meterResistance * quick.current(branch));
      const response = withMeter(inParts(), meterResistance * gain, meterResistance * gain * current, gain);
      return reversed ? negative(response) : response;
    },
  };
}

function portsOf(quick: QuickCircuit, toleranced: readonly Toleranced[], inParts: () => Float64Array): Float64Array {
  const n = toleranced.length;
  const ports = new Float64Array(n * n);
  toleranced.forEach(({ branch }, j) => {
    quick.drive(branch);
    inParts().forEach((current, i) => (ports[i * n + j] = current));
  });
  return ports;
}

const negative = ({ slopes, atCorners }: ToleranceResponse): ToleranceResponse => ({
  slopes: slopes.map((slope) => -slope),
  atCorners: () => atCorners().map((change) => -change),
});
