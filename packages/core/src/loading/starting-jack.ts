import { rangesOf, type Instrument, type Range } from '../instrument/index.ts';

/** Jack and range to start with for a current. */
export interface StartingJack {
  /** The highest range of the jack to begin in. */
  readonly begin: Range;
  /** The least range that will still hold the indication, in whatever jack its fuse allows; null if that is `begin`. */
  readonly stepDownTo: Range | null;
  /** Whether the fuse of `begin` is above the current that can flow, or none is in its path. */
  readonly safe: boolean;
}

/**
 * The jack to begin in: one whose fuse is above the short-circuit current at the place, else an unfused one; down from there
 * only as far as the indication stays below the smaller fuse and full scale.
 *
 * @param shortCircuit  A that an ideal meter would carry at the place
 * @returns null if the instrument has no current ranges
 */
export function startingJack(instrument: Instrument, shortCircuit: number): StartingJack | null {
  const ranges = [...rangesOf(instrument, 'dc-current')].sort((a, b) => b.fullScale - a.fullScale);
  const size = Math.abs(shortCircuit);
  const holds = ({ fuse }: Range): boolean => fuse === undefined || fuse > size;
  const begin = ranges.find((range) => range.fuse !== undefined && holds(range)) ?? ranges.find(holds) ?? ranges[0];
  if (!begin) return null;
  const least = ranges.filter((range) => holds(range) && range.fullScale >= size).at(-1);
  return { begin, stepDownTo: least && least !== begin ? least : null, safe: holds(begin) };
}
