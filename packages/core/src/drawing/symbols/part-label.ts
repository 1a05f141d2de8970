import type { Element, ResistorValues } from '../../network/index.ts';
import { drawingKind, type PartLabel } from '../by-kind.ts';
import type { Density } from '../density.ts';
import { textWidth } from './text-width.ts';

/** A part's value as it is marked, and what else a glance needs. */
export const partLabel = (element: Element, values: ResistorValues = 'nominal'): PartLabel => ({
  note: noteOn(element),
  ...drawingKind(element.kind).label(element, values),
});

/** Returns the label on the body of a part that has another name here, and what the part is for; null without either. */
function noteOn(element: Element): string | null {
  const body = element.kind === 'resistor' && element.bodyLabel !== undefined ? [`marked ${element.bodyLabel}`] : [];
  return [...body, ...(element.label === undefined ? [] : [element.label])].join(', ') || null;
}

/** A line beside a part: its name, its value, what it is for, or what it carries. */
export interface LabelLine {
  readonly kind: 'head' | 'value' | 'note' | 'live';
  /** The name in front, on the head line. */
  readonly name: string;
  readonly text: string;
}

/** Height of a label's line, as a multiple of its size. */
export const leading = 1.2;

/** All texts beside a part. */
export interface Label {
  readonly lines: readonly LabelLine[];
  /** px of the widest line. */
  readonly width: number;
}

/** A part's label, set as closely as the drawing. */
export function labelOf(
  element: Element,
  values: ResistorValues | undefined,
  { compact, labelSize }: Density,
  live: string | undefined,
): Label {
  const lines = labelLines(element, values, compact, live ?? null);
  return { lines, width: labelWidth(lines, labelSize) };
}

/**
 * The lines beside a part, from the top.
 *
 * @param compact  the value below the name, nothing that is in the table as well
 */
export function labelLines(
  element: Element,
  values: ResistorValues | undefined,
  compact: boolean,
  live: string | null,
): LabelLine[] {
  const { value, note } = partLabel(element, values);
  if (compact) {
    const short = value.replace(/ [\d.]+\u00a0%$/, '');
    return [
      { kind: 'head', name: element.id, text: '' },
      ...(short === '' ? [] : [{ kind: 'value', name: '', text: short } as const]),
    ];
  }
  return [
    { kind: 'head', name: element.id, text: value },
    ...(note === null ? [] : [{ kind: 'note', name: '', text: note } as const]),
    ...(live === null ? [] : [{ kind: 'live', name: '', text: live } as const]),
  ];
}

/** px that lines take, the first at `size` and the others a little smaller. */
export const labelWidth = (lines: readonly LabelLine[], size: number): number =>
  Math.max(
    ...lines.map(({ kind, name, text }) =>
      kind === 'head'
        ? textWidth(name, size) + (text ? 6 + textWidth(text, size, 'mono') : 0)
        : textWidth(text, size - 1, kind === 'note' ? 'text' : 'mono'),
    ),
  );
