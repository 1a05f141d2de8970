import { exactly } from '../../solver/index.ts';
import { sampleTolerance, type SampleSummary, type Sampling } from '../../uncertainty/index.ts';
import { fullScaleErrors } from './as-built.ts';
import type { Combination } from '../scheme/design.ts';
import { movementInUse, shuntedBy } from '../movement/movement-as-found.ts';
import { partTolerance, type WorkedSide, type MeterProject } from '../scheme/meter-project.ts';

/** Sampled statistics of one range. */
export interface SampledRange {
  /** A or V. */
  readonly range: number;
  /** Relative error at full scale. */
  readonly errors: SampleSummary;
}

/**
 * The error at full scale of every range over the tolerance of each single resistor, drawn at random: what a batch of such meters
 * would show. The parts of a section partly cancel, so it is narrower than the worst case.
 *
 * @returns the ranges rising, or none if there is nothing to draw
 */
export function sampledErrors(meterProject: MeterProject, worked: WorkedSide, sampling: Sampling): SampledRange[] {
  const { design, movement, result, shunt } = worked;
  const bare = movementInUse(meterProject.movement);
  if (!bare.ok) return [];
  const toleranceOf = partTolerance(meterProject);
  const own = result.sections.map(({ parts }) => parts);
  const sections = [...own, ...(shunt ?? [])];
  const parts = sections.flatMap(({ values }, section) =>
    values.map((resistance, k) => ({ id: `${section}.${k}`, resistance, tolerance: toleranceOf(resistance) })),
  );
  const fullScales = result.ranges.map(({ range }) => range);
  const resistances = new Float64Array(sections.length);
  const errorsAt = (at: ArrayLike<number>): number[] => {
    let next = 0;
    sections.forEach((combination, section) => {
      resistances[section] = joined(combination, at, next);
      next += combination.values.length;
    });
    const shuntNow = resistances.subarray(own.length).reduce((sum, section) => sum + section, 0);
    return fullScaleErrors(
      design,
      shunt ? shuntedBy(bare.value, exactly(shuntNow)) : movement,
      fullScales,
      resistances.subarray(0, own.length),
    );
  };
  return fullScales.map((range, k) => {
    const run = sampleTolerance({ parts, valueAt: (at) => errorsAt(at)[k]! }, sampling);
    for (let step = run.next(); ; step = run.next()) if (step.done) return { range, errors: step.value };
  });
}

/** Ω of a combination with the values that were drawn, from a place on. */
function joined({ values, joined: how }: Combination, at: ArrayLike<number>, from: number): number {
  let sum = 0;
  for (let k = 0; k < values.length; k += 1) sum += how === 'parallel' ? 1 / at[from + k]! : at[from + k]!;
  return how === 'parallel' ? 1 / sum : sum;
}
