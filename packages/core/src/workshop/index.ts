export { usualParts } from './scheme/design.ts';
export type { Combination, Design, PartsChoice, Scheme } from './scheme/design.ts';
export { movementOf, type Movement, type MovementFigures } from './movement/movement.ts';
export { movementInUse, type BuiltIn, type MovementAsFound } from './movement/movement-as-found.ts';
export { measuredMovement, type MovementMeasurement } from './movement/measured-movement.ts';
export { planDesign } from './scheme/schemes.ts';
export { sectionName, sectionWords } from './scheme/section-words.ts';
export { designFaults, solveDesign } from './scheme/solve-design.ts';
export {
  designOfSide,
  solveMeterProject,
  meterProjectOf,
  type Side,
  type WorkedSide,
  type MeterProject,
  type WorkshopParts,
} from './scheme/meter-project.ts';
export type { SearchProgress } from './parts/choose-parts.ts';
export type { StockPart } from './parts/stock.ts';
export { trimmedSection } from './parts/trimmers.ts';
export { alloys, windable, wireDiameters, wireFor, wireShunt } from './parts/shunt-wire.ts';
export { standardDrops, standardShunt } from './scheme/standard-shunt.ts';
export { sampledErrors, type SampledRange } from './errors/sampled-errors.ts';
export {
  cheapestWithin,
  usualPrices,
  waysToMeet,
  worthwhile,
  type GradePrice,
  type Way,
} from './parts/ways-to-meet.ts';
export { designCautions } from './errors/cautions.ts';
export { diodesAcross, fuseFor, meterFaults, worstFaults, type MeterFault } from './errors/overload.ts';
export { meterOnRange, movementCheck } from './build/finished-meter.ts';
export { instrumentOf, kitInstrumentOf, nextVersion } from './build/into-kit.ts';
export { placesInUse } from './build/in-use.ts';
export {
  assemblySteps,
  checkPoints,
  dialRanges,
  partsList,
  selectorPositions,
  trimmerCover,
  type CheckPoint,
  type PartsLine,
} from './build/build-sheet.ts';
export { compareSchemes } from './scheme/compare-schemes.ts';
export { swampingResistor, temperatureErrors } from './movement/temperature.ts';
export { faceScales, figureAt, halfDivision, scaleOf, valueAt, type FaceScale } from './build/face-scales.ts';
export { scaleFigures, type ScaleFigures } from './build/scale-figures.ts';
export { sharedArcs, type DialRange } from './build/scale-steps.ts';
export { alternativesFor } from './parts/alternatives.ts';
export { resistorKindOf, resistorKinds } from './parts/resistor-kinds.ts';
export { unitOfTarget } from './scheme/design.ts';
