export { deviationBar } from './deviation-bar.ts';
export { chartAxis, type ChartAxis } from './chart-axis.ts';
export { correctionPicture } from './correction/correction-picture.ts';
export { dialScale } from './dial-scale.ts';
export { readFigure, type Dial } from './meter/dial-window.ts';
export { meterPicture, type MeterPicture, type MeterShown } from './meter/meter-picture.ts';
export type { MeterSetting } from './meter/meter-setting.ts';
export { settingChanges } from './meter/setting-changes.ts';
export { showsLive } from './density.ts';
export { bandInk, bandInks } from './symbols/band-inks.ts';
export {
  boardPicture,
  groundMarks,
  ringMarks,
  stillBoard,
  type PartOnBoard,
  type PluggedEnd,
} from './board/board-picture.ts';
export { holeAt, holeBeside, holePoint } from './board/board-scale.ts';
export { nodeTone, type Mark, type Tone } from './symbols/mark.ts';
export { sagsIn, setupMarks, type DrawnMeters, type MeterSag } from './symbols/setup-marks.ts';
export { ammeterMarks, leadSign, voltmeterMarks } from './symbols/meter-marks.ts';
export { partLabel } from './symbols/part-label.ts';
export { partMarks, type Flow, type PartStyle } from './symbols/part-marks.ts';
export { drawingEdge, drawRails, type Arrangement, type DrawingInput, type RailDrawing } from './rails/rail-drawing.ts';
export type { Part, Rail } from './rails/rail-and-part.ts';
export { axisMarks, railMarks } from './rails/rail-marks.ts';
export { reuseUnchanged } from './rails/reuse.ts';
export { sagTextSize } from './rails/sag.ts';
export { setInStrips } from './rails/strips.ts';
export { drawingMarks, svgText, type DrawingTheme } from './symbols/svg.ts';
export type { ResistorSymbol } from './by-kind.ts';
