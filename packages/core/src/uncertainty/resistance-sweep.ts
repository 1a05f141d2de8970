import type { Connection } from '../loading/index.ts';
import { straightLine, type StraightLine } from './straight-line.ts';

/** Voltage and current read at one setting of the supply, with the standard uncertainty of each, V and A. */
export interface SweepReading {
  readonly voltage: number;
  readonly current: number;
  readonly voltageUncertainty: number;
  readonly currentUncertainty: number;
}

/** The two meters of a sweep: the voltmeter across the part alone, or across part and ammeter; Ω. */
export interface SweepMeters {
  readonly connection: Connection;
  readonly voltmeter: number;
  readonly ammeter: number;
}

/** A part's resistance from a sweep. */
export interface SweptResistance {
  /** Ω: the slope of the line through the corrected values. */
  readonly resistance: number;
  /** k = 2, Ω: the scatter about the line, and the instruments' accuracy. */
  readonly uncertainty: number;
  readonly line: StraightLine;
  /** The part's own voltage and current, both meters' effects taken out. */
  readonly points: readonly { readonly voltage: number; readonly current: number }[];
}

/**
 * The resistance of a part from voltages and currents read at several settings of its supply.
 *
 * Across the part alone the voltmeter's own current is taken off, I − V/R_V; across both the ammeter's burden, V − I·R_A. The
 * slope of the straight line through what is left is the resistance. Its uncertainty is the line's from the scatter, with the
 * relative uncertainty of the instruments at the largest current, u² = s² + R²((u_V/V)² + (u_I/I)²), doubled.
 *
 * @returns null for fewer than two different currents
 */
export function resistanceFromSweep(
  readings: readonly SweepReading[],
  { connection, voltmeter, ammeter }: SweepMeters,
): SweptResistance | null {
  const points = readings.map(({ voltage, current }) =>
    connection === 'across-part'
      ? { voltage, current: current - voltage / voltmeter }
      : { voltage: voltage - current * ammeter, current },
  );
  const line = straightLine(points.map(({ voltage, current }) => ({ x: current, y: voltage })));
  if (!line) return null;
  const resistance = line.slope;
  const largest = readings.reduce((a, b) => (Math.abs(b.current) > Math.abs(a.current) ? b : a));
  const relative = Math.hypot(
    largest.voltage === 0 ? 0 : largest.voltageUncertainty / largest.voltage,
    largest.current === 0 ? 0 : largest.currentUncertainty / largest.current,
  );
  const uncertainty = 2 * Math.hypot(line.slopeUncertainty ?? 0, resistance * relative);
  return { resistance, uncertainty, line, points };
}
