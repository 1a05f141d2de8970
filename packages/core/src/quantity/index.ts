export { formatPercent, formatQuantity, type FormatOptions } from './format-quantity.ts';
export { parseQuantity, type QuantityFault } from './parse-quantity.ts';
export { parsePercent } from './parse-ratio.ts';
export { prefixByExponent, smallestExponent } from './prefix.ts';
export { writePercent, writeQuantity } from './write-quantity.ts';
export type { Unit } from './unit.ts';
