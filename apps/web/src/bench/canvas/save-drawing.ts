import { drawingMarks, drawRails, setupMarks, svgText } from '@usual-drag/core/drawing';
import { faceStyle } from '@usual-drag/report';
import { fetchFaces } from '../../drawing/faces.ts';
import { saveBlob } from '../../ui/save-file.ts';
import { benchNow } from '../model/bench-store.ts';
import { useDisplay } from './display.ts';
import { useDrawnNow } from './drawn-now.ts';

/**
 * Saves the drawing as it is on the screen as a file, with its figures and meters, and its faces inside it so that it looks
 * the same everywhere.
 *
 * @throws Error if there is no drawing, or the browser cannot make the picture
 */
export async function saveDrawing(type: 'svg' | 'png'): Promise<void> {
  const { drawn } = useDrawnNow.getState();
  if (!drawn) throw new Error('There is no drawing on this screen. Open Network or Set-ups.');
  const { title = 'Network' } = benchNow().document;
  const { network, truth, live, style, meters } = drawn;
  const drawing = drawRails({
    network,
    truth,
    spacing: useDisplay.getState().spacing,
    height: 480,
    width: 760,
    ...(live && { live }),
    ...(meters && { loaded: meters.values, meters: meters.setup.meters, meterLines: meters.lines }),
  });
  const marks = [...drawingMarks(drawing, network, style), ...(meters ? setupMarks(drawing, meters) : [])];
  const svg = new Blob([svgText(drawing, marks, title, { faceStyle: faceStyle(await fetchFaces()) })], {
    type: 'image/svg+xml',
  });
  const name = `${title.toLowerCase().replace(/[^a-z0-9]+/g, '-')}.${type}`;
  saveBlob(type === 'svg' ? svg : await picture(svg, drawing.width, drawing.height), name);
}

/** At twice its size, for print. */
async function picture(svg: Blob, width: number, height: number): Promise<Blob> {
  const address = URL.createObjectURL(svg);
  const image = new Image();
  image.src = address;
  await image.decode();
  URL.revokeObjectURL(address);
  const canvas = Object.assign(document.createElement('canvas'), { width: width * 2, height: height * 2 });
  canvas.getContext('2d')!.drawImage(image, 0, 0, width * 2, height * 2);
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) =>
      blob ? resolve(blob) : reject(new Error('The image could not be created. Export it as SVG.')),
    );
  });
}
