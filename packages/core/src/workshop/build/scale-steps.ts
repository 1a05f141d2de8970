/** Rounding of a logarithm at a power of ten. */
const logNoise = 1e-12;

/** Relative rounding of a step. */
const stepNoise = 1e-9;

/** A range of one side of a meter. */
export interface DialRange {
  readonly unit: 'A' | 'V';
  /** At full scale. */
  readonly range: number;
}

/** Ranges that share one arc of a dial, since their numbers differ by the decimal point only. */
export interface SharedArc {
  readonly ranges: readonly DialRange[];
  /** Of the first of them, which gives the numbers. */
  readonly steps: ScaleSteps;
}

/**
 * The arcs that a dial needs, those of one side after those of the other.
 *
 * @param wanted  divisions
 */
export function sharedArcs(ranges: readonly DialRange[], wanted: number): SharedArc[] {
  const groups = new Map<number, DialRange[]>();
  for (const one of [...ranges].sort((a, b) => a.unit.localeCompare(b.unit) || a.range - b.range)) {
    const figure = Number((one.range / 10 ** Math.floor(Math.log10(one.range) + logNoise)).toPrecision(9));
    groups.set(figure, [...(groups.get(figure) ?? []), one]);
  }
  return [...groups.values()].map((group) => ({ ranges: group, steps: scaleSteps(group[0]!.range, wanted) }));
}

/** Division of a dial for one range. */
export interface ScaleSteps {
  /** Value at full scale in the printed figures: the range in its own thousands. */
  readonly fullScale: number;
  /** From one number to the next, and from one mark to the next, in the same figures. */
  readonly numbered: number;
  readonly smallest: number;
  /** Marks from zero to full scale, zero not counted; with a part of one where the range ends between two. */
  readonly divisions: number;
}

/** Approximate number of steps with a number. */
const numbers = 5;

/**
 * The steps of a dial in the 1-2-5 sequence: numbers that end on full scale where the range allows it, about five of them, and
 * marks between them as near to the wanted count as the sequence comes.
 *
 * @param range   A or V at full scale
 * @param wanted  divisions
 */
export function scaleSteps(range: number, wanted: number): ScaleSteps {
  const fullScale = Number((range / 1000 ** Math.floor(Math.log10(range) / 3 + logNoise)).toPrecision(9));
  const steps = sequenceUpTo(fullScale);
  const numbered = best(
    steps.filter((step) => fullScale / step < 16),
    (step) => nearness(fullScale / step, numbers) + (whole(fullScale / step) ? 0 : 2),
  );
  const smallest = best(
    steps.filter((step) => step <= numbered * (1 + stepNoise) && whole(numbered / step)),
    (step) => nearness(fullScale / step, wanted) + (whole(fullScale / step) ? 0 : 0.3),
  );
  return { fullScale, numbered, smallest, divisions: Number((fullScale / smallest).toPrecision(9)) };
}

/** 1, 2 and 5 of every decade from a thousandth of a figure up to it. */
function sequenceUpTo(maximum: number): number[] {
  const top = Math.floor(Math.log10(maximum) + logNoise);
  return [-3, -2, -1, 0].flatMap((below) => [1, 2, 5].map((figure) => Number(`${figure}e${top + below}`)));
}

const nearness = (count: number, wanted: number): number => Math.abs(Math.log(count / wanted));

const whole = (ratio: number): boolean => Math.abs(ratio - Math.round(ratio)) < 1e-6;

const best = (steps: readonly number[], worth: (step: number) => number): number =>
  steps.reduce((minimum, next) => (worth(next) < worth(minimum) - logNoise ? next : minimum));
