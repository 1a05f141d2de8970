import { prefixByExponent, smallestExponent } from '../quantity/index.ts';
import { indicatedWhen } from './certificate.ts';
import { unitOf, type Instrument, type Range, type ReadingQuantity, type ResistanceRange } from './instrument.ts';

/** Rounding of a logarithm at a power of ten. */
const logNoise = 1e-12;

/** Relative distance from a whole number that is rounding. */
const wholeNoise = 1e-6;

/** Texts on the face of the instrument. */
export interface Shown {
  /** The number, `OL` for over-range on a digital one; null if there is nothing to show. */
  readonly display: string | null;
  /** With the SI prefix in which full scale is at least 1; volts and amperes from there on, ohms up to gigaohms. */
  readonly unit: string;
}

/**
 * The number as the instrument shows it: a digital one to its last digit, an analogue one to a fifth of a division with
 * the needle between its stops.
 *
 * @param indicated  V or A before rounding; null if the reading means nothing
 */
export function shownOn(
  instrument: Instrument,
  quantity: ReadingQuantity,
  range: Range | ResistanceRange,
  indicated: number | null,
): Shown {
  const exponent = unitExponent(range.fullScale, quantity);
  const unit = prefixByExponent[exponent]! + unitOf(quantity);
  if (indicated === null) return { display: null, unit };
  const analogue = instrument.display === 'analogue';
  if (!analogue && Math.abs(indicated) > range.fullScale) return { display: 'OL', unit };
  const step = smallestStep(instrument, range);
  const pointed = analogue ? Math.min(Math.max(indicated, 0), range.fullScale) : indicated;
  const counts = Math.sign(pointed) * Math.round(Math.abs(pointed) / step);
  const scaledStep = step / 10 ** exponent;
  const text = (counts * scaledStep).toFixed(decimalsOf(scaledStep));
  return { display: text.replace('-', '−'), unit };
}

/**
 * The number to expect on the face for a value: with the instrument's own error, if a certificate gives it.
 *
 * @param value  V, A or Ω as an instrument without an error of its own would indicate it
 */
export const displayToExpect = (
  instrument: Instrument,
  quantity: ReadingQuantity,
  range: Range | ResistanceRange,
  value: number | null,
): Shown => shownOn(instrument, quantity, range, value === null ? null : indicatedWhen(range.calibration, value));

/** Returns the smallest difference that the instrument can display, V or A. */
export function smallestStep(instrument: Instrument, range: Range | ResistanceRange): number {
  if (instrument.display === 'analogue') return range.fullScale / (range.divisions ?? 50) / 5;
  return range.resolution ?? 10 ** (Math.floor(Math.log10(range.fullScale)) - 3);
}

function unitExponent(fullScale: number, quantity: ReadingQuantity): number {
  const third = Math.floor(Math.floor(Math.log10(fullScale) + logNoise) / 3) * 3;
  return Math.min(quantity === 'resistance' ? 9 : 0, Math.max(smallestExponent, third));
}

/** Decimals needed to write multiples of a step. */
function decimalsOf(step: number): number {
  for (let decimals = 0; decimals < 12; decimals += 1) {
    const scaled = step * 10 ** decimals;
    if (Math.abs(scaled - Math.round(scaled)) < wholeNoise * scaled) return decimals;
  }
  return 12;
}
