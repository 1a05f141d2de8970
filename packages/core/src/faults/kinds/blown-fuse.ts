import type { FaultOf, ReadingFaultKind } from '../fault-kind.ts';

/** An ammeter whose fuse is blown. */
export type BlownFuse = FaultOf<'blown-fuse', null>;

/** The fuse of an ammeter is blown, so it indicates nothing. */
export const blownFuse: ReadingFaultKind<BlownFuse> = {
  of: 'reading',
  sentence: ({ where: [id] }) => `The fuse of the meter of ${id} is blown.`,
  check: ({ where: [id] }) => `Measure the fuse of the meter of ${id} with the resistance range of another instrument.`,
};
