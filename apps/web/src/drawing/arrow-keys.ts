import type { RailDrawing } from '@usual-drag/core/drawing';

interface Place {
  readonly part?: string;
  readonly rail?: string;
  readonly x: number;
  readonly y: number;
}

type Direction = 'ArrowUp' | 'ArrowDown' | 'ArrowLeft' | 'ArrowRight';

const directions: Readonly<Record<Direction, readonly [number, number]>> = {
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
};

export const isDirection = (key: string): key is Direction => key in directions;

/** The part or rail that an arrow key leads to from what is selected: the nearest that way, straight ahead before aside. */
export function neighbour(
  drawing: RailDrawing,
  from: { readonly part: string | null; readonly rail: string | null },
  key: Direction,
): { readonly part?: string; readonly rail?: string } | null {
  const parts = drawing.parts.map((part): Place => ({ part: part.element.id, x: part.x, y: part.ySymbol }));
  const start =
    parts.find((place) => place.part === from.part) ??
    drawing.rails.map(({ node, x1, y }): Place => ({ rail: node, x: x1, y })).find((place) => place.rail === from.rail);
  if (!start) return parts[0] ?? null;
  const [dx, dy] = directions[key];
  // A rail counts as straight ahead along its whole length.
  const rails = drawing.rails.map(({ node, x1, x2, y }): Place => ({
    rail: node,
    x: Math.min(x2, Math.max(x1, start.x)),
    y,
  }));
  const candidates = dx === 0 ? [...parts, ...rails] : parts;
  let best: Place | null = null;
  let least = Infinity;
  for (const place of candidates) {
    const ahead = (place.x - start.x) * dx + (place.y - start.y) * dy;
    const aside = Math.abs((place.x - start.x) * dy + (place.y - start.y) * dx);
    if (ahead <= 1) continue;
    const cost = ahead + 2.5 * aside;
    if (cost >= least) continue;
    least = cost;
    best = place;
  }
  return best;
}
