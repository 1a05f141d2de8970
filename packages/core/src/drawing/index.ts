export type { Axis, Stretch, Tick } from './axis.ts';
export { partLabel, type PartLabel } from './part-label.ts';
export {
  drawingEdge,
  drawRails,
  type AmmeterMark,
  type DrawingInput,
  type Part,
  type Rail,
  type RailDrawing,
  type VoltmeterMark,
} from './rail-drawing.ts';
export { nodeLevels, railOrder } from './levels.ts';
