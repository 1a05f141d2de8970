import { unitOf, type Instrument, type Range, type ReadingQuantity, type ResistanceRange } from './instrument.ts';

/** The jack of a range that names none. */
const usualJack = (quantity: ReadingQuantity): string => (quantity === 'dc-current' ? 'A' : 'V');

/** Returns the jack of the red lead on a range. */
export const jackOf = (quantity: ReadingQuantity, range: Range | ResistanceRange): string =>
  ('jack' in range ? range.jack : undefined) ?? usualJack(quantity);

/** A jack for the red lead. */
export interface Jack {
  readonly name: string;
  /** A at which its fuse blows; null without one. */
  readonly fuse: number | null;
  /** Units of the quantities that it is for, in the order of the functions. */
  readonly units: readonly string[];
}

/** Returns the jacks of an instrument for the red lead, in the order of its functions. The black lead is in COM. */
export function jacksOf({ functions = [] }: Instrument): Jack[] {
  const jacks = new Map<string, { readonly fuse: number | null; readonly units: ReadonlySet<string> }>();
  for (const { quantity, ranges } of functions)
    for (const range of ranges) {
      const name = jackOf(quantity, range);
      const known = jacks.get(name);
      const fuse = ('fuse' in range ? range.fuse : undefined) ?? known?.fuse ?? null;
      jacks.set(name, { fuse, units: new Set([...(known?.units ?? []), unitOf(quantity)]) });
    }
  return [...jacks].map(([name, { fuse, units }]) => ({ name, fuse, units: [...units] }));
}
