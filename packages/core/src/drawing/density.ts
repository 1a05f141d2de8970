import type { Element } from '../network/index.ts';

/** How closely a drawing is set. */
export interface Density {
  /** px of a part's name and value. */
  readonly labelSize: number;
  /** The value goes below the name, and only what tells parts apart is written. */
  readonly compact: boolean;
  /** Least px between two columns. */
  readonly leastPitch: number;
  /** px from a part's line to its label. */
  readonly labelGap: number;
  readonly symbolScale: number;
}

const roomy: Density = { labelSize: 14, compact: false, leastPitch: 96, labelGap: 22, symbolScale: 1 };
const compact: Density = { labelSize: 13, compact: true, leastPitch: 62, labelGap: 15, symbolScale: 0.7 };

/** Parts up to which a drawing is set roomily. */
const mostRoomy = 18;

export const densityFor = (parts: number): Density => (parts <= mostRoomy ? roomy : compact);

/** px between two rails that a part needs for its symbol and label. */
export function roomOf(element: Element, { compact: close }: Density): number {
  if (close) return element.kind === 'link' ? 40 : 56;
  return element.kind === 'link' ? 60 : element.kind === 'switch' ? 78 : 88;
}
