/** Median time of a piece of work, s: warmed up until it is compiled, then in batches long enough for the clock. */
export function secondsOf(work: () => unknown, minimum = 0.25): number {
  let calls = 0;
  const start = performance.now();
  for (const end = start + minimum * 2000; performance.now() < end || calls === 0; calls += 1) work();
  const warm = (performance.now() - start) / 1000 / calls;
  if (warm > 1) return warm;
  const batch = Math.max(1, Math.ceil(0.005 / warm));
  const times: number[] = [];
  for (const end = performance.now() + minimum * 1000; performance.now() < end || times.length < 5;) {
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

/** A line of the report: what was measured, and how it compares. */
export const line = (what: string, text: string): void => console.log(`${what.padEnd(58)} ${text}`);
