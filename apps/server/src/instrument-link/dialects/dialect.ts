import type { ReadingQuantity } from '@usual-drag/core/instrument';

/** Commands of a family of instruments that speak the open command standard (IEEE 488.2, SCPI-99). */
export interface Dialect {
  /** Returns whether an instrument with this answer to `*IDN?` belongs to the family. */
  isOf(identity: string): boolean;
  /** Selects a function; a range in V, A or Ω may follow as a parameter. */
  readonly configure: Readonly<Record<ReadingQuantity, string>>;
  /** Takes one reading and asks for it. */
  readonly read: string;
  /** Asks for the oldest error: a number and a text, 0 for none. */
  readonly oldestError: string;
  /** Whether it takes the lines that place the leads of a simulated instrument. */
  readonly takesLeads: boolean;
}
