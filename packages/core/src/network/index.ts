export { addElement, newElement, nextElementId, nextNode, replaceElement } from './edits/edits.ts';
export { chainsOf, type Chain } from './chains.ts';
export { commonPoints, samePoint } from './common-points.ts';
export { deviationFrom, deviationOf } from './deviation.ts';
export { pasteElements } from './edits/paste.ts';
export {
  addInParallel,
  closeOver,
  insertInSeries,
  joinNodes,
  moveEnd,
  removeElements,
  renameNode,
  splitNode,
  swapEnds,
} from './edits/rewire.ts';
export {
  currentFromTo,
  atRest,
  isOhmic,
  isSource,
  parseEnd,
  type CurrentSource,
  type Element,
  type ElementKind,
  type ElementOf,
  type Link,
  type Load,
  type Resistor,
  type Source,
  type Switch,
} from './element.ts';
export { leastExponent, limitViolation, type Limit } from './limit.ts';
export { elementLimits, namePattern, nameViolation, rangeLimits, type QuantityKey } from './limits.ts';
export { curveOf, curveQuantities, lawOf, usualLoads, withoutCurve, type Curve } from './load-laws/index.ts';
export { endsAt, nodesOf, referenceOf, type Network, type ResistorValues } from './network.ts';
export type { LineFault } from './line/line-token.ts';
export { parseLine, parseRebuilt, partPlaces, readLine, type PartPlace } from './line/parse-line.ts';
export { isToleranced, spanOf } from './toleranced.ts';
export { keepUnchanged } from './edits/unchanged.ts';
export { readValues } from './line/part-text.ts';
export { writeLine, writeValues } from './line/write-line.ts';
export { networkFaults, duplicates } from './validation.ts';
export { startingAt, strandsOf, type Strand } from './strands.ts';
