import type { Rail } from '@usual-drag/core/drawing';

/** The rail of a drawing that a point of the screen is nearest to. */
export function nearestRail(
  rails: readonly Rail[],
  within: SVGGraphicsElement,
  [clientX, clientY]: readonly [number, number],
): Rail {
  const svg = within.ownerSVGElement!;
  const point = new DOMPoint(clientX, clientY).matrixTransform(svg.getScreenCTM()!.inverse());
  return rails.reduce((best, rail) => (distance(rail, point) < distance(best, point) ? rail : best));
}

/** Distance in height; being beside a rail counts a little, so that rails at one height are distinguished. */
const distance = (rail: Rail, { x, y }: { readonly x: number; readonly y: number }): number =>
  Math.abs(rail.y - y) + 0.15 * Math.max(0, rail.x1 - x, x - rail.x2);
