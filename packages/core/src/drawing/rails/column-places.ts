import type { Density } from '../density.ts';
import type { Column, Link } from './link.ts';
import { textWidth } from '../symbols/text-width.ts';

interface Frame {
  /** px that the first rail begins at, its letter left out. */
  readonly left: number;
  /** px that the columns may be spread over. */
  readonly width: number;
  /** px that a link takes to the left of its line, by id. */
  readonly leftOf: ReadonlyMap<string, number>;
  /** px of every rail's letter. */
  readonly letters: ReadonlyMap<string, number>;
  readonly density: Density;
  readonly former: Places | undefined;
}

/** Places before an edit. */
export interface Places {
  /** px that the columns could be spread over. */
  readonly width: number;
  /** x of every link's column, by id. */
  readonly x: ReadonlyMap<string, number>;
}

/**
 * x of every column: as close as the labels and the rails' letters allow, spread where there is room. Columns that are those of
 * before the edit stay where they were as long as their labels fit.
 */
export function columnPlaces(
  columns: readonly Column[],
  links: readonly Link[],
  widths: ReadonlyMap<string, number>,
  { left, width, leftOf, letters, density, former }: Frame,
): number[] {
  const starts = lettersAt(columns, links, letters);
  const first = left + starts[0]! + 10;
  const needed = columns.map((column) => Math.max(...column.map((id) => widths.get(id)!)));
  const gap = density.compact ? 4 : 14;
  const { overhang } = density;
  const before = columns.map((column, index) =>
    Math.max(starts[index] ? starts[index] + overhang : 8, ...column.map((id) => leftOf.get(id)!)),
  );
  const pitches = needed.map((own, index) => Math.max(density.leastPitch, own + gap + (before[index + 1] ?? 0)));
  const total = first + pitches.slice(0, -1).reduce((sum, pitch) => sum + pitch, 0) + (needed.at(-1) ?? 0);
  const spare = columns.length > 1 ? Math.min(70, Math.max(0, (width - total) / (columns.length - 1))) : 0;
  const places: number[] = [];
  columns.forEach((_, index) => places.push(index === 0 ? first : places[index - 1]! + pitches[index - 1]! + spare));
  const steady = former?.width === width ? steadyPlaces(columns, pitches, places, former.x) : null;
  const fits = steady && (total > width || steady.at(-1)! + needed.at(-1)! <= width);
  return fits ? steady : places;
}

/** px that a label which does not fit any more gets beyond what it needs, so that the next digit moves nothing. */
const headroom = 12;
/** px that steady columns may take more than fresh ones. */
const extraWidth = 4 * headroom;

/** The places of before, moved to the right where they must be; null if the columns are others or have become too loose. */
function steadyPlaces(
  columns: readonly Column[],
  pitches: readonly number[],
  fresh: readonly number[],
  former: ReadonlyMap<string, number>,
): number[] | null {
  const before = columns.map((column) => former.get(column[0]!));
  if (columns.flat().length !== former.size || before[0] !== fresh[0]) return null;
  const places: number[] = [];
  for (const [index, column] of columns.entries()) {
    const stood = before[index];
    if (stood === undefined || column.some((id) => former.get(id) !== stood)) return null;
    if (index === 0) {
      places.push(stood);
      continue;
    }
    const pitch = pitches[index - 1]!;
    const crowded = stood - before[index - 1]! < pitch;
    const least = places[index - 1]! + pitch;
    places.push(stood >= least ? stood : least + (crowded ? headroom : 0));
  }
  return places.at(-1)! <= fresh.at(-1)! + extraWidth ? places : null;
}

/** For each column the px of the widest letter of a rail that begins there, 0 if none does. */
function lettersAt(columns: readonly Column[], links: readonly Link[], letters: ReadonlyMap<string, number>): number[] {
  const byId = new Map(links.map((link) => [link.id, link]));
  const begun = new Set<string>();
  return columns.map((column) => {
    let widest = 0;
    for (const id of column)
      for (const node of [byId.get(id)!.from, byId.get(id)!.to]) {
        if (!begun.has(node)) widest = Math.max(widest, letters.get(node)!);
        begun.add(node);
      }
    return widest;
  });
}

/** px that a voltmeter and the lines beside it take. */
export const meterWidth = (lines: readonly string[] = []): number =>
  28 + Math.max(0, ...lines.map((line, index) => textWidth(line, index === 0 ? 18 : 13, 'mono')));
