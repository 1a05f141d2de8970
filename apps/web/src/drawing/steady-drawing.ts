import { drawingEdge, drawRails, type Arrangement, type DrawingInput, type RailDrawing } from '@usual-drag/core';
import { shrinkage, type Size } from './sheet.tsx';

type Input = Omit<DrawingInput, 'height' | 'width' | 'previous'>;

/**
 * Draws the states of one network one after the other so that what an edit does not touch stays where it was.
 *
 * A drawing that is wider than its room is shrunk; the height that this leaves over is drawn into.
 */
export function steadyDrawing(): (input: Input, room: Size) => RailDrawing {
  let previous: Arrangement | undefined;
  return (input, room) => {
    const draw = (height: number): RailDrawing =>
      drawRails({ ...input, height, width: room.width, ...(previous && { previous }) });
    const first = draw(Math.max(240, room.height - drawingEdge));
    const scale = shrinkage(first, room);
    previous = first.arrangement;
    return scale < 1 && first.height < room.height / scale ? draw(room.height / scale - drawingEdge) : first;
  };
}
