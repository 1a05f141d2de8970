export { engineering } from './engineering.ts';
export { bandColours, bandPlaces, bandsOf, coloursFor, readBands, type Band, type Banded } from './colour-bands.ts';
export { formatPercent, formatQuantity, type FormatOptions } from './format-quantity.ts';
export { digitsFor, formatMeasured, formatMeasuredValue } from './format-measured.ts';
export { parseQuantity, type QuantityFault } from './parse-quantity.ts';
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
export { printedCodeOf, readPrintedCode, type PrintedCode } from './printed-code.ts';
export { exponentByPrefix, prefixByExponent, smallestExponent } from './prefix.ts';
export { sumOf } from './sum.ts';
export { writePercent, writeQuantity } from './write-quantity.ts';
export type { Unit } from './unit.ts';
