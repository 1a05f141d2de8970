import { type Element, type Network } from '../../network/index.ts';
import { circuitOf, networkValues, solveCircuit } from '../../solver/index.ts';
import { formatQuantity } from '../../quantity/index.ts';
import type { Instrument } from '../../instrument/index.ts';
import { solveSetup, solveUnloaded, type Setup } from '../../loading/index.ts';
import { circle, nodeTone, roundedBox, type Mark } from './mark.ts';
import { ammeterMarks, leadSign, voltmeterMarks } from './meter-marks.ts';
import { labelLines, labelWidth, partLabel } from './part-label.ts';
import { partMarks } from './part-marks.ts';
import { drawRails, type RailDrawing } from '../rails/rail-drawing.ts';
import type { Part } from '../rails/rail-and-part.ts';
import { axisMarks, railMarks } from '../rails/rail-marks.ts';
import { drawingMarks, svgText } from './svg.ts';
import { setupMarks } from './setup-marks.ts';
import { symbolMarks } from './symbol-marks.ts';
import { read } from '../../test/read-line.ts';

function draw(network: Network, spacing: 'even' | 'scale' = 'even'): RailDrawing {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  const truth = solved.ok ? networkValues(network, named, solved.value) : null;
  return drawRails({ network, truth, spacing, height: 420, width: 740 });
}
const divider = read('E1 24V/1R8: R1 56k 1% "top arm" + (R2 39k || R3 15k + R4 27k)');
const part = (drawing: RailDrawing, id: string): Part => drawing.parts.find((p) => p.element.id === id)!;
const texts = (marks: readonly Mark[]): string[] => marks.flatMap((mark) => (mark.shape === 'text' ? [mark.text] : []));
const paths = (marks: readonly Mark[]): string[] => marks.flatMap((mark) => (mark.shape === 'path' ? [mark.d] : []));
const upright = { x: 0, y: 0, scale: 1, inverted: false };

test('a part is its wire, its symbol, and its name with the value and what it is for', () => {
  const marks = partMarks(part(draw(divider), 'R1'), { resistor: 'box' });
  expect(texts(marks)).toEqual(['R1', '56\u00a0kΩ 1\u00a0%', 'top arm']);
  expect(paths(marks)).toHaveLength(2);
});

test('a resistor is a box or a zigzag, as chosen', () => {
  const box = symbolMarks(divider.elements[1]!, 'box', upright);
  const zigzag = symbolMarks(divider.elements[1]!, 'zigzag', upright);
  expect(paths(box)[0]).toMatch(/Z$/);
  expect(paths(zigzag)[0]!.match(/L/g)).toHaveLength(7);
});

test('every kind of part has a symbol of its own; an open switch stands open', () => {
  const kinds: Element[] = [
    { id: 'E', kind: 'source', from: 'A', to: 'B', emf: 1 },
    { id: 'R', kind: 'resistor', from: 'A', to: 'B', resistance: 1 },
    { id: 'J', kind: 'current-source', from: 'A', to: 'B', current: 1 },
    { id: 'L', kind: 'load', from: 'A', to: 'B', ratedVoltage: 1, ratedCurrent: 1 },
    { id: 'S', kind: 'switch', from: 'A', to: 'B', closed: true },
    { id: 'T', kind: 'switch', from: 'A', to: 'B', closed: false },
  ];
  const drawn = kinds.map((element) => paths(symbolMarks(element, 'box', upright)).join());
  expect(new Set(drawn).size).toBe(kinds.length);
  expect(symbolMarks({ id: 'W', kind: 'link', from: 'A', to: 'B' }, 'box', upright)).toEqual([]);
});

test('a symbol is set at its place, at its scale and the way up that its ends say', () => {
  const open: Element = { id: 'T', kind: 'switch', from: 'A', to: 'B', closed: false };
  expect(paths(symbolMarks(open, 'box', { x: 100, y: 50, scale: 0.5, inverted: true }))).toEqual([
    circle(100, 44, 1.5),
    circle(100, 56, 1.5),
    'M100 45.5L106.5 55',
  ]);
  const cell: Element = { id: 'E', kind: 'source', from: 'A', to: 'B', emf: 1 };
  const [plus, minus] = symbolMarks(cell, 'box', { x: 10, y: 20, scale: 2, inverted: false });
  expect(plus).toMatchObject({ d: 'M-22 10H42', width: 5 });
  expect(minus).toMatchObject({ d: 'M-6 30H26', width: 10 });
});

