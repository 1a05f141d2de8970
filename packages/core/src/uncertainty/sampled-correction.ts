import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { isReadingInput } from './budget.ts';
import {
  changedRange,
  uncertainResistances,
  type CorrectedBench,
  type Correction,
  type UncertainResistance,
} from './correction.ts';

/** A corrected value found by drawing its inputs at random (JCGM 101:2008), V, A or Ω. */
export interface SampledCorrection {
  readonly count: number;
  readonly mean: number;
  /** Standard deviation. */
  readonly deviation: number;
  /** Between these lie the middle 95.45 %, as within two standard deviations of a normal distribution. */
  readonly low: number;
  readonly high: number;
  /** Whether U and the value of the linear form are off by more than a tenth of U. */
  readonly isLinearFormWrong: boolean;
}

/** Share of U by which the linear form may be off. */
const allowed = 0.1;

/** Share outside the interval on either side, for a coverage of 95.45 %. */
const tail = 0.02275;

/** Draws that are enough to see a tenth of U: the deviation is then known to about 2 %. */
const usualCount = 2000;

/**
 * Draws all inputs of a corrected value at random: resistances and the meter's limits evenly, observations normally (JCGM 101:2008, 6.4).
 *
 * @param seed  the same seed draws the same values again
 * @returns null if the value is not determined
 */
export function sampleCorrection(correction: Correction, seed = 1, count = usualCount): SampledCorrection | null {
  const { bench } = correction;
  const linear = correction.correct(bench);
  if (!linear || linear.factor === 0 || linear.value === 0) return null;
  const generator = xoroshiro128plus(seed);
  const even = (): number => 2 * uniformFloat64(generator) - 1;
  const normal = (): number =>
    Math.sqrt(-2 * Math.log(1 - uniformFloat64(generator))) * Math.cos(2 * Math.PI * uniformFloat64(generator));
  const reading = linear.value / linear.factor;
  const own = linear.budget.filter(({ of }) => isReadingInput(of));
  const drawn = uncertainResistances(correction);
  const known = withoutTolerances(correction);
  const values: number[] = [];
  for (let draw = 0; draw < count; draw += 1) {
    const at = drawn.map(({ value, limit }) => value + limit * even());
    const corrected = correction.correct(benchAt(correction, known, drawn, at));
    if (!corrected) continue;
    const off = own.reduce(
      (sum, { of, standard }) => sum + standard * (of === 'spread' ? normal() : Math.sqrt(3) * even()),
      0,
    );
    values.push(corrected.value * (1 + off / reading));
  }
  if (values.length === 0) return null;
  values.sort((a, b) => a - b);
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const deviation = Math.sqrt(
    values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / Math.max(1, values.length - 1),
  );
  const at = (share: number): number => values[Math.min(values.length - 1, Math.floor(share * values.length))]!;
  const { value, uncertainty } = linear;
  return {
    count: values.length,
    mean,
    deviation,
    low: at(tail),
    high: at(1 - tail),
    isLinearFormWrong:
      Math.abs(2 * deviation - uncertainty) > allowed * uncertainty || Math.abs(mean - value) > allowed * uncertainty,
  };
}

/** The bench without any tolerance: a draw then computes no budget. */
function withoutTolerances({ bench: { network, instruments }, meters }: Correction): CorrectedBench {
  return {
    network: {
      ...network,
      elements: network.elements.map((part) => (part.kind === 'resistor' ? { ...part, tolerance: 0 } : part)),
    },
    instruments: Object.values(meters).reduce<CorrectedBench['instruments']>(
      (now, meter) => changedRange(now, meter, { resistanceTolerance: 0 }),
      instruments,
    ),
  };
}

/** The bench with the drawn resistances, Ω. */
function benchAt(
  { meters }: Correction,
  { network, instruments }: CorrectedBench,
  drawn: readonly UncertainResistance[],
  at: readonly number[],
): CorrectedBench {
  const value = new Map(drawn.map(({ of }, k) => [of, at[k]!]));
  return {
    network: {
      ...network,
      elements: network.elements.map((part) => {
        const resistance = part.kind === 'resistor' ? value.get(part.id) : undefined;
        return resistance === undefined || part.kind !== 'resistor' ? part : { ...part, resistance };
      }),
    },
    instruments: Object.entries(meters).reduce<CorrectedBench['instruments']>((now, [of, meter]) => {
      const resistance = value.get(of);
      return resistance === undefined ? now : changedRange(now, meter, { resistance });
    }, instruments),
  };
}
