import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** A needle read on the scale of another range; the value is that range's id. */
export type WrongScale = FaultOf<'wrong-scale', string>;

/** A needle was read on another scale of the dial. */
export const wrongScale: ReadingFaultKind<WrongScale> = {
  of: 'reading',
  sentence: ({ where: [id], value }) => `${id} was read from the scale of ${value}.`,
  check: ({ where: [id], value }) => `Was ${id} read from the scale of ${value}?`,
};
