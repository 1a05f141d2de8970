const readingFaults = [
  'prefix',
  'leads-swapped',
  'one-point',
  'hanging',
  'digits-swapped',
  'wrong-scale',
  'wrong-place',
  'across',
  'blown-fuse',
] as const;

/** A fault of one reading: a mistake of the hand or the eye. */
export type ReadingFault = (typeof readingFaults)[number];

/** A fault of the circuit. */
export type CircuitFault =
  | 'open'
  | 'short'
  | 'decade'
  | 'swapped'
  | 'out-of-tolerance'
  | 'contact'
  | 'supply-off'
  | 'supply-reversed'
  | 'supply-value'
  | 'supply-limited'
  | 'switch'
  | 'meter';

/** Where a reading really was. */
export type RealPlace =
  { readonly red: string; readonly black: string } | { readonly node: string; readonly ends: readonly string[] };

/** One fault that may explain the readings. */
export interface Hypothesis {
  readonly fault: ReadingFault | CircuitFault;
  /** Ids of the reading, parts, source or instrument that it is about. */
  readonly where: readonly string[];
  /** A factor, a fitted value, a text put right, a range, a place; null if the fault has none. */
  readonly value: number | string | RealPlace | { readonly quantity: string; readonly factor: number } | null;
}

/** Returns whether a fault is a mistake in one reading; the circuit is then fault-free. */
export const isOfReading = ({ fault }: Hypothesis): boolean => (readingFaults as readonly string[]).includes(fault);
