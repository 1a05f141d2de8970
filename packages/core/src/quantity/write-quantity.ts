import { engineering, mantissaOf, shiftPoint } from './engineering.ts';
import type { Unit } from './unit.ts';

/**
 * Writes a quantity so that `parseQuantity` reads back the very same number: `56k`, `350`, `24V`, `12.8mA`.
 * The fewest digits that do; ohms go without their unit.
 */
export function writeQuantity(value: number, unit: Unit): string {
  const size = Math.abs(value);
  const { text, prefix } = engineering(size);
  const tail = unit === 'Ω' ? prefix : prefix + unit;
  const plain = text.length <= 24 ? `${text}${tail}` : `${String(size).replace('+', '')}${unit === 'Ω' ? '' : unit}`;
  return value < 0 ? `-${plain}` : plain;
}

/** Writes a ratio in per cent so that `parsePercent` reads back the very same number: 0.01 is `1%`. */
export function writePercent(ratio: number): string {
  if (ratio === 0) return '0%';
  const { mantissa, exponent } = mantissaOf(ratio);
  return `${shiftPoint(mantissa, exponent + 2)}%`;
}
