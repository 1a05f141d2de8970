import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** A reading with both leads on one point. */
export type OnePoint = FaultOf<'one-point', null>;

/** Both leads were on one point. */
export const onePoint: ReadingFaultKind<OnePoint> = {
  of: 'reading',
  sentence: ({ where: [id] }) => `Both leads of ${id} were on one point.`,
  check: ({ where: [id] }) => `Were both leads of ${id} on one point? Read it again.`,
};