test('an arrow points where the current runs, and against it for electrons', () => {
  const drawn = part(draw(divider), 'R1');
  const arrow = (flow: 'conventional' | 'electron', current: number): string | undefined =>
    paths(partMarks(drawn, { resistor: 'box', arrows: { currents: { R1: current }, flow } })).find((d) =>
      /L.*L.*Z$/.test(d),
    );
  const tip = (d: string | undefined): number => {
    const [, y1, , y2] = /M\S+ (\S+)L(\S+) (\S+)L/.exec(d!)!.map(Number) as [number, number, number, number];
    return Math.sign(y2 - y1);
  };
  expect(tip(arrow('conventional', 1e-3))).toBe(1);
  expect(tip(arrow('conventional', -1e-3))).toBe(-1);
  expect(tip(arrow('electron', 1e-3))).toBe(-1);
  expect(arrow('conventional', 0)).toBeUndefined();
});

test('the wire hops over each rail that it passes', () => {
  const drawn: Part = { ...part(draw(divider), 'R2'), yTop: 0, yBottom: 400, ySymbol: 300, hops: [80, 160] };
  const [wire] = paths(partMarks(drawn, { resistor: 'box' }));
  expect(wire!.match(/A7 7/g)).toHaveLength(2);
});

test('labels: a head with the value, or set closely the value below and nothing that the table says as well', () => {
  const r1 = divider.elements[1]!;
  expect(labelLines(r1, 'nominal', false, '17.6 V').map((line) => line.kind)).toEqual(['head', 'note', 'live']);
  const close = labelLines(r1, 'nominal', true, '17.6 V');
  expect(close.map((line) => line.name + line.text)).toEqual(['R1', '56\u00a0kΩ']);
  expect(labelWidth(close, 14)).toBeLessThan(labelWidth(labelLines(r1, 'nominal', false, null), 14));
  expect(partLabel({ ...r1, measuredResistance: 56_210 } as Element, 'measured').value).toBe('56.21\u00a0kΩ measured');
  expect(partLabel({ id: 'E', kind: 'source', from: 'A', to: 'B', emf: 2, cellsInSeries: 6 }).value).toBe('12\u00a0V');
  // The note begins with the label on the body.
  const noteOf = (more: object): string | null => partLabel({ ...r1, label: undefined, ...more }).note;
  expect(noteOf({ bodyLabel: '3' })).toBe('marked 3');
  expect(noteOf({ bodyLabel: '3', label: 'top arm' })).toBe('marked 3, top arm');
  expect(noteOf({})).toBeNull();
});

test('a rail carries its letter in its node’s colour; the common is grey', () => {
  const nodes = ['A', '0', 'B'];
  expect([nodeTone('A', nodes), nodeTone('0', nodes), nodeTone('B', nodes)]).toEqual(['node-1', 'node-0', 'node-2']);
  const many = Array.from({ length: 12 }, (_, k) => `N${k}`);
  expect(nodeTone('N8', many)).toBe(nodeTone('N0', many));
  const [rail] = draw(divider).rails;
  expect(texts(railMarks(rail!, nodes))).toEqual([rail!.node]);
  expect(railMarks({ ...rail!, ghostY: rail!.y - 10 }, nodes)[0]).toMatchObject({ dash: '5 4' });
});

test('the axis has its ticks, and a zigzag where it is stretched', () => {
  const drawing = draw(read('E1 10V: R1 10k + R2 10'), 'scale');
  const marks = axisMarks(drawing.axis!, drawing.width);
  expect(texts(marks)).toContain('10');
  expect(paths(marks).filter((d) => d.includes('L')).length).toBe(drawing.axis!.stretched.length);
});

