import type { Mark } from './mark.ts';
import { leading } from './part-label.ts';
import type { Part } from '../rails/rail-and-part.ts';
import { drawingKind, type ResistorSymbol } from '../by-kind.ts';
import { symbolMarks } from './symbol-marks.ts';

/** Style of parts, apart from their places. */
export interface PartStyle {
  readonly resistor: ResistorSymbol;
  /** Lines run behind the labels: the potential axis is drawn. */
  readonly halo?: boolean;
  /** The live lines are those with meters in. */
  readonly metered?: boolean;
  /** A from → to through each part that gets an arrow, and which way an arrow points. */
  readonly arrows?: { readonly currents: Readonly<Record<string, number | null>>; readonly flow: Flow };
}

/** Conventional current runs from + to −; electrons run the other way. */
export type Flow = 'conventional' | 'electron';

/** A part on its line: the wire with its hops over other rails, the symbol, the label, and which way current runs. */
export function partMarks(part: Part, style: PartStyle): readonly Mark[] {
  const { element, x, yTop, yBottom, ySymbol, inverted, looped, hops, symbolScale } = part;
  const half = drawingKind(element.kind).halfHeight * symbolScale;
  const wire = looped
    ? `M${x} ${yTop}V${ySymbol - half}M${x} ${ySymbol + half}V${yBottom}H${x + 32}V${yTop}`
    : wireOver(x, yTop, ySymbol - half, hops) + wireOver(x, ySymbol + half, yBottom, hops);
  return [
    { shape: 'path', d: wire, stroke: 'ink', width: 2 },
    ...symbolMarks(element, style.resistor, { x, y: ySymbol, scale: symbolScale, inverted }),
    ...arrowMarks(part, half, style),
    ...labelMarks(part, style),
  ];
}

/** A vertical line that hops over what it passes. */
function wireOver(x: number, from: number, to: number, hops: readonly number[]): string {
  const passed = hops.filter((y) => y - hop > from && y + hop < to);
  return `M${x} ${from}${passed.map((y) => `V${y - hop}A${hop} ${hop} 0 0 1 ${x} ${y + hop}`).join('')}V${to}`;
}

const hop = 7;

function arrowMarks(
  { element, x, yTop, ySymbol, inverted, looped }: Part,
  half: number,
  { arrows }: PartStyle,
): Mark[] {
  const current = arrows?.currents[element.id];
  if (!arrows || !current || looped || ySymbol - half - yTop < 18) return [];
  const downwards = current > 0 !== inverted;
  const tip = downwards === (arrows.flow === 'conventional') ? 1 : -1;
  const y = (yTop + ySymbol - half) / 2;
  return [
    {
      shape: 'path',
      d: `M${x - 6} ${y - tip * 5}L${x} ${y + tip * 5}L${x + 6} ${y - tip * 5}Z`,
      fill: 'ink',
    },
  ];
}

function labelMarks({ ySymbol, label }: Part, style: PartStyle): Mark[] {
  const { x, size, lines } = label;
  const first = ySymbol + size * 0.36 - (lines.length - 1) * size * 0.6;
  return lines.flatMap(({ kind, name, text }, index): Mark[] => {
    const y = first + index * size * leading;
    const halo = style.halo ?? false;
    switch (kind) {
      case 'head':
        return [
          { shape: 'text', x, y, text: name, size, tone: 'ink', bold: true, halo },
          ...(text === ''
            ? []
            : [
                {
                  shape: 'text',
                  x: x + widthOfName(name, size),
                  y,
                  text,
                  size,
                  tone: 'ink',
                  mono: true,
                  halo,
                } as const,
              ]),
        ];
      case 'value':
        return [{ shape: 'text', x, y, text, size: size - 1, tone: 'ink', mono: true, halo }];
      case 'note':
        return [{ shape: 'text', x, y, text, size: size - 1, tone: 'soft', halo }];
      case 'live':
        return [{ shape: 'text', x, y, text, size: size - 1, tone: style.metered ? 'ochre' : 'ink', mono: true, halo }];
    }
  });
}

/** px from the beginning of a name to the value behind it; bold letters are a little wider. */
const widthOfName = (name: string, size: number): number => [...name].length * size * 0.6 + 6;
