import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** A reading with one lead connected to nothing. */
export type Hanging = FaultOf<'hanging', null>;

/** A lead of the meter had no contact. */
export const hanging: ReadingFaultKind<Hanging> = {
  of: 'reading',
  sentence: ({ where: [id] }) => `A lead of ${id} was not connected.`,
  check: ({ where: [id] }) => `Was a lead of ${id} not connected? Connect it and read again.`,
};
