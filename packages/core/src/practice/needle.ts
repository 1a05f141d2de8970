import { findRange, type Instrument, type MeterQuantity, type Range } from '../instrument/index.ts';
import { faceScales, scaleOf, type FaceScale } from '../workshop/index.ts';

/** Scales of an analogue instrument, and the one that is read on a range. */
interface DialInUse {
  readonly range: Range;
  readonly scale: FaceScale;
  readonly others: readonly FaceScale[];
}

/** Returns the scale of a range; null if the instrument does not have the range. */
export function dialInUse(instrument: Instrument, quantity: MeterQuantity, id: string): DialInUse | null {
  const range = findRange(instrument, quantity, id);
  const scales = faceScales(instrument);
  const scale = scaleOf(scales, { quantity, range: id });
  return range && scale ? { range, scale, others: scales.filter((other) => other !== scale) } : null;
}
