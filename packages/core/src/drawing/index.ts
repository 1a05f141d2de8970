export { dialScale } from './dial-scale.ts';
export { showsLive } from './density.ts';
export { nodeTone, type Mark } from './mark.ts';
export { ammeterMarks, leadSign, voltmeterMarks } from './meter-marks.ts';
export { partLabel } from './part-label.ts';
export { partMarks, type Flow, type PartStyle } from './part-marks.ts';
export {
  drawingEdge,
  drawRails,
  type Arrangement,
  type DrawingInput,
  type RailDrawing,
  type VoltmeterMark,
} from './rail-drawing.ts';
export type { Part, Rail } from './rail-and-part.ts';
export { axisMarks, railMarks } from './rail-marks.ts';
export { reuseUnchanged } from './reuse.ts';
export { sagOf, sagTextSize } from './sag.ts';
export { setInStrips } from './strips.ts';
export { drawingMarks, svgText, type DrawingTheme } from './svg.ts';
export type { ResistorSymbol } from './by-kind.ts';
