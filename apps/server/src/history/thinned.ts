const hour = 3_600_000;
const day = 24 * hour;
const week = 7 * day;

interface Dated {
  readonly entry: number;
  readonly kind: string;
  readonly documentId: string;
  /** ISO 8601. */
  readonly savedAt: string;
  readonly aside: boolean;
}

/**
 * The entries of histories that go: of the last day all stay, then the last one of each hour, after a week of each day, after a
 * quarter of each week. A version that was set aside is nowhere else and stays.
 *
 * @returns their numbers
 */
export function thinned(entries: readonly Dated[], now: Date): number[] {
  const kept = new Set<string>();
  const gone: number[] = [];
  for (const { entry, kind, documentId, savedAt, aside } of [...entries].sort((a, b) => b.entry - a.entry)) {
    const at = Date.parse(savedAt);
    const age = now.getTime() - at;
    if (aside || !(age > day)) continue;
    const span = age <= week ? hour : age <= 13 * week ? day : week;
    const slot = `${kind}/${documentId}/${span}/${Math.floor(at / span)}`;
    if (kept.has(slot)) gone.push(entry);
    else kept.add(slot);
  }
  return gone;
}
