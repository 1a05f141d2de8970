import { formatQuantity } from './format-quantity.ts';
import type { Unit } from './unit.ts';

/** Digits of a quantity in a sentence or a label. */
const usualDigits = 4;

const inUnit =
  (unit: Unit) =>
  (value: number | null, digits: number = usualDigits): string =>
    formatQuantity(value, unit, { digits, trim: true });

/** Returns a resistance as text, without trailing zeros: `4.7 kΩ`. */
export const ohms = inUnit('Ω');

/** Returns a voltage as text, without trailing zeros: `4.09 V`. */
export const volts = inUnit('V');

/** Returns a current as text, without trailing zeros: `300 mA`. */
export const amps = inUnit('A');

/** Returns a power as text, without trailing zeros: `250 mW`. */
export const watts = inUnit('W');
