export { straightLine, type StraightLine } from './straight-line.ts';
export {
  correctFromRanges,
  type CorrectionFault,
  type RangeCorrection,
  type RangeReading,
} from './range-correction.ts';
