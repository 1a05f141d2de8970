import type { Observation, Reading } from '../readings/index.ts';
import { readingFollower } from './edits/change-network.ts';
import type { Job } from './job.ts';
import { atItsVersion } from './job-version.ts';
import { freeReadingId } from './edits/reading-edits.ts';
import { sameValue } from './same-value.ts';

/**
 * Returns one job with the edits of two devices: `mine` and `theirs`, both edits of `base`. Readings never conflict;
 * of everything else only one side may have been changed, unless it is said whose counts. Readings go along with the nodes of the
 * network that counts: one that was taken at a node while another device renamed it is at that node.
 *
 * @param base  null if it is not known any more: then nothing counts as taken away
 * @param counts  whose job it is beside the readings, whoever changed it
 * @returns null if both changed something beside the readings, and not to the same: a person has to choose
 */
export function mergeJobs(base: Job | null, mine: Job, theirs: Job): Job | null;
export function mergeJobs(base: Job | null, mine: Job, theirs: Job, counts: 'mine' | 'theirs'): Job;
export function mergeJobs(base: Job | null, mine: Job, theirs: Job, counts = whoChanged(base, mine, theirs)) {
  if (counts === null) return null;
  const job = counts === 'mine' ? mine : theirs;
  const merged = mergeReadings(base?.readings ?? [], mine.readings ?? [], theirs.readings ?? []);
  const readings = base ? merged.map(readingFollower(base.network, job.network)) : merged;
  if (sameValue(readings, job.readings ?? [])) return job;
  const { readings: _former, ...rest } = job;
  return atItsVersion(readings.length > 0 || job.readings ? { ...job, readings } : rest);
}

/** Which side changed something beside the readings; null if both did, and not to the same. */
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
 * One job's readings with another's: those of `theirs` keep their places and names; new ones of `mine` follow, in order, each under
 * the next free name where its own is taken. What one side took away and the other left alone is gone; what both changed says both.
 */
function mergeReadings(
  base: readonly Reading[],
  mine: readonly Reading[],
  theirs: readonly Reading[],
): readonly Reading[] {
  const [former, own, other] = [new Indexed(base), new Indexed(mine), new Indexed(theirs)];
  const pairs = new Map(mine.map((reading) => [reading, sameIn(other, reading, own)]));
  const ownOf = new Map([...pairs].flatMap(([reading, their]) => (their ? [[their, reading] as const] : [])));
  const merged: Reading[] = [];
  for (const reading of theirs) {
    const [before, changed] = [former.named(reading), ownOf.get(reading)];
    if (changed) merged.push(mergeReading(before, changed, reading));
    else if (!before || !sameValue(before, reading)) merged.push(reading);
  }
  const taken = new Set(merged.map(({ id }) => id));
  for (const [reading, their] of pairs) {
    const before = former.named(reading);
    if (their || (before && sameValue(before, reading))) continue;
    const id = taken.has(reading.id) ? freeReadingId(merged.length, taken) : reading.id;
    taken.add(id);
    merged.push(id === reading.id ? reading : { ...reading, id });
  }
  return merged;
}

/**
 * Returns the identity of a reading beside its name: time and text of its first display, instrument, and person. Two devices
 * may call their next reading by the same name.
 */
export function readingOrigin({ quantity, instrument, observations, by }: Reading): string {
  const [first] = observations;
  return JSON.stringify([quantity, instrument, first?.shown, first?.unit, first?.at, by]);
}

/** Readings by their names, and by their origins. */
class Indexed {
  readonly #byName: ReadonlyMap<string, Reading>;
  #byOrigin: ReadonlyMap<string, readonly Reading[]> | null = null;

  constructor(private readonly readings: readonly Reading[]) {
    this.#byName = new Map(readings.map((reading) => [reading.id, reading]));
  }

  hasName(id: string): boolean {
    return this.#byName.has(id);
  }

  /** The reading of that name, where it is the same one. */
  named(reading: Reading): Reading | undefined {
    const found = this.#byName.get(reading.id);
    return found && readingOrigin(found) === readingOrigin(reading) ? found : undefined;
  }

  /** All that have a reading's origin, in order. */
  likewise(reading: Reading): readonly Reading[] {
    this.#byOrigin ??= groupByOrigin(this.readings);
    return this.#byOrigin.get(readingOrigin(reading)) ?? [];
  }
}

function groupByOrigin(readings: readonly Reading[]): ReadonlyMap<string, readonly Reading[]> {
  const groups = new Map<string, Reading[]>();
  for (const reading of readings) {
    const origin = readingOrigin(reading);
    const group = groups.get(origin);
    if (group) group.push(reading);
    else groups.set(origin, [reading]);
  }
  return groups;
}

/**
 * A reading as another version has it. One that was handed in before, its answer lost on the way, may have got another name there: its
 * own was taken. Those that have their names in `own` too are others. Without a time nothing but the name tells readings apart.
 */
function sameIn(readings: Indexed, reading: Reading, own: Indexed): Reading | undefined {
  const found = readings.named(reading);
  if (found || !readings.hasName(reading.id) || reading.observations[0]?.at === undefined) return found;
  return readings.likewise(reading).find((one) => !own.named(one));
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

/** Undefined if only one side has a note. */
function bothNotes(before: string | undefined, mine: string | undefined, theirs: string | undefined) {
  const isBoth = mine !== undefined && theirs !== undefined && mine !== theirs && before !== mine && before !== theirs;
  return isBoth && !theirs.includes(mine) ? `${theirs}; ${mine}` : undefined;
}
