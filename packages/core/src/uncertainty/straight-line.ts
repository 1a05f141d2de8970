/** A straight line through points. */
export interface StraightLine {
  readonly slope: number;
  readonly intercept: number;
  /** Largest distance of a point from the line, in y. */
  readonly worst: number;
  /** Standard uncertainties from the spread of the points; null for fewer than three. */
  readonly slopeUncertainty: number | null;
  readonly interceptUncertainty: number | null;
}

/** Share of the mean below which an intercept is noise: a few roundings for each of some hundred points. */
const noise = 1e-13;

/**
 * Least squares of y on x, about the mean so that nothing large is subtracted.
 *
 * @returns null for fewer than two different x
 */
export function straightLine(points: readonly { readonly x: number; readonly y: number }[]): StraightLine | null {
  const n = points.length;
  const meanX = points.reduce((sum, { x }) => sum + x / n, 0);
  const meanY = points.reduce((sum, { y }) => sum + y / n, 0);
  const spread = points.reduce((sum, { x }) => sum + (x - meanX) ** 2, 0);
  if (n < 2 || !(spread > 0)) return null;
  const slope = points.reduce((sum, { x, y }) => sum + (x - meanX) * (y - meanY), 0) / spread;
  const difference = meanY - slope * meanX;
  // A line through the origin meets it but for the rounding of the means.
  const intercept = Math.abs(difference) <= noise * Math.abs(meanY) ? 0 : difference;
  const residuals = points.map(({ x, y }) => y - meanY - slope * (x - meanX));
  const variance = n > 2 ? residuals.reduce((sum, r) => sum + r * r, 0) / (n - 2) : null;
  return {
    slope,
    intercept,
    worst: Math.max(...residuals.map(Math.abs)),
    slopeUncertainty: variance === null ? null : Math.sqrt(variance / spread),
    interceptUncertainty: variance === null ? null : Math.sqrt(variance * (1 / n + meanX ** 2 / spread)),
  };
}
