import { randomUUID } from 'node:crypto';
import type { KeptAttempt } from '@usual-drag/contract';
import type { Attempt, Mistake } from '@usual-drag/core/practice';

/** Practice of two learners of the lift station's workshop: kind, level, right or mistake, hints, seconds. */
const practised: Readonly<
  Record<string, readonly (readonly [Attempt['kind'], Attempt['level'], true | Mistake | null, number, number])[]>
> = {
  'A. Reed': [
    ['equivalent', 1, 'reciprocal-not-inverted', 1, 96],
    ['equivalent', 1, true, 0, 61],
    ['equivalent', 1, true, 0, 48],
    ['voltages-currents', 1, 'divider-inverted', 0, 120],
    ['voltages-currents', 1, true, 0, 88],
    ['voltmeter', 1, 'meter-left-out', 2, 140],
    ['voltmeter', 1, 'meter-in-series', 1, 131],
    ['voltmeter', 1, true, 0, 95],
    ['ammeter', 1, 'prefix', 0, 77],
    ['shunt', 1, 'coil-not-subtracted', 0, 112],
    ['shunt', 1, true, 1, 84],
    ['fault-hunt', 1, true, 0, 150],
  ],
  'T. Finch': [
    ['voltmeter', 2, true, 0, 70],
    ['both-meters', 2, 'meter-left-out', 0, 160],
    ['multiplier', 3, true, 0, 58],
    ['find-fault', 2, null, 0, 210],
    ['fault-hunt', 2, true, 0, 132],
  ],
};

/** The attempts that the demo begins with, the last of them at `now`. */
export function sampleAttempts(now: Date): KeptAttempt[] {
  const all = Object.entries(practised).flatMap(([person, own]) =>
    own.map(([kind, level, outcome, hints, seconds], seed): Omit<KeptAttempt, 'at'> => ({
      id: randomUUID(),
      person,
      kind,
      level,
      seed,
      right: outcome === true,
      slip: outcome === true ? null : outcome,
      hints,
      seconds,
    })),
  );
  return all.map((attempt, k) => ({
    ...attempt,
    at: new Date(now.getTime() - (all.length - 1 - k) * 300_000).toISOString(),
  }));
}
