export { faceStyle, type Faces } from './faces.ts';
export { reportDrawing } from './report-drawing.ts';
export { ReportSheet } from './report-sheet.tsx';
export { pageStyle, reportStyle } from './report-style.ts';
