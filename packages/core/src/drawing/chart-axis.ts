import { formatQuantity, prefixByExponent, smallestExponent, type Unit } from '../quantity/index.ts';
import { roundStep } from './axis.ts';

/** Share of a step that rounding may add to an axis. */
const rounding = 1e-9;

/** Approximate number of steps of an even axis, and the most decades that each have a tick. */
const [evenSteps, mostDecades] = [5, 7];

/** Fewest ticks of a logarithmic axis that has decades alone. */
const fewestDecades = 3;

/** Ticks of a chart's axis at round values, with their unit once for the axis. */
export interface ChartAxis {
  readonly ticks: readonly number[];
  /** Unit with the prefix that all ticks have, `mA`; without one on a logarithmic axis. */
  readonly unit: string;
  /** Returns the text of a tick: `20`; on a logarithmic axis with its own prefix, `10 k`. */
  text(value: number): string;
}

/**
 * Returns the ticks of an axis: steps of 1, 2 or 5 times a power of ten, or decades. A logarithmic axis over less than three
 * decades has 2 and 5 as well.
 *
 * @param low   least value, in the unit; not finite, like `high`, if there are no values, and then there are no ticks
 * @param high  greatest value; above zero, like `low`, on a logarithmic axis
 */
export function chartAxis(low: number, high: number, unit: Unit | '%', spread: 'even' | 'ratio' = 'even'): ChartAxis {
  return spread === 'ratio' ? decadeAxis(low, high, unit) : evenAxis(low, high, unit);
}

function evenAxis(low: number, high: number, unit: Unit | '%'): ChartAxis {
  if (!Number.isFinite(high - low)) return { ticks: [], unit, text: trimmed };
  if (high <= low) return { ticks: [low], unit, text: trimmed };
  const step = roundStep((high - low) / evenSteps);
  const first = Math.ceil(low / step - rounding);
  const last = Math.floor(high / step + rounding);
  const ticks = Array.from({ length: last - first + 1 }, (_, k) => Number(((first + k) * step).toPrecision(12)));
  const exponent = unit === '%' ? 0 : prefixExponentOf(Math.max(...ticks.map(Math.abs), step));
  return {
    ticks,
    unit: `${prefixByExponent[exponent]}${unit}`,
    text: (value) => trimmed(value / 10 ** exponent),
  };
}

function decadeAxis(low: number, high: number, unit: Unit | '%'): ChartAxis {
  const first = Math.ceil(Math.log10(low) - rounding);
  const last = Math.floor(Math.log10(high) + rounding);
  const every = Math.max(1, Math.ceil((last - first + 1) / mostDecades));
  const decades = Array.from({ length: Math.max(0, last - first + 1) }, (_, k) => first + k).filter(
    (_, k) => k % every === 0,
  );
  const leads = decades.length < fewestDecades ? [1, 2, 5] : [1];
  const ticks = [...new Set([first - 1, ...decades])]
    .flatMap((decade) => leads.map((lead) => Number((lead * 10 ** decade).toPrecision(12))))
    .filter((value) => value >= low * (1 - rounding) && value <= high * (1 + rounding));
  return {
    ticks,
    unit,
    text: (value) =>
      value === 0
        ? '0'
        : formatQuantity(value, unit as Unit, { digits: 3, trim: true })
            .slice(0, -unit.length)
            .trim(),
  };
}

/** Returns the exponent of the prefix in which a number is from 1 to 1000. */
const prefixExponentOf = (value: number): number =>
  Math.min(12, Math.max(smallestExponent, Math.floor(Math.log10(value) / 3 + rounding) * 3));

const trimmed = (value: number): string => String(Number(value.toPrecision(6))).replace('-', '−');
