export { usualParts } from './design.ts';
export { asBuilt, fullScaleErrors } from './as-built.ts';
export type {
  BuiltRange,
  Combination,
  Design,
  DesignedRange,
  DesignFault,
  DesignResult,
  PartsChoice,
  Scheme,
  Section,
} from './design.ts';
export { movementOf, type Movement, type MovementFigures } from './movement.ts';
export { sectionWords, type SectionWords } from './section-words.ts';
export { designFaults, solveDesign } from './solve-design.ts';
export { designCautions, type WorkshopCaution } from './cautions.ts';
export { instrumentFromDesign, meterOnRange, movementCheck } from './finished-meter.ts';
export { compareSchemes, type SchemeInBrief } from './compare-schemes.ts';
export { swampingResistor, temperatureErrors, type Swamping } from './temperature.ts';
