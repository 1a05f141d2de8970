import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** A reading written down with the wrong prefix; the value is the factor on the number, null if it is not given. */
export type Prefix = FaultOf<'prefix', number | null>;

/** A reading was written down with the wrong prefix. */
export const prefix: ReadingFaultKind<Prefix> = {
  of: 'reading',
  sentence: ({ where: [id], value }) =>
    `${id} was written down with the wrong prefix${value === null ? '' : `: ${value > 1 ? `${value} times too large` : `${1 / value} times too small`}`}.`,
  check: ({ where: [id] }) => `Compare ${id} with the display again: did it have another prefix?`,
};
