/** Connection of the voltmeter when a resistance is measured as V/I, in words. */
export const connectionWords = {
  'across-part': 'voltmeter across the part alone',
  'across-both': 'voltmeter across part and ammeter',
} as const;

/** Place of the voltmeter: before or behind the ammeter. */
export type Connection = keyof typeof connectionWords;

/** Both places of the voltmeter. */
export const connections = Object.keys(connectionWords) as readonly Connection[];

/**
 * Returns V/I: R ∥ R_V with the voltmeter across the part alone (the ammeter carries its current too), R + R_A with it
 * across part and ammeter.
 *
 * @returns Ω
 */
export const apparentResistance = (part: number, voltmeter: number, ammeter: number, way: Connection): number =>
  way === 'across-part' ? part / (1 + part / voltmeter) : part + ammeter;

/** The relative error of V/I: −R/(R + R_V) across the part alone, +R_A/R across both. */
export const apparentError = (part: number, voltmeter: number, ammeter: number, way: Connection): number =>
  way === 'across-part' ? 0 - part / (part + voltmeter) : ammeter / part;

/**
 * The part's resistance behind what V/I came to.
 *
 * @returns Ω; null if V/I cannot come from any part: as large as the voltmeter, or smaller than the ammeter
 */
export function correctedResistance(
  apparent: number,
  voltmeter: number,
  ammeter: number,
  way: Connection,
): number | null {
  const part = way === 'across-part' ? apparent / (1 - apparent / voltmeter) : apparent - ammeter;
  return part > 0 && Number.isFinite(part) ? part : null;
}

/**
 * The resistance at which both ways are off by the same: below it the voltmeter goes across the part alone.
 *
 * R = (R_A + √(R_A² + 4·R_A·R_V))/2, from R/(R + R_V) = R_A/R.
 */
export const crossoverResistance = (voltmeter: number, ammeter: number): number =>
  (ammeter + Math.sqrt(ammeter ** 2 + 4 * ammeter * voltmeter)) / 2;

/** The way of connecting that is off by less; all three in Ω, the part above zero. */
export const betterConnection = (part: number, voltmeter: number, ammeter: number): Connection =>
  part < crossoverResistance(voltmeter, ammeter) ? 'across-part' : 'across-both';
