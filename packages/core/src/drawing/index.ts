export { deviationBar } from './deviation-bar.ts';
export { dialScale } from './dial-scale.ts';
export { showsLive } from './density.ts';
export { nodeTone, type Mark } from './symbols/mark.ts';
export { setupMarks, type DrawnMeters } from './symbols/setup-marks.ts';
export { ammeterMarks, leadSign, voltmeterMarks } from './symbols/meter-marks.ts';
export { partLabel } from './symbols/part-label.ts';
export { partMarks, type Flow, type PartStyle } from './symbols/part-marks.ts';
export {
  drawingEdge,
  drawRails,
  type Arrangement,
  type DrawingInput,
  type RailDrawing,
  type VoltmeterMark,
} from './rails/rail-drawing.ts';
export type { Part, Rail } from './rails/rail-and-part.ts';
export { axisMarks, railMarks } from './rails/rail-marks.ts';
export { reuseUnchanged } from './rails/reuse.ts';
export { sagOf, sagTextSize } from './rails/sag.ts';
export { setInStrips } from './rails/strips.ts';
export { drawingMarks, svgText, type DrawingTheme } from './symbols/svg.ts';
export type { ResistorSymbol } from './by-kind.ts';
