import type { Rail } from '@usual-drag/core';

/** The rail that a pointer over a drawing is nearest to. */
export function nearestRail(rails: readonly Rail[], event: React.PointerEvent<SVGGraphicsElement>): Rail {
  const svg = event.currentTarget.ownerSVGElement!;
  const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
  return rails.reduce((best, rail) => (distance(rail, point) < distance(best, point) ? rail : best));
}

/** Height counts; being beside a rail counts a little, so that rails at one height can be told apart. */
const distance = (rail: Rail, { x, y }: { readonly x: number; readonly y: number }): number =>
  Math.abs(rail.y - y) + 0.15 * Math.max(0, rail.x1 - x, x - rail.x2);
