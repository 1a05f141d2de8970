import type { ToleranceModel } from './tolerance-model.ts';

/** Effect of one part's tolerance on a result, the others at their nominal values. */
export interface PartContribution {
  readonly id: string;
  /** V, A or W that the result moves from the part's lower limit to its upper; below 0 if it falls. */
  readonly swing: number;
  /** Share of the variance that the parts make together. */
  readonly share: number;
}

/** Contribution of each part: one after the other turned from limit to limit, the largest first. */
export function contributions({ parts, valueAt }: ToleranceModel): PartContribution[] {
  const at = Float64Array.from(parts, ({ resistance }) => resistance);
  const swings = parts.map(({ resistance, tolerance }, part) => {
    at[part] = resistance * (1 + tolerance);
    const high = valueAt(at);
    at[part] = resistance * (1 - tolerance);
    const low = valueAt(at);
    at[part] = resistance;
    return high - low;
  });
  const sum = swings.reduce((total, swing) => total + swing * swing, 0);
  return parts
    .map(({ id }, part) => ({ id, swing: swings[part]!, share: sum === 0 ? 0 : swings[part]! ** 2 / sum }))
    .sort((a, b) => b.share - a.share);
}
