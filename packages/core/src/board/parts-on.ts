import type { Board } from './board.ts';

/** Returns the parts that have at least one leg in a hole. */
export const partsOn = ({ parts }: Board): ReadonlySet<string> =>
  new Set(parts.filter(({ from, to }) => from !== undefined || to !== undefined).map(({ id }) => id));
