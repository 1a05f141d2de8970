import { solveUnloaded } from '@usual-drag/core/loading';
import { drawingMarks, drawRails, svgText } from '@usual-drag/core/drawing';
import { faceStyle } from '@usual-drag/report';
import { fetchFaces } from '../../drawing/faces.ts';
import { saveBlob } from '../../ui/save-file.ts';
import { benchNow } from '../model/bench-store.ts';
import { useDisplay } from './display.ts';

/**
 * Saves the network's drawing as a file, its faces inside it so that it looks the same everywhere.
 *
 * @throws Error if the browser cannot make the picture
 */
export async function saveDrawing(type: 'svg' | 'png'): Promise<void> {
  const { network, title = 'Network' } = benchNow().document;
  const { spacing, resistor } = useDisplay.getState();
  const unloaded = solveUnloaded(network);
  const truth = unloaded.ok ? unloaded.value.values : null;
  const drawing = drawRails({ network, truth, spacing, height: 480, width: 760 });
  const faces = faceStyle(await fetchFaces());
  const svg = new Blob([svgText(drawing, drawingMarks(drawing, network, { resistor }), title, { faceStyle: faces })], {
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
