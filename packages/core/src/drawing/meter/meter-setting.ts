import type { ReadingQuantity } from '../../instrument/index.ts';

/** Function and range to which an instrument is set. */
export interface MeterSetting {
  readonly quantity: ReadingQuantity;
  readonly range: string;
}

/** Digits on a display, and whether they are read or only expected. */
export interface DisplayedDigits {
  readonly text: string;
  readonly unit: string;
  readonly isExpected: boolean;
}

/** Positions of a needle, V or A. */
export interface Needle {
  /** Indication to expect, and its limits over the tolerances; null if it is not shown. */
  readonly expected: { readonly value: number; readonly low: number; readonly high: number } | null;
  /** Reading; null if there is none yet. */
  readonly reading: number | null;
  /** The reading is asked for: the scale to read and the band of the reading are not shown. */
  readonly isAsked?: boolean;
}

/** Place and width of a window in the picture, px. */
export interface FaceWindow {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}
