import { formatQuantity } from '../quantity/index.ts';
import { writtenDown, type Rounding } from './rounding.ts';

/** Style of the numbers in a calculation: rounded or cut off, and printed with as many digits as it keeps. */
export interface Pen {
  /** Significant digits that are printed. */
  readonly digits: number;
  /** Returns an intermediate result as the next step takes it up. */
  keep(value: number): number;
  volts(value: number): string;
  amps(value: number): string;
  ohms(value: number): string;
}

/** Digits that are printed if the calculation keeps all of them. */
const printedDigits = 4;

/** Returns how a calculation with a rounding writes its numbers down. */
export function penFor(rounding: Rounding): Pen {
  const digits = rounding.how === 'exact' ? printedDigits : rounding.digits;
  return {
    digits,
    keep: (value) => writtenDown(value, rounding),
    volts: (value) => formatQuantity(value, 'V', { digits }),
    amps: (value) => formatQuantity(value, 'A', { digits }),
    ohms: (value) => formatQuantity(value, 'Ω', { digits, trim: true }),
  };
}
