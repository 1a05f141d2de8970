import { drawingKind } from './by-kind.ts';
import type { Element } from '../network/index.ts';

/** Spacing of a drawing. */
export interface Density {
  /** px of a part's name and value. */
  readonly labelSize: number;
  /** The value is below the name, and only what distinguishes parts is written. */
  readonly compact: boolean;
  /** Least px between two columns. */
  readonly leastPitch: number;
  /** px from a part's line to its label. */
  readonly labelGap: number;
  /** px that a rail reaches beyond its outermost parts. */
  readonly overhang: number;
  /** px of the letters in a rail's box. */
  readonly letterSize: number;
  readonly symbolScale: number;
}

const roomy: Density = {
  labelSize: 14,
  compact: false,
  leastPitch: 96,
  labelGap: 22,
  overhang: 18,
  letterSize: 14,
  symbolScale: 1,
};
const compact: Density = {
  labelSize: 13,
  compact: true,
  leastPitch: 56,
  labelGap: 13,
  overhang: 10,
  letterSize: 12,
  symbolScale: 0.7,
};

/** Parts up to which a drawing is set roomily. */
const mostRoomy = 18;

/** Returns the spacing for a network of so many parts. */
export const densityFor = (parts: number): Density => (parts <= mostRoomy ? roomy : compact);

/** Returns whether a drawing of so many parts has room for live values beside them. */
export const showsLive = (parts: number): boolean => !densityFor(parts).compact;

/** px between two rails that a part needs for its symbol and label. */
export const roomOf = ({ kind }: Element, { compact: isCompact }: Density): number =>
  drawingKind(kind).room[isCompact ? 'compact' : 'roomy'];

/** Box of a rail's name, px. */
export interface LetterBox {
  readonly width: number;
  readonly height: number;
  readonly size: number;
}

/** The box of a rail’s name, wide enough for all of it. */
export const letterBox = (node: string, { letterSize: size }: Density): LetterBox => ({
  width: Math.max(1.7 * size, 0.85 * size + node.length * 0.61 * size),
  height: 1.7 * size,
  size,
});

/** px from a part's line to its label: a round symbol is wider than a box. */
export const labelGapOf = ({ kind }: Element, { labelGap, compact: close }: Density): number =>
  labelGap + (close && (kind === 'load' || kind === 'current-source') ? 4 : 0);
