import { solveUnloaded } from '@usual-drag/core/loading';
import { drawingMarks, drawRails, svgText, type DrawingTheme } from '@usual-drag/core/drawing';
import { networkMeant, type Job } from '@usual-drag/core/job';

export type PictureTheme = DrawingTheme;

/** px that the rails of a picture may take. */
const room = { width: 300, height: 110 };

/** Parts up to which a small picture of a network is legible. */
const most = 150;

/** A job's network in small, as SVG: rails, symbols and names, without the values, which nobody could read. */
export function jobPicture(job: Job, theme: DrawingTheme): string {
  const { title = 'Network', network } = job;
  if (network.elements.length > most) return svgText({ width: room.width, height: room.height }, [], title, { theme });
  const unloaded = solveUnloaded(networkMeant(job));
  const truth = unloaded.ok ? unloaded.value.values : null;
  const drawing = drawRails({ network, truth, spacing: 'even', ...room });
  const marks = drawingMarks(drawing, network, { resistor: 'box' });
  return svgText(
    drawing,
    marks.filter((mark) => mark.shape === 'path' || mark.bold),
    title,
    { theme },
  );
}
