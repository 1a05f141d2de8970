import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** An ammeter connected across its part in place of in series. */
export type Across = FaultOf<'across', null>;

/** An ammeter was connected across a part. */
export const across: ReadingFaultKind<Across> = {
  of: 'reading',
  sentence: ({ where: [id] }) => `The ammeter of ${id} was connected across its part.`,
  check: ({ where: [id] }) =>
    `Was the ammeter of ${id} connected across the part? Open the circuit and connect it in series.`,
};