test('meters: leads told apart by sign and shape, swapped where they are swapped', () => {
  const style = { lines: ['3.65 V', '20 kΩ'], chosen: true };
  const mark = { id: 'V1', x: 100, yRed: 50, yBlack: 250, y: 150, ghostRed: null };
  expect(texts(voltmeterMarks(mark, style))).toEqual(['V1', '3.65 V', '20 kΩ']);
  expect(paths(voltmeterMarks({ ...mark, yBlack: 50 }, style))[0]).toContain('v14h-32');
  const [red, black] = [leadSign('red', 0, 0, 1), leadSign('black', 0, 0, 1)];
  expect([texts(red), texts(black)]).toEqual([['+'], ['−']]);
  const ammeter = { id: 'A1', x: 10, yRail: 20, yTie: 86, tie: { x1: 0, x2: 20 }, reversed: false };
  const plus = (marks: readonly Mark[]): number =>
    marks.flatMap((mark) => (mark.shape === 'text' && mark.text === '+' ? [mark.y] : []))[0]!;
  expect(plus(ammeterMarks(ammeter, style))).toBeLessThan(plus(ammeterMarks({ ...ammeter, reversed: true }, style)));
  expect(ammeterMarks(ammeter, { ...style, blown: true }).some((m) => 'dash' in m && m.dash === '4 3')).toBe(true);
});

test('shapes close on themselves', () => {
  expect(circle(10, 20, 5)).toMatch(/^M5 20a5 5 .*Z$/);
  expect(roundedBox(0, 0, 20, 10, 3)).toMatch(/^M3 0h14.*Z$/);
});

test('the file is SVG with everything in it, and with what people write kept from being read as marks', () => {
  const network = read('E1 24V: R1 56k "<top> & \\"arm\\"" + R2 39k');
  const drawing = draw(network, 'scale');
  const svg = svgText(drawing, drawingMarks(drawing, network, { resistor: 'zigzag' }), 'A < B', {
    faceStyle: '@font-face{}',
  });
  expect(svg).toContain('<title>A &lt; B</title>');
  expect(svg).toContain('&lt;top&gt; &amp; &quot;arm&quot;');
  expect(svg).toContain('<style>@font-face{}</style>');
  expect(svg).toContain('paint-order="stroke"');
  expect(svg).not.toMatch(/NaN|undefined|var\(/);
  const even = draw(network);
  expect(svgText(even, drawingMarks(even, network, { resistor: 'box' }), 'x')).not.toContain('paint-order');
});

test('the meters of a set-up are drawn with leads, reading and sag; only the chosen one shows its sag', () => {
  const unloaded = solveUnloaded(divider);
  if (!unloaded.ok) throw new Error(unloaded.fault.code);
  const instrument: Instrument = {
    id: 'm',
    functions: [{ quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 20_000 }] }],
  };
  const node = divider.elements.find(({ id }) => id === 'R1')!.to;
  const at = { instrument: 'm', quantity: 'dc-voltage', range: '10 V', black: '0' } as const;
  const setup: Setup = { id: 'S-1', meters: ['V1', 'V2'].map((id) => ({ id, ...at, red: node })) };
  const solved = solveSetup(unloaded.value, [instrument], setup);
  if (!solved.ok) throw new Error(solved.fault.code);
  const values = solved.value;
  const drawing = drawRails({
    network: divider,
    truth: unloaded.value.values,
    loaded: values,
    meters: setup.meters,
    spacing: 'scale',
    height: 480,
    width: 760,
  });
  const lines = { V1: ['4.00 V'], V2: ['4.00 V'] };
  const marks = setupMarks(drawing, { setup, values, chosen: 'V1', lines });
  expect(texts(marks).filter((text) => text === '4.00 V')).toHaveLength(2);
  expect(texts(marks).filter((text) => text === '+')).toHaveLength(2);
  const figure = formatQuantity(values.meters.V1!.error, 'V', { digits: 3, signed: true });
  expect(texts(marks).filter((text) => text === figure)).toHaveLength(1);
  const all = texts(setupMarks(drawing, { setup, values, chosen: null, lines }));
  expect(all.filter((text) => text === figure)).toHaveLength(2);
});
