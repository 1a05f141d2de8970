import { prefixByExponent } from '../../quantity/index.ts';
import { answerTo } from '../answer.ts';
import type { Problem } from './problem.ts';
import { networkMistakes } from '../mistakes/network-mistakes.ts';
import { mistakesFor } from '../mistakes/mistakes.ts';

/** Sizes of answers that can be typed in a usual unit. */
const [smallest, largest] = [1e-9, 1e9];

/** Share of an answer by which a mistake's value must differ from it. */
const tellingApart = 1e-6;

/** Rounding of a logarithm at a power of ten. */
const logNoise = 1e-12;

/** Shares that two mistakes must differ by, and a mistake from the right answer, to be distinguished. */
const apart = { slips: 0.0025, right: 0.01 };

/**
 * Whether a problem's answers are sensible numbers, and no usual slip comes so near to the right answer, or to another slip, that one
 * could not say which it was.
 */
export function isClear(problem: Problem): boolean {
  return problem.asks.every((ask) => {
    const answer = answerTo(problem, ask);
    if (typeof answer !== 'number') return answer !== null;
    const size = Math.abs(answer);
    if (!(size > smallest && size < largest)) return false;
    // The ranges of an instrument are as they are.
    const slips = mistakesFor(problem, ask, networkMistakes).filter(
      ({ slip, value }) => slip !== 'rounded-early' && slip !== 'wrong-range' && Number.isFinite(value) && value !== 0,
    );
    // A slip that changes nothing at all is none: it would be marked right.
    const telling = slips.filter(({ value }) => Math.abs(value - answer) > tellingApart * size);
    return telling.every(
      (one, k) =>
        Math.abs(one.value - answer) > apart.right * size &&
        telling
          .slice(k + 1)
          .every(
            (other) =>
              other.slip === one.slip ||
              Math.abs(one.value - other.value) > apart.slips * Math.min(Math.abs(one.value), Math.abs(other.value)),
          ),
    );
  });
}

/** The unit with the prefix that brings a value between 1 and 1000. */
export function unitFor(value: number, unit: 'V' | 'A' | 'Ω' | 'W' | 'C'): string {
  if (value === 0) return unit;
  const exponent = Math.floor(Math.log10(Math.abs(value)) / 3 + logNoise) * 3;
  return `${prefixByExponent[Math.min(6, Math.max(-6, exponent))]!}${unit}`;
}
