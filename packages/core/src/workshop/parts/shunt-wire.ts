/** A metal that resistors are wound of. */
export interface Alloy {
  readonly name: string;
  /** Ω·m at 20 °C. */
  readonly resistivity: number;
  /** Share of its resistance gained for each kelvin, near 20 °C, the worse sign. */
  readonly coefficient: number;
}

/** The usual alloys; resistivities as handbooks of materials give them, good to some per cent: the length is cut by measuring. */
export const alloys: readonly Alloy[] = [
  { name: 'manganin', resistivity: 4.3e-7, coefficient: 1e-5 },
  { name: 'constantan', resistivity: 4.9e-7, coefficient: 3e-5 },
  { name: 'nickel-chromium', resistivity: 1.08e-6, coefficient: 1e-4 },
];

/** Diameters of round wire that are sold, mm: every second of the preferred numbers of forty a decade. */
export const wireDiameters = [
  0.1, 0.112, 0.125, 0.14, 0.16, 0.18, 0.2, 0.224, 0.25, 0.28, 0.315, 0.355, 0.4, 0.45, 0.5, 0.56, 0.63, 0.71, 0.8, 0.9,
  1, 1.12, 1.25, 1.4, 1.6, 1.8, 2, 2.24, 2.5, 2.8, 3.15,
] as const;

/** A resistance made of wire. */
export interface WireShunt {
  /** mm. */
  readonly diameter: number;
  /** Ω/m. */
  readonly resistancePerMetre: number;
  /** m between the inner, sensing joints. */
  readonly length: number;
  /** A for a square millimetre at the greatest current. */
  readonly currentDensity: number;
  /** K that the wire warms in free air at the greatest current, about. */
  readonly rise: number;
  /** Share of its resistance that it changes by that warming. */
  readonly drift: number;
  /** Share of its resistance for one millimetre of length. */
  readonly perMillimetre: number;
}

/** W for a square metre and kelvin that a thin wire gives off to still air, on the safe side. */
const heatTransfer = 15;

/** Bounds of what can be wound and what runs cool enough to keep its value. */
const wireLimits = { length: [0.02, 10], currentDensity: 3, rise: 20 } as const;

/**
 * A resistance as a length of wire: R·A/ρ, with A = πd²/4, and what the current does to it: I²R through the wire's surface πdL into
 * still air.
 *
 * @param resistance  Ω
 * @param current     A, the greatest it carries
 * @param diameter    mm
 */
export function wireShunt(resistance: number, current: number, alloy: Alloy, diameter: number): WireShunt {
  const area = (Math.PI / 4) * (diameter * 1e-3) ** 2;
  const length = (resistance * area) / alloy.resistivity;
  const surface = Math.PI * diameter * 1e-3 * length;
  const rise = (current ** 2 * resistance) / (heatTransfer * surface);
  return {
    diameter,
    resistancePerMetre: alloy.resistivity / area,
    length,
    currentDensity: current / (area * 1e6),
    rise,
    drift: alloy.coefficient * rise,
    perMillimetre: 1e-3 / length,
  };
}

/** Returns whether a wire can be wound and stays cool: long enough to cut by the millimetre, and within the limits. */
export const windable = ({ length, currentDensity, rise }: WireShunt): boolean =>
  length >= wireLimits.length[0] &&
  length <= wireLimits.length[1] &&
  currentDensity <= wireLimits.currentDensity &&
  rise <= wireLimits.rise;

/** The thinnest wire of an alloy that is windable: the shortest; null if none is. */
export const wireFor = (resistance: number, current: number, alloy: Alloy): WireShunt | null =>
  wireDiameters.map((diameter) => wireShunt(resistance, current, alloy, diameter)).find(windable) ?? null;
