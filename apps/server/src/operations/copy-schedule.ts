import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { ScheduledCopiesState } from '@usual-drag/contract';

/** Folder and interval of the copies on schedule. */
export interface CopySchedule {
  readonly folder: string;
  readonly everyHours: number;
}

/** ms of an hour. */
export const hour = 3_600_000;

/** Returns a warning if the copies are overdue, otherwise null. */
export function copiesWarning({ folder, everyHours, lastAt, isOverdue, failure }: ScheduledCopiesState): string | null {
  if (!isOverdue) return null;
  const last =
    lastAt === null
      ? 'but none has been made'
      : `but the last was made on ${lastAt.slice(0, 10)} at ${lastAt.slice(11, 16)} UTC`;
  return [`Copies in ${folder} are overdue: one is due every ${everyHours} h, ${last}.`, failure]
    .filter(Boolean)
    .join(' ');
}

/**
 * Returns the state of the copies in a folder. They are overdue if the newest is older than one and a half intervals, or if the first
 * one failed.
 *
 * @param failure  reason why the last copy was not made; null if it was
 * @param now  ms since 1970
 */
export function copiesState(
  { folder, everyHours }: CopySchedule,
  failure: string | null,
  now: number,
): ScheduledCopiesState {
  const last = newestIn(folder);
  return {
    folder,
    everyHours,
    lastAt: last === null ? null : new Date(last).toISOString(),
    isOverdue: last === null ? failure !== null : now - last > 1.5 * everyHours * hour,
    failure,
  };
}

/** Returns the names of the copies in a folder, the oldest first: the names sort by date. */
export const copiesIn = (folder: string): string[] =>
  statSync(folder, { throwIfNoEntry: false })?.isDirectory()
    ? readdirSync(folder)
        .filter((name) => /^usual-drag-[\dTZ-]+\.backup$/.test(name))
        .sort()
    : [];

/** Returns the time of the newest copy, ms since 1970; null if there is none. */
export function newestIn(folder: string): number | null {
  const newest = copiesIn(folder).at(-1);
  return newest === undefined ? null : statSync(join(folder, newest)).mtimeMs;
}
