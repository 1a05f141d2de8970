export { engineering } from './engineering.ts';
export { bandPlaces, bandsOf, coloursFor, readBands, type Band } from './colour-bands.ts';
export { formatPercent, formatQuantity } from './format-quantity.ts';
export { digitsFor, formatMeasured, formatMeasuredValue } from './format-measured.ts';
export { parseQuantity } from './parse-quantity.ts';
export { formatDuration, parseDuration } from './parse-duration.ts';
export { parsePercent } from './parse-ratio.ts';
export {
  nearestPreferred,
  seriesForTolerance,
  seriesNames,
  seriesOf,
  seriesValues,
  type Series,
} from './preferred-values.ts';
export { printedCodeOf, readPrintedCode } from './printed-code.ts';
export { exponentByPrefix, prefixByExponent, smallestExponent } from './prefix.ts';
export { sumOf } from './sum.ts';
export { writePercent, writeQuantity } from './write-quantity.ts';
export { amps, ohms, volts, watts } from './unit-texts.ts';
export type { Unit } from './unit.ts';
export { plainNumber } from './plain-number.ts';
