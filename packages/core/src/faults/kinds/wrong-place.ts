import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** Nodes of the leads, or the node and the part ends of a break. */
export type RealPlace =
  { readonly red: string; readonly black: string } | { readonly node: string; readonly ends: readonly string[] };

/** A reading taken at another place; the value is that place, null if it is not given. */
export type WrongPlace = FaultOf<'wrong-place', RealPlace | null>;

/** A reading was taken at another place of the circuit. */
export const wrongPlace: ReadingFaultKind<WrongPlace> = {
  of: 'reading',
  sentence: ({ where: [id], value }) => `${id} was read ${value === null ? 'at another place' : placeWords(value)}.`,
  check: ({ where: [id] }) => `Check where the leads of ${id} were, and read it again at the planned place.`,
};

const placeWords = (place: RealPlace): string =>
  'red' in place
    ? `from ${place.red} to ${place.black}`
    : `at ${place.node} into ${place.ends.map((end) => end.replace(/\.(from|to)$/, '')).join(', ')}`;
