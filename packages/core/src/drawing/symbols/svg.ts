import type { Network } from '../../network/index.ts';
import { nodesOf } from '../../network/index.ts';
import { bandInk } from './band-inks.ts';
import type { Mark, Tone } from './mark.ts';
import { partMarks, type PartStyle } from './part-marks.ts';
import type { RailDrawing } from '../rails/rail-drawing.ts';
import { axisMarks, railMarks } from '../rails/rail-marks.ts';

type Colours = Readonly<Record<string, string>>;

/** The light theme, for files and paper. */
const light: Colours = {
  ink: '#22303c',
  soft: '#59626a',
  line: '#d9cfbb',
  sheet: '#fffdf8',
  ochre: '#9a5500',
  'ochre-line': '#b8690b',
  'ochre-soft': '#f0dcb8',
  'on-node': '#ffffff',
  'lead-red': '#b3261e',
  'lead-black': '#1a1a1a',
  fault: '#7d2a72',
  sunk: '#ece4d5',
  'node-0': '#555f6b',
  'node-1': '#1d5fa6',
  'node-2': '#0c7357',
  'node-3': '#854199',
  'node-4': '#0f6e7e',
  'node-5': '#a02a68',
  'node-6': '#5d6300',
  'node-7': '#4a4fbf',
  'node-8': '#75563a',
};

const dark: Colours = {
  ink: '#ece5d8',
  soft: '#aab0b3',
  line: '#3b444d',
  sheet: '#1e242a',
  ochre: '#eda94c',
  'ochre-line': '#e09a3a',
  'ochre-soft': '#4d3a20',
  'on-node': '#14191d',
  'lead-red': '#ff8a7d',
  'lead-black': '#f4efe6',
  fault: '#e6a5dc',
  sunk: '#272e35',
  'node-0': '#aab4bf',
  'node-1': '#7fb4ee',
  'node-2': '#63c7a5',
  'node-3': '#cf9be0',
  'node-4': '#6cc6d6',
  'node-5': '#ef91bd',
  'node-6': '#c3c95c',
  'node-7': '#a7aaf5',
  'node-8': '#cfa983',
};

/** Colours of an exported drawing. */
export type DrawingTheme = 'light' | 'dark';

const themes: Readonly<Record<DrawingTheme, Colours>> = { light, dark };

const faces = {
  text: "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', sans-serif",
  mono: "'Atkinson Hyperlegible Mono Variable', 'Atkinson Hyperlegible Mono', monospace",
};

/** Every mark of a network's drawing, from the back to the front. */
export function drawingMarks(drawing: RailDrawing, network: Network, style: PartStyle): Mark[] {
  const nodes = nodesOf(network);
  return [
    ...(drawing.axis ? axisMarks(drawing.axis, drawing.width) : []),
    ...drawing.rails.flatMap((rail) => railMarks(rail, nodes)),
    ...drawing.parts.flatMap((part) => partMarks(part, { halo: drawing.axis !== null, ...style })),
  ];
}

/** Options of an exported drawing. */
export interface SvgOptions {
  /** CSS that brings the faces along; left out, they are those of the machine that shows it. */
  readonly faceStyle?: string;
  /** Unit of the marks on paper; millimetres print at true size. */
  readonly unit?: '' | 'mm';
  readonly theme?: DrawingTheme;
}

/**
 * A drawing as the text of an SVG file.
 *
 * @param title  read out by what cannot show it
 */
export function svgText(
  { width, height }: { readonly width: number; readonly height: number },
  marks: readonly Mark[],
  title: string,
  { faceStyle = '', unit = '', theme = 'light' }: SvgOptions = {},
): string {
  const colours = themes[theme];
  const [w, h] = [Math.ceil(width), Math.ceil(height)];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}${unit}" height="${h}${unit}" viewBox="0 0 ${w} ${h}" role="img">`,
    `<title>${escaped(title)}</title>`,
    ...(faceStyle ? [`<style>${faceStyle}</style>`] : []),
    `<rect width="${w}" height="${h}" fill="${colours.sheet}"/>`,
    ...marks.map((mark) => elementText(mark, colours)),
    '</svg>\n',
  ].join('\n');
}

function elementText(mark: Mark, colours: Colours): string {
  const colour = (tone: Tone): string => bandInk(tone) ?? colours[tone]!;
  if (mark.shape === 'path')
    return `<path${attributes({
      d: mark.d.replace(/-?\d+\.\d+/g, (text) => num(Number(text))),
      fill: mark.fill ? colour(mark.fill) : 'none',
      stroke: mark.stroke && colour(mark.stroke),
      'stroke-width': mark.stroke && num(mark.width ?? 1),
      'stroke-dasharray': mark.dash,
      'stroke-linecap': mark.round ? 'round' : undefined,
      'stroke-opacity': mark.faint ? '0.7' : undefined,
    })}/>`;
  return `<text${attributes({
    x: num(mark.x),
    y: num(mark.y),
    'font-family': mark.mono ? faces.mono : faces.text,
    'font-size': String(mark.size),
    'font-weight': mark.bold ? '700' : undefined,
    'text-anchor': mark.anchor,
    fill: colour(mark.tone),
    ...(mark.halo && { stroke: colours.sheet!, 'stroke-width': '4', 'paint-order': 'stroke' }),
  })}>${escaped(mark.text)}</text>`;
}

const num = (value: number): string => String(Math.round(value * 100) / 100);
const attributes = (of: Readonly<Record<string, string | undefined>>): string =>
  Object.entries(of)
    .map(([key, value]) => (value === undefined ? '' : ` ${key}="${escaped(value)}"`))
    .join('');
const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);
