const hour = 3_600_000;
const day = 24 * hour;
const week = 7 * day;
/** Longest gap between two versions that counts, ms. */
const longestGap = day / 2;

/** A version of one document's history. */
interface Dated {
  readonly entry: number;
  /** ISO 8601. */
  readonly savedAt: string;
  readonly aside: boolean;
}

/**
 * The versions of one document that its history does not keep. Ages count back from the newest version: of the last day all stay,
 * then the last one of each hour, after a week of each day, after a quarter of each week. A version that was set aside is nowhere
 * else and stays.
 *
 * A clock may have been wrong. So the present time does not count, a gap between two versions counts as half a day at most, and one
 * backwards as none: a jump of the clock makes no version old enough to go.
 *
 * @returns their entries
 */
export function thinned(versions: readonly Dated[]): number[] {
  const kept = new Set<string>();
  const gone: number[] = [];
  let age = 0;
  let newer: number | null = null;
  for (const { entry, savedAt, aside } of [...versions].sort((a, b) => b.entry - a.entry)) {
    const at = Date.parse(savedAt);
    if (newer !== null) age += Math.min(Math.max(newer - at, 0), longestGap) || 0;
    newer = at;
    if (aside || !(age > day)) continue;
    const span = age <= week ? hour : age <= 13 * week ? day : week;
    const slot = `${span}/${Math.floor(at / span)}`;
    if (kept.has(slot)) gone.push(entry);
    else kept.add(slot);
  }
  return gone;
}
