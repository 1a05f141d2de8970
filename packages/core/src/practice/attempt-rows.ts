import type { Attempt } from './attempts.ts';

/** A table to save: the names of its columns, and its rows. */
interface AttemptRows {
  readonly fields: readonly string[];
  readonly data: readonly (readonly (string | number | boolean)[])[];
}

/** Table of attempts at problems. `at` is the time of each, ISO 8601. */
export const rowsFromAttempts = (attempts: readonly (Attempt & { readonly at: string })[]): AttemptRows => ({
  fields: ['at', 'person', 'kind', 'level', 'seed', 'right', 'slip', 'hints', 'seconds'],
  data: attempts.map(({ at, person, kind, level, seed, right, slip, hints, seconds }) => [
    at,
    person,
    kind,
    level,
    seed,
    right,
    slip ?? '',
    hints,
    seconds,
  ]),
});
