import { isDay } from './calibration-due.ts';
import type { RangeCalibration } from './instrument.ts';

type Point = RangeCalibration['points'][number];

/**
 * A range's own error at an indication, indicated − applied, by its certificate: straight between the points by what they
 * indicated, the end points' beyond them.
 *
 * @param indicated  V, A or Ω
 * @returns V, A or Ω; 0 without a certificate
 */
export const ownErrorAt = (calibration: RangeCalibration | undefined, indicated: number): number =>
  calibration ? errorBy(calibration.points, 'indicated', indicated) : 0;

/**
 * Returns an indication without the range's own error.
 *
 * @param indicated  V, A or Ω
 * @returns V, A or Ω; `indicated` without a certificate
 */
export const withoutOwnError = (calibration: RangeCalibration | undefined, indicated: number): number =>
  indicated - ownErrorAt(calibration, indicated);

/**
 * Returns the indication of a range for an applied value: the inverse of subtracting its own error. Both lie on one straight line
 * between two points, so that the line read the other way is exact.
 *
 * @param applied  V, A or Ω
 * @returns V, A or Ω; `applied` without a certificate
 */
export const indicatedWhen = (calibration: RangeCalibration | undefined, applied: number): number =>
  calibration ? applied + errorBy(calibration.points, 'applied', applied) : applied;

function errorBy(points: readonly Point[], key: keyof Point, at: number): number {
  const rising = [...points].sort((a, b) => a.indicated - b.indicated);
  const errorOf = (index: number): number => rising[index]!.indicated - rising[index]!.applied;
  const above = rising.findIndex((point) => point[key] >= at);
  if (rising.length === 0) return 0;
  if (above === -1) return errorOf(rising.length - 1);
  if (above === 0) return errorOf(0);
  const [low, high] = [rising[above - 1]![key], rising[above]![key]];
  const share = (at - low) / (high - low);
  return errorOf(above - 1) * (1 - share) + errorOf(above) * share;
}

/** Returns the limit that replaces a range's accuracy once its own error is subtracted: √3·U/2, so that u is U/2. */
export const certificateLimit = ({ uncertainty }: RangeCalibration): number => (Math.sqrt(3) * uncertainty) / 2;

/** Returns the reasons why a certificate cannot be used, in words. */
export function certificateFaults({ on, points }: RangeCalibration): string[] {
  const rising = [...points].sort((a, b) => a.indicated - b.indicated);
  const steps = rising.slice(1).map((point, index) => [rising[index]!, point] as const);
  return [
    ...(isDay(on) ? [] : ['the day of its certificate must be a date such as 2026-11-25']),
    ...(steps.some(([a, b]) => a.indicated === b.indicated)
      ? ['two points of its certificate have the same indication']
      : steps.some(([a, b]) => b.applied <= a.applied)
        ? ['the applied values of its certificate must rise with the indications']
        : []),
  ];
}
