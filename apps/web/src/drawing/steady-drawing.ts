import { drawingEdge, drawRails, reuseUnchanged, type DrawingInput, type RailDrawing } from '@usual-drag/core';
import { shrinkage, type Size } from './sheet.tsx';

type Input = Omit<DrawingInput, 'height' | 'width' | 'previous'>;

/**
 * Draws the states of one network one after the other so that what an edit does not touch stays where it was.
 *
 * A drawing that is wider than its room is shrunk; the height that this leaves over is drawn into.
 */
export function steadyDrawing(): (input: Input, room: Size) => RailDrawing {
  let former: RailDrawing | undefined;
  return (input, room) => {
    const draw = (height: number, before: RailDrawing | undefined): RailDrawing =>
      drawRails({ ...input, height, width: room.width, ...(before && { previous: before.arrangement }) });
    const first = draw(Math.max(240, room.height - drawingEdge), former);
    const scale = shrinkage(first, room);
    const fitted =
      scale < 1 && first.height < room.height / scale ? draw(room.height / scale - drawingEdge, first) : first;
    former = reuseUnchanged(fitted, former);
    return former;
  };
}
