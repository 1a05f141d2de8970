export { usualParts } from './design.ts';
export type { Combination, Design, PartsChoice, Scheme } from './design.ts';
export { movementOf, type Movement, type MovementFigures } from './movement.ts';
export { movementInUse, type BuiltIn, type MovementAsFound } from './movement-as-found.ts';
export { measuredMovement, type MovementMeasurement } from './measured-movement.ts';
export { planDesign } from './schemes.ts';
export { sectionName, sectionWords } from './section-words.ts';
export { designFaults, solveDesign } from './solve-design.ts';
export {
  designOfSide,
  solveMeterProject,
  meterProjectOf,
  type Side,
  type WorkedSide,
  type MeterProject,
  type WorkshopParts,
} from './meter-project.ts';
export type { SearchProgress } from './choose-parts.ts';
export type { StockPart } from './stock.ts';
export { trimmedSection } from './trimmers.ts';
export { alloys, windable, wireDiameters, wireFor, wireShunt } from './shunt-wire.ts';
export { standardDrops, standardShunt } from './standard-shunt.ts';
export { sampledErrors, type SampledRange } from './sampled-errors.ts';
export { cheapestWithin, usualPrices, waysToMeet, worthwhile, type GradePrice, type Way } from './ways-to-meet.ts';
export { designCautions } from './cautions.ts';
export { diodesAcross, fuseFor, meterFaults, worstFaults, type MeterFault } from './overload.ts';
export { meterOnRange, movementCheck } from './finished-meter.ts';
export { instrumentOf, kitInstrumentOf, nextVersion } from './into-kit.ts';
export { placesInUse } from './in-use.ts';
export {
  assemblySteps,
  checkPoints,
  dialRanges,
  partsList,
  selectorPositions,
  trimmerCover,
  type PartsLine,
} from './build-sheet.ts';
export { compareSchemes } from './compare-schemes.ts';
export { swampingResistor, temperatureErrors } from './temperature.ts';
export { sharedArcs, type DialRange } from './scale-steps.ts';
export { alternativesFor } from './alternatives.ts';
export { resistorKindOf, resistorKinds } from './resistor-kinds.ts';
export { unitOfTarget } from './design.ts';
