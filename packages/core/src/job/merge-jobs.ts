import type { Observation, Reading } from '../readings/index.ts';
import type { Job } from './job.ts';
import { atItsVersion } from './job-version.ts';
import { nextReadingId } from './reading-edits.ts';
import { sameValue } from './same-value.ts';

/**
 * What two devices made of one job, in one: `mine` and `theirs`, both edits of `base`. Readings never stand against each other;
 * of everything else only one side may have been changed, unless it is said whose counts.
 *
 * @param base  null where it is not known any more: then nothing counts as taken away
 * @param counts  whose job it is beside the readings, whoever changed it
 * @returns null where both changed something beside the readings, and not to the same: a person has to say which counts
 */
export function mergeJobs(base: Job | null, mine: Job, theirs: Job): Job | null;
export function mergeJobs(base: Job | null, mine: Job, theirs: Job, counts: 'mine' | 'theirs'): Job;
export function mergeJobs(base: Job | null, mine: Job, theirs: Job, counts = whoChanged(base, mine, theirs)) {
  if (counts === null) return null;
  const job = counts === 'mine' ? mine : theirs;
  const readings = mergeReadings(base?.readings ?? [], mine.readings ?? [], theirs.readings ?? []);
  if (sameValue(readings, job.readings ?? [])) return job;
  const { readings: _former, ...rest } = job;
  return atItsVersion(readings.length > 0 || job.readings ? { ...job, readings } : rest);
}

/** Which side changed something beside the readings; null where both did, and not to the same. */
function whoChanged(base: Job | null, mine: Job, theirs: Job): 'mine' | 'theirs' | null {
  const [own, other] = [withoutReadings(mine), withoutReadings(theirs)];
  if (sameValue(own, other)) return 'theirs';
  const former = base && withoutReadings(base);
  if (former && sameValue(own, former)) return 'theirs';
  return former && sameValue(other, former) ? 'mine' : null;
}

function withoutReadings({ readings: _readings, version: _version, ...rest }: Job): object {
  return rest;
}

/**
 * One job's readings with another's: those of `theirs` keep their places and names; new ones of `mine` follow, in order, under the
 * next free names where theirs are taken. What one side took away and the other left alone is gone; what both changed says both.
 */
function mergeReadings(
  base: readonly Reading[],
  mine: readonly Reading[],
  theirs: readonly Reading[],
): readonly Reading[] {
  const [former, own, other] = [byOrigin(base), byOrigin(mine), byOrigin(theirs)];
  const merged: Reading[] = [];
  for (const [origin, reading] of other) {
    const [before, changed] = [former.get(origin), own.get(origin)];
    if (changed) merged.push(mergeReading(before, changed, reading));
    else if (!before || !sameValue(before, reading)) merged.push(reading);
  }
  let isRenaming = false;
  for (const [origin, reading] of own) {
    const before = former.get(origin);
    if (other.has(origin) || (before && sameValue(before, reading))) continue;
    isRenaming ||= merged.some(({ id }) => id === reading.id);
    merged.push(isRenaming ? { ...reading, id: nextReadingId(merged) } : reading);
  }
  return merged;
}

/**
 * What a reading is known by whatever its name has become: when and what its display first said, and on which instrument. Two
 * devices may call their next reading by the same name.
 */
export function readingOrigin({ id, quantity, instrument, observations }: Reading): string {
  const [{ shown, unit, at } = { shown: '', unit: '' }] = observations;
  // Only without a time the name has to tell them apart.
  return JSON.stringify([quantity, instrument, shown, unit, at ?? id]);
}

/** Of readings with one origin, as two copies of a line of a file may be, each is one of its own. */
function byOrigin(readings: readonly Reading[]): Map<string, Reading> {
  const all = new Map<string, Reading>();
  for (const reading of readings) {
    const origin = readingOrigin(reading);
    all.set(all.has(origin) ? `${origin} ${reading.id}` : origin, reading);
  }
  return all;
}

function mergeReading(base: Reading | undefined, mine: Reading, theirs: Reading): Reading {
  if (sameValue(mine, theirs) || (base && sameValue(base, mine))) return theirs;
  if (base && sameValue(base, theirs)) return { ...mine, id: theirs.id };
  const fields = [base, mine, theirs] as unknown as readonly Readonly<Record<string, unknown>>[];
  const [before, own, other] = [fields[0] ?? {}, fields[1]!, fields[2]!];
  const merged: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(other), ...Object.keys(own)])) {
    const value = sameValue(before[key], other[key]) ? own[key] : other[key];
    if (value !== undefined) merged[key] = value;
  }
  const observations = mergeObservations(mine.observations, theirs.observations);
  const note = bothNotes(base?.note, mine.note, theirs.note);
  return { ...(merged as unknown as Reading), id: theirs.id, observations, ...(note !== undefined && { note }) };
}

const mergeObservations = (mine: readonly Observation[], theirs: readonly Observation[]): readonly Observation[] => [
  ...theirs,
  ...mine.filter((one) => !theirs.some((other) => sameValue(one, other))),
];

/** Undefined where one side alone has something to say. */
function bothNotes(before: string | undefined, mine: string | undefined, theirs: string | undefined) {
  const isBoth = mine !== undefined && theirs !== undefined && mine !== theirs && before !== mine && before !== theirs;
  return isBoth && !theirs.includes(mine) ? `${theirs}; ${mine}` : undefined;
}
