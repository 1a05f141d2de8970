/** A vertical distance that must be kept between two rails, by rank. */
export interface Room {
  readonly top: number;
  readonly bottom: number;
  readonly height: number;
}

/** Height of every rail. */
export interface RailHeights {
  /** y of each rail from 0 at the highest, downwards. */
  readonly y: readonly number[];
  /** px a volt where the axis is true to scale; 0 if there is no scale. */
  readonly scale: number;
}

/** Least distance between neighbouring rails. */
const leastGap = 14;

/** Rails spread evenly over `height`, each part given its room; higher than `height` where the room needs it. */
export function evenHeights(rails: number, rooms: readonly Room[], height: number): RailHeights {
  const down = fall(above(rooms, rails), () => leastGap);
  const least = down[rails - 1] ?? 0;
  const stretch = least > 0 ? Math.max(1, height / least) : 1;
  const stretched = rooms.map((room) => ({ ...room, height: room.height * stretch }));
  const earliest = fall(above(stretched, rails), () => leastGap);
  const total = earliest[rails - 1] ?? 0;
  const mirrored = stretched.map((room) => ({ ...room, top: rails - 1 - room.bottom, bottom: rails - 1 - room.top }));
  const latest = fall(above(mirrored, rails), () => leastGap)
    .map((y) => total - y)
    .reverse();
  return { y: earliest.map((y, rail) => (y + latest[rail]!) / 2), scale: 0 };
}

/**
 * Rails at heights true to their levels at the largest scale that fits into `height`; where a part needs more room than
 * its drop would give it the axis is stretched there, and only there.
 *
 * @param levels  level of each rail, falling
 */
export function scaledHeights(levels: readonly number[], rooms: readonly Room[], height: number): RailHeights {
  const rails = levels.length;
  const needed = above(rooms, rails);
  const at = (scale: number): number[] =>
    fall(needed, (rail) => Math.max(leastGap, scale * (levels[rail - 1]! - levels[rail]!)));
  const range = (levels[0] ?? 0) - (levels[rails - 1] ?? 0);
  if (range <= 0) return evenHeights(rails, rooms, height);
  let low = 0;
  let high = height / range;
  for (let step = 0; step < 40; step += 1) {
    const middle = (low + high) / 2;
    if (at(middle)[rails - 1]! <= height) low = middle;
    else high = middle;
  }
  return { y: at(low), scale: low };
}

/** For each rail the rooms that end on it from above. */
function above(rooms: readonly Room[], rails: number): readonly (readonly Room[])[] {
  const ending: Room[][] = Array.from({ length: rails }, () => []);
  for (const room of rooms) if (room.top < room.bottom) ending[room.bottom]!.push(room);
  return ending;
}

/** Each rail as high as its gap to the one above and the rooms that end on it allow. */
function fall(above: readonly (readonly Room[])[], gap: (rail: number) => number): number[] {
  const y: number[] = [];
  above.forEach((rooms, rail) => {
    let least = rail === 0 ? 0 : y[rail - 1]! + gap(rail);
    for (const { top, height } of rooms) least = Math.max(least, y[top]! + height);
    y.push(least);
  });
  return y;
}
