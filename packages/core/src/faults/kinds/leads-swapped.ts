import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** A reading with red and black lead exchanged. */
export type LeadsSwapped = FaultOf<'leads-swapped', null>;

/** Red and black were exchanged. */
export const leadsSwapped: ReadingFaultKind<LeadsSwapped> = {
  of: 'reading',
  sentence: ({ where: [id] }) => `The leads of ${id} were swapped.`,
  check: ({ where: [id] }) => `Read ${id} again with red and black as planned.`,
};
