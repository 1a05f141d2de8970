import type { ScaleSteps } from './scale-steps.ts';

/** Divisions that rounding may take from a full scale. */
const rounding = 1e-9;

/** Figures of a scale: those with a number, and those with a mark alone. */
export interface ScaleFigures {
  readonly fullScale: number;
  readonly majors: readonly number[];
  readonly minors: readonly number[];
}

/** Returns the figures of a division. */
export function scaleFigures({
  fullScale,
  numbered,
  smallest,
}: Pick<ScaleSteps, 'fullScale' | 'numbered' | 'smallest'>): ScaleFigures {
  const each = (step: number): number[] =>
    Array.from({ length: Math.floor(fullScale / step + rounding) + 1 }, (_, k) => Number((k * step).toPrecision(9)));
  const majors = each(numbered);
  return { fullScale, majors, minors: each(smallest).filter((figure) => !majors.includes(figure)) };
}
