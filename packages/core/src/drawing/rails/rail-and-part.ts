import type { LetterBox } from '../density.ts';
import type { Element } from '../../network/index.ts';
import type { Label } from '../symbols/part-label.ts';

/** A node as a horizontal bar. */
export interface Rail {
  readonly node: string;
  readonly x1: number;
  readonly x2: number;
  readonly y: number;
  /** Height without the meters, to scale; null if they do not move it by half a pixel. */
  readonly ghostY: number | null;
  /** Its letter's box, at its left end. */
  readonly letter: LetterBox;
}

/** An element as a vertical line with its symbol. */
export interface Part {
  readonly element: Element;
  readonly x: number;
  readonly yTop: number;
  readonly yBottom: number;
  /** Centre of the symbol. */
  readonly ySymbol: number;
  /** The end called `from` is the lower one. */
  readonly inverted: boolean;
  /** Both ends on one rail: drawn as a loop below it. */
  readonly looped: boolean;
  /** Heights of the rails that its line hops over. */
  readonly hops: readonly number[];
  readonly symbolScale: number;
  readonly label: Label & {
    readonly x: number;
    /** Size of its first line, px. */
    readonly size: number;
  };
}
