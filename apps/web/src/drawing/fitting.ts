export interface Size {
  readonly width: number;
  readonly height: number;
}

/** Below this a drawing is not shrunk by itself but scrolled. */
const smallest = 0.5;

/** By how much a drawing is shrunk to the width of its room. */
export const shrinkage = (drawing: Size, room: Size): number =>
  Math.min(1, Math.max(smallest, room.width / drawing.width));

/** The scale at which a whole drawing fits its room as long as it can be read. */
export const fittingScale = (drawing: Size, room: Size): number =>
  Math.min(shrinkage(drawing, room), Math.max(smallest, room.height / drawing.height));
