import type { Bench } from '../faults/index.ts';
import { isLinear, type Unloaded } from '../loading/index.ts';
import { circuitFaults } from './circuit-faults.ts';
import { elsewhereIn, toleranceOf } from './elsewhere.ts';
import { faultsAnew } from './faults-anew.ts';
import type { Observed } from './observed.ts';
import { largestMisfit, misfitOf, type Prediction } from './prediction.ts';
import { readingFaults } from './reading-faults.ts';

/** A prediction with the misfit of all readings to it. */
export interface Scored {
  readonly prediction: Prediction;
  readonly misfit: number;
}

/**
 * The single faults that explain some readings, the best first: every fault of one reading and of the circuit with a misfit
 * up to the largest that is listed, but for those that no reading can tell from the sound circuit.
 */
export function singleFaults(
  bench: Bench,
  unloaded: Unloaded,
  observed: readonly Observed[],
  sound: Prediction,
): Scored[] {
  return [...ofReadings(bench, unloaded, observed, sound), ...faultsOfCircuit(bench, unloaded, observed)]
    .filter((one) => !isSound(one, sound))
    .map((prediction) => ({ prediction, misfit: misfitOf(prediction, observed) }))
    .filter(({ misfit }) => misfit <= largestMisfit)
    .sort((a, b) => rank(a, observed.length) - rank(b, observed.length));
}

/** What every fault of the circuit predicts: from the sound circuit's responses, or where a load has a curve each solved anew. */
export const faultsOfCircuit = (bench: Bench, unloaded: Unloaded, observed: readonly Observed[]): Prediction[] =>
  isLinear(unloaded) ? circuitFaults(bench.network, bench.instruments, observed) : faultsAnew(bench, observed);

/** Of two that fit alike the one without a fitted value comes first: a value of its own is worth ln n of Σ((value − prediction)/u)². */
const rank = ({ misfit, prediction: { fitted } }: Scored, readings: number): number =>
  misfit ** 2 * Math.max(1, readings - fitted) + fitted * Math.log(Math.max(2, readings));

/** A fault of one reading leaves the others as they are: where these alone miss too far, none of its faults can explain all. */
function ofReadings(
  { instruments }: Bench,
  unloaded: Unloaded,
  observed: readonly Observed[],
  sound: Prediction,
): Prediction[] {
  const misses = observed.map(({ value }, k) => ((value - sound.values[k]!) / sound.u[k]!) ** 2);
  const sum = misses.reduce((total, one) => total + one, 0);
  const most = (largestMisfit * (1 + 1e-9)) ** 2 * observed.length;
  const at = elsewhereIn(unloaded, instruments);
  return observed.flatMap((one, k) => {
    const others = Math.max(0, sum - misses[k]!);
    if (others > most) return [];
    return readingFaults(unloaded, at, one).flatMap(({ hypothesis, value, tolerance, u }): Prediction[] => {
      const own = Math.sqrt(u * u + tolerance * tolerance);
      if (others + ((one.value - value) / own) ** 2 > most) return [];
      return [{ hypothesis, values: sound.values.with(k, value), u: sound.u.with(k, own), fitted: 0 }];
    });
  });
}

/** What the sound circuit predicts. A meter that hangs in the air counts as 0. */
export function soundPrediction(observed: readonly Observed[]): Prediction {
  return {
    hypothesis: { fault: 'open', where: [], value: null },
    values: Float64Array.from(observed, ({ expectation }) => expectation.expected ?? 0),
    u: Float64Array.from(observed, (one) => Math.hypot(one.u, toleranceOf(one.expectation))),
    fitted: 0,
  };
}

/** Whether every reading lies within 2u of a prediction. */
export const isConsistent = ({ values, u }: Prediction, observed: readonly Observed[]): boolean =>
  observed.every(({ value }, k) => Math.abs(value - values[k]!) <= 2 * u[k]!);

/** Whether no reading can tell a hypothesis from the sound circuit. */
const isSound = ({ values }: Prediction, sound: Prediction): boolean =>
  values.every((value, k) => Math.abs(value - sound.values[k]!) <= 1e-9 * Math.abs(sound.values[k]!) + 1e-15);
