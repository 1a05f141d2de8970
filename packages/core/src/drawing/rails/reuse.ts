import type { RailDrawing } from './rail-drawing.ts';
import type { Part, Rail } from './rail-and-part.ts';

/**
 * The same drawing with every part and rail that has not changed taken over from the one before, object and all, so that what
 * shows it need not look at it again.
 */
export function reuseUnchanged(drawing: RailDrawing, former: RailDrawing | undefined): RailDrawing {
  if (!former) return drawing;
  const parts = new Map(former.parts.map((part) => [part.element.id, part]));
  const rails = new Map(former.rails.map((rail) => [rail.node, rail]));
  return {
    ...drawing,
    parts: drawing.parts.map((part) => same(parts.get(part.element.id), part, samePart)),
    rails: drawing.rails.map((rail) => same(rails.get(rail.node), rail, sameRail)),
  };
}

const same = <T>(before: T | undefined, now: T, equal: (a: T, b: T) => boolean): T =>
  before !== undefined && equal(before, now) ? before : now;

/** Returns whether two parts are drawn alike, to the last digit. */
const samePart = (a: Part, b: Part): boolean =>
  a.element === b.element &&
  a.x === b.x &&
  a.yTop === b.yTop &&
  a.yBottom === b.yBottom &&
  a.ySymbol === b.ySymbol &&
  a.inverted === b.inverted &&
  a.symbolScale === b.symbolScale &&
  a.label.x === b.label.x &&
  a.label.size === b.label.size &&
  a.hops.join() === b.hops.join() &&
  a.label.lines.length === b.label.lines.length &&
  a.label.lines.every(({ text }, index) => text === b.label.lines[index]!.text);

const sameRail = (a: Rail, b: Rail): boolean =>
  a.x1 === b.x1 && a.x2 === b.x2 && a.y === b.y && a.ghostY === b.ghostY && a.letter.size === b.letter.size;
