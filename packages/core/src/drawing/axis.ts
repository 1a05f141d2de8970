/** Share of a step that rounding may add to an axis. */
const rounding = 1e-9;

/** A line of the potential axis. */
interface Tick {
  readonly y: number;
  /** V. */
  readonly value: number;
}

/** A stretch of the axis that is drawn longer than its volts. */
interface Stretch {
  readonly y1: number;
  readonly y2: number;
}

/** Ticks of an axis, and the parts of it that are stretched. */
export interface Axis {
  readonly ticks: readonly Tick[];
  readonly stretched: readonly Stretch[];
}

/**
 * Ticks at round values (1-2-5) along rails at known heights, and where the axis is stretched.
 *
 * @param levels  level of each rail, falling, V
 * @param y       its height
 * @param scale   px a volt where the axis is true
 */
export function potentialAxis(levels: readonly number[], y: readonly number[], scale: number): Axis {
  const top = levels[0] ?? 0;
  const bottom = levels[levels.length - 1] ?? 0;
  if (!(top > bottom)) return { ticks: [], stretched: [] };
  const step = roundStep((top - bottom) / 6);
  const ticks: Tick[] = [];
  for (let n = Math.ceil(bottom / step - rounding); n * step <= top + step * rounding; n += 1) {
    const value = Number((n * step).toPrecision(12));
    ticks.push({ value, y: heightOf(value, levels, y) });
  }
  const spaced = ticks.filter((tick, i) => i === 0 || Math.abs(tick.y - ticks[i - 1]!.y) >= 16);
  const stretched = y.slice(1).flatMap((below, i): Stretch[] => {
    const above = y[i]!;
    return below - above > 1.15 * scale * (levels[i]! - levels[i + 1]!) + 0.5 ? [{ y1: above, y2: below }] : [];
  });
  return { ticks: spaced, stretched: joinStretches(stretched) };
}

/** Height of a level between rails at known heights, beyond them in proportion to the nearest gap that has volts. */
function heightOf(value: number, levels: readonly number[], y: readonly number[]): number {
  const last = levels.length - 1;
  let i = 0;
  while (i < last - 1 && value < levels[i + 1]!) i += 1;
  const rise = levels[i]! - levels[i + 1]!;
  if (!(rise > 0)) return y[i]!;
  return y[i]! + ((levels[i]! - value) / rise) * (y[i + 1]! - y[i]!);
}

/** Returns the step of 1, 2 or 5 times a power of ten that is not below a rough one. */
export function roundStep(rough: number): number {
  const decade = 10 ** Math.floor(Math.log10(rough));
  const lead = rough / decade;
  return decade * (lead <= 1.000001 ? 1 : lead <= 2.000001 ? 2 : lead <= 5.000001 ? 5 : 10);
}

const joinStretches = (stretches: readonly Stretch[]): Stretch[] =>
  stretches.reduce<Stretch[]>((joined, next) => {
    const last = joined[joined.length - 1];
    if (last && Math.abs(last.y2 - next.y1) < 0.5) joined[joined.length - 1] = { y1: last.y1, y2: next.y2 };
    else joined.push(next);
    return joined;
  }, []);
