import { drawingMarks, drawRails, svgText, type ResistorSymbol } from '@usual-drag/core/drawing';
import type { Report } from '@usual-drag/core/report';

/** The network of a report on its rails, as the text of an SVG file. */
export function reportDrawing({ network, values, job }: Report, resistor: ResistorSymbol): string {
  const drawing = drawRails({ network, truth: values, spacing: 'even', height: 480, width: 760 });
  return svgText(drawing, drawingMarks(drawing, network, { resistor }), job.title ?? 'Network');
}
