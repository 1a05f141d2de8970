import type { Band } from '../../quantity/index.ts';

/** Colour by its meaning; the theme assigns it. */
export type Tone =
  | 'ink'
  | 'soft'
  | 'line'
  | 'sheet'
  | 'ochre'
  | 'ochre-line'
  | 'ochre-soft'
  | 'on-node'
  | 'lead-red'
  | 'lead-black'
  | 'fault'
  | 'sunk'
  | `band-${Band | 'body'}`
  | `node-${number}`;

/** The smallest things that a drawing is made of, px. The screen and the file draw the same. */
export type Mark =
  | {
      readonly shape: 'path';
      readonly d: string;
      readonly stroke?: Tone;
      readonly width?: number;
      readonly fill?: Tone;
      readonly dash?: string;
      readonly round?: boolean;
      readonly faint?: boolean;
    }
  | {
      readonly shape: 'text';
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly size: number;
      readonly tone: Tone;
      readonly mono?: boolean;
      readonly bold?: boolean;
      readonly anchor?: 'middle' | 'end';
      /** Keeps it readable where a line runs behind it. */
      readonly halo?: boolean;
    };

/** The path of a circle about x, y, px. */
export const circle = (x: number, y: number, r: number): string =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;

/** The path of a box from its upper left corner, px; r is at most half of its shorter side. */
export const roundedBox = (x: number, y: number, width: number, height: number, r: number): string =>
  `M${x + r} ${y}h${width - 2 * r}a${r} ${r} 0 0 1 ${r} ${r}v${height - 2 * r}a${r} ${r} 0 0 1 ${-r} ${r}h${2 * r - width}a${r} ${r} 0 0 1 ${-r} ${-r}v${2 * r - height}a${r} ${r} 0 0 1 ${r} ${-r}Z`;

/** Colours for nodes besides the common's grey; after the last they repeat, which is why the letter is always displayed. */
const nodeTones = 8;

/** The colour of a node, by its place among the network's nodes; `0`, the common, is grey. */
export function nodeTone(node: string, nodes: readonly string[]): Tone {
  if (node === '0') return 'node-0';
  const others = nodes.filter((other) => other !== '0');
  return `node-${(Math.max(0, others.indexOf(node)) % nodeTones) + 1}`;
}
