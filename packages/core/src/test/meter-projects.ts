import { solveMeterProject, usualParts, type Side, type WorkedSide, type MeterProject } from '../workshop/index.ts';

/** A feed-current meter of a 100 µA, 1.8 kΩ movement. */
const feed: MeterProject = {
  id: 'feed',
  title: 'Feed-current panel meter',
  movement: { figures: { fullScaleCurrent: 1e-4, resistance: 1800 } },
  movementClass: 0.015,
  divisions: 50,
  sides: [{ target: 'ammeter', scheme: 'universal', ranges: [0.025, 0.25, 2.5] }],
  parts: usualParts,
  dial: { radius: 60, sweep: 90 },
};

/** A meter project and its sides worked out. */
export function workedOut(change: Partial<MeterProject>): {
  readonly piece: MeterProject;
  readonly sides: readonly WorkedSide[];
} {
  const piece = { ...feed, ...change };
  const solved = solveMeterProject(piece);
  if (!solved.ok) throw new Error(solved.fault.message);
  return { piece, sides: solved.value };
}

/** An ammeter with a universal shunt, and a voltmeter's string behind its shunt. */
export const paired = (amps: readonly number[], volts: readonly number[]): Side[] => [
  { target: 'ammeter', scheme: 'universal', ranges: amps },
  { target: 'voltmeter', scheme: 'string', ranges: volts, across: 'shunt' },
];
