import {
  drawingEdge,
  drawRails,
  reuseUnchanged,
  setInStrips,
  type DrawingInput,
  type RailDrawing,
} from '@usual-drag/core/drawing';
import { shrinkage, type Size } from './fitting.ts';

type Input = Omit<DrawingInput, 'height' | 'width' | 'previous'>;

/** Step in which a sheet that is wider than its room grows, px. */
const step = 96;

/** Returns the width of the sheet under a drawing: up to two steps wider, so that an edit of a label does not change the scale. */
function sheetWidth(width: number, room: Size, former: number | undefined): number {
  if (width <= room.width) return width;
  const fits = former !== undefined && width <= former && former - width < 2 * step;
  return fits ? former : Math.ceil(width / step) * step;
}

interface Former {
  /** Drawn as one, */
  readonly whole: RailDrawing;
  /** and as it was shown, in strips perhaps. */
  readonly shown: RailDrawing;
  /** Asked for. */
  readonly height: number;
  readonly room: Size;
}

/**
 * Draws the states of one network one after the other so that what an edit does not touch stays where it was.
 *
 * A drawing that is wider than its room is shrunk; the height that this leaves over is drawn into. An edit most often leaves the
 * sheet as it was, and then the height of the state before fits as well: one drawing is enough. One that is much too tall is
 * set in strips.
 */
export function steadyDrawing(): (input: Input, room: Size) => RailDrawing {
  let former: Former | null = null;
  return (input, room) => {
    const before = former?.room === room ? former : null;
    const draw = (height: number, previous: RailDrawing | undefined): RailDrawing =>
      drawRails({ ...input, height, width: room.width, ...(previous && { previous: previous.arrangement }) });
    const onSheet = (drawing: RailDrawing): RailDrawing => ({
      ...drawing,
      width: sheetWidth(drawing.width, room, before?.whole.width),
    });
    const keep = (drawn: RailDrawing, height: number): RailDrawing => {
      const whole = reuseUnchanged(onSheet(drawn), former?.whole);
      const strips = setInStrips(whole, { ...input, height, width: room.width }, room);
      const shown = strips === whole ? whole : reuseUnchanged(strips, former?.shown);
      former = { whole, shown, height, room };
      return shown;
    };
    const again = before && draw(before.height, before.whole);
    if (again && onSheet(again).width === before.whole.width) return keep(again, before.height);
    const least = Math.max(240, room.height - drawingEdge);
    const first = again && before.height === least ? again : draw(least, former?.whole);
    const scale = shrinkage(onSheet(first), room);
    const height = scale < 1 && first.height < room.height / scale ? room.height / scale - drawingEdge : least;
    return keep(height === least ? first : draw(height, first), height);
  };
}
