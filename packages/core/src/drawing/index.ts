export { dialScale, type DialArc, type DialScale } from './dial-scale.ts';
export type { Axis, Stretch, Tick } from './axis.ts';
export { showsLive } from './density.ts';
export { nodeLevels, railOrder } from './levels.ts';
export type { Column } from './link.ts';
export { circle, nodeTone, roundedBox, type Mark, type Tone } from './mark.ts';
export { ammeterMarks, leadSign, voltmeterMarks } from './meter-marks.ts';
export { partLabel, type PartLabel } from './part-label.ts';
export { partMarks, type Flow, type PartStyle } from './part-marks.ts';
export {
  drawingEdge,
  drawRails,
  type AmmeterMark,
  type Arrangement,
  type DrawingInput,
  type RailDrawing,
  type VoltmeterMark,
} from './rail-drawing.ts';
export type { Part, Rail } from './rail-and-part.ts';
export { axisMarks, railMarks } from './rail-marks.ts';
export { reuseUnchanged } from './reuse.ts';
export { sagOf, sagTextSize, type Sag } from './sag.ts';
export { setInStrips } from './strips.ts';
export { drawingMarks, svgText, type DrawingTheme } from './svg.ts';
export type { ResistorSymbol } from './symbol-marks.ts';
