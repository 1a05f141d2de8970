/** A bar up or down from the middle of a cell, px from its upper edge, with its number if it is far. */
export interface DeviationBar {
  readonly y: number;
  readonly height: number;
  /** Beyond 2u. */
  readonly isFar: boolean;
  /** `+2.6`, with its sign. */
  readonly text: string;
}

/** Deviations up to this many u are to scale; a bar beyond is as long as this. */
const mostToScale = 5;

/** u from which on a deviation is far. */
const far = 2;

/** u from which on the number of a deviation has no decimals, and from which on only this limit is written. */
const [wholeFrom, mostWritten] = [9.95, 999];

/**
 * Returns the bar of a deviation.
 *
 * @param deviation  in standard uncertainties; may be infinite
 * @param half  half the height of the cell, px
 */
export function deviationBar(deviation: number, half: number): DeviationBar {
  const size = Math.abs(deviation);
  const length = (Math.min(size, mostToScale) / mostToScale) * half;
  return {
    y: deviation > 0 ? half - length : half,
    height: Math.max(1.5, length),
    isFar: size > far,
    text: `${size > mostWritten ? '>' : ''}${deviation < 0 ? '−' : '+'}${sizeText(Math.min(size, mostWritten))}`,
  };
}

const sizeText = (size: number): string => (size >= wholeFrom ? size.toFixed(0) : size.toFixed(1));
