/** Median time of a piece of work, s: warmed up, then in batches long enough for the clock. */
export function secondsOf(work: () => unknown, least = 0.25): number {
  const start = performance.now();
  work();
  const first = Math.max((performance.now() - start) / 1000, 1e-7);
  if (first > 2) return first;
  const batch = Math.max(1, Math.ceil(0.01 / first));
  for (let warm = 0; warm < Math.min(2000, (least / first) | 0); warm += 1) work();
  const times: number[] = [];
  for (const end = performance.now() + least * 1000; performance.now() < end || times.length < 5;) {
    const begun = performance.now();
    for (let i = 0; i < batch; i += 1) work();
    times.push((performance.now() - begun) / 1000 / batch);
  }
  return times.sort((a, b) => a - b)[times.length >> 1]!;
}

/** `0.000123` as `123 µs`. */
export function duration(seconds: number): string {
  if (seconds >= 1) return `${seconds.toFixed(2)} s`;
  return seconds >= 1e-3 ? `${(seconds * 1e3).toFixed(2)} ms` : `${(seconds * 1e6).toFixed(0)} µs`;
}
