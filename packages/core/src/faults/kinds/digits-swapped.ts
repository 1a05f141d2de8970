import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** Two neighbouring digits exchanged in writing down; the value is the text of the display, null if it is not given. */
export type DigitsSwapped = FaultOf<'digits-swapped', string | null>;

/** Two digits of a reading were exchanged. */
export const digitsSwapped: ReadingFaultKind<DigitsSwapped> = {
  of: 'reading',
  sentence: ({ where: [id], value }) =>
    `Two digits of ${id} were exchanged${value === null ? '' : `: the display was ${value}`}.`,
  check: ({ where: [id], value }) =>
    value === null ? `Compare ${id} with the display again.` : `Did the display show ${value}? Read ${id} again.`,
};
