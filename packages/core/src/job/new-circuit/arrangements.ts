/** An arrangement of parts, as a line of their names. */
export interface Arrangement {
  readonly name: string;
  /** `E1: R1 + (R2 || R3)`. */
  readonly line: string;
}

/**
 * Returns the arrangements of parts: in series, in parallel, and for three parts each combination. Arrangements that differ only in
 * the order of parts are listed once.
 *
 * @param feed  name of the source; null for parts alone
 * @param parts  names, at least one
 */
export function arrangementsOf(feed: string | null, parts: readonly string[]): Arrangement[] {
  const fed = (line: string): string => (feed === null ? line : `${feed}: ${line}`);
  const all: Arrangement[] = [{ name: 'in series', line: fed(parts.join(' + ')) }];
  if (parts.length < 2) return [{ name: 'alone', line: fed(parts.join()) }];
  all.push({ name: 'in parallel', line: fed(parts.join(' || ')) });
  if (parts.length !== 3) return all;
  const apart = parts.map((alone) => ({ alone, pair: parts.filter((part) => part !== alone) }));
  return [
    ...all,
    ...apart.map(({ alone, pair }) => ({
      name: `${alone} in series with a pair`,
      line: fed(`${alone} + (${pair.join(' || ')})`),
    })),
    ...apart.map(({ alone, pair }) => ({
      name: `${alone} beside a chain`,
      line: fed(`${alone} || ${pair.join(' + ')}`),
    })),
  ];
}
