import fc from 'fast-check';
import { solveSetup, solveUnloaded } from '../../loading/index.ts';
import type { Instrument } from '../../instrument/index.ts';
import { nodesOf, type Element, type Network } from '../../network/index.ts';
import { anyNetwork } from '../../test/random-network.ts';
import { potentialAxis } from '../axis.ts';
import { drawRails, type DrawingInput, type RailDrawing } from './rail-drawing.ts';
import { evenHeights, scaledHeights } from './rail-heights.ts';
import { runs } from '../../test/runs.ts';

const divider: Network = {
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 1.8 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 56_000 },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 39_000 },
    { id: 'R3', kind: 'resistor', from: 'B', to: 'C', resistance: 15_000 },
    { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 27_000 },
  ],
};

const kit: Instrument[] = [
  {
    id: 'm',
    functions: [
      { quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 20_000 }] },
      { quantity: 'dc-current', ranges: [{ id: '1 mA', fullScale: 0.001, resistance: 500 }] },
    ],
  },
];

function draw(network: Network, more: Partial<DrawingInput> = {}): RailDrawing {
  const unloaded = solveUnloaded(network);
  const truth = unloaded.ok ? unloaded.value.values : null;
  const setup = { id: 'S', meters: more.meters ?? [] };
  const solved = unloaded.ok && setup.meters.length > 0 ? solveSetup(unloaded.value, kit, setup) : null;
  return drawRails({
    network,
    truth,
    loaded: solved?.ok ? solved.value : null,
    spacing: 'scale',
    height: 420,
    width: 740,
    ...more,
  });
}

const rail = (drawing: RailDrawing, node: string) => drawing.rails.find((r) => r.node === node)!;
const part = (drawing: RailDrawing, id: string) => drawing.parts.find((p) => p.element.id === id)!;

test('rails fall with the potential, and the source stands at the left', () => {
  const drawing = draw(divider);
  const y = ['A', 'B', 'C', '0'].map((node) => rail(drawing, node).y);
  expect([...y].sort((a, b) => a - b)).toEqual(y);
  expect(part(drawing, 'E1').x).toBe(Math.min(...drawing.parts.map((p) => p.x)));
});

test('parts in a chain share a column', () => {
  const drawing = draw(divider);
  expect(part(drawing, 'R3').x).toBe(part(drawing, 'R4').x);
  expect(part(drawing, 'R1').x).toBe(part(drawing, 'R2').x);
});

test('where nothing is crowded a drop is as high as its volts', () => {
  const drawing = draw({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10 },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 6000 },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 4000 },
    ],
  });
  const drop = (from: string, to: string): number => rail(drawing, to).y - rail(drawing, from).y;
  expect(drop('A', 'B') / drop('A', '0')).toBeCloseTo(0.6, 6);
  expect(drawing.axis!.stretched).toEqual([]);
});

test('a small drop is given room for its symbol, and the axis says that it is stretched', () => {
  const drawing = draw({
    elements: [
      { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10 },
      { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 10_000 },
      { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 10 },
    ],
  });
  expect(rail(drawing, '0').y - rail(drawing, 'B').y).toBeGreaterThanOrEqual(80);
  expect(drawing.axis!.stretched).toHaveLength(1);
});

test('a meter makes its rail sag below the ghost', () => {
  const drawing = draw(divider, {
    meters: [{ id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: '10 V', red: 'B', black: '0' }],
  });
  const sagging = rail(drawing, 'B');
  expect(sagging.ghostY).not.toBeNull();
  expect(sagging.ghostY!).toBeLessThan(sagging.y - 20);
  expect(rail(drawing, '0').ghostY).toBeNull();
  const [mark] = drawing.voltmeters;
  expect(mark!.yRed).toBe(sagging.y);
  expect(mark!.x).toBeGreaterThan(Math.max(...drawing.parts.map((p) => p.x)));
});

test('evenly spaced, the schematic stays where it is and the ghost shows the drag', () => {
  const meters = [{ id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: '10 V', red: 'B', black: '0' }] as const;
  const bare = draw(divider, { spacing: 'even' });
  const metered = draw(divider, { spacing: 'even', meters });
  for (const node of nodesOf(divider)) expect(rail(metered, node).y).toBeCloseTo(rail(bare, node).y, 6);
  expect(rail(metered, 'B').ghostY!).toBeLessThan(rail(metered, 'B').y);
  expect(metered.axis).toBeNull();
});

test('an ammeter stands between its rail and the tie of the lifted ends, which leave the rail', () => {
  const drawing = draw(divider, {
    meters: [
      { id: 'A1', instrument: 'm', quantity: 'dc-current', range: '1 mA', node: 'B', ends: ['R2.from', 'R3.from'] },
    ],
  });
  const [mark] = drawing.ammeters;
  expect(mark!.yRail).toBe(rail(drawing, 'B').y);
  expect(mark!.yTie).toBeGreaterThan(mark!.yRail);
  expect(part(drawing, 'R2').yTop).toBe(mark!.yTie);
  expect(part(drawing, 'R3').yTop).toBe(mark!.yTie);
  expect(part(drawing, 'R1').yBottom).toBe(mark!.yRail);
  expect(mark!.tie.x1).toBeLessThan(part(drawing, 'R2').x);
  expect(mark!.tie.x2).toBeGreaterThan(part(drawing, 'R3').x);
});

test('a part with both ends on one node hangs from it as a loop', () => {
  const drawing = draw({
    elements: [...divider.elements, { id: 'R9', kind: 'resistor', from: 'B', to: 'B', resistance: 1 }],
  });
  const loop = part(drawing, 'R9');
  expect(loop.looped).toBe(true);
  expect(loop.yBottom).toBeGreaterThan(loop.yTop);
});

test('a network that cannot be solved is drawn all the same, evenly', () => {
  const drawing = draw({ elements: [...divider.elements, { id: 'E2', kind: 'source', from: 'A', to: 'A', emf: 5 }] });
  expect(drawing.axis).toBeNull();
  expect(drawing.parts).toHaveLength(6);
});

const overlap = (a: readonly [number, number], b: readonly [number, number]): boolean =>
  a[0] < b[1] - 0.01 && b[0] < a[1] - 0.01;

test('no two parts lie on each other, every end is on its rail, and each has room for its symbol', () => {
  fc.assert(
    fc.property(anyNetwork, fc.constantFrom('even' as const, 'scale' as const), (network, spacing) => {
      const drawing = draw(network, { spacing });
      for (const p of drawing.parts) {
        for (const value of [p.x, p.yTop, p.yBottom, p.ySymbol, p.label.x]) expect(Number.isFinite(value)).toBe(true);
        expect(p.yBottom - p.yTop).toBeGreaterThanOrEqual(59);
        expect(p.ySymbol).toBeGreaterThan(p.yTop);
        expect(p.ySymbol).toBeLessThan(p.yBottom);
        const upper = rail(drawing, p.inverted ? p.element.to : p.element.from);
        expect(p.yTop).toBeCloseTo(upper.y, 6);
        expect(upper.x1).toBeLessThan(p.x);
        expect(upper.x2).toBeGreaterThan(p.x);
        for (const other of drawing.parts)
          if (other !== p && Math.abs(other.x - p.x) < 90)
            expect(overlap([p.yTop, p.yBottom], [other.yTop, other.yBottom]) && other.x === p.x).toBe(false);
        expect(p.label.x).toBeLessThan(drawing.width);
        expect(p.yBottom).toBeLessThan(drawing.height);
      }
      for (const r of drawing.rails)
        for (const other of drawing.rails)
          if (r !== other && overlap([r.x1, r.x2], [other.x1, other.x2]))
            expect(Math.abs(r.y - other.y)).toBeGreaterThanOrEqual(13);
    }),
    { numRuns: runs(200) },
  );
});

test('a bridge is drawn without a crossing', () => {
  const bridge: Element[] = [
    ['R1', 'A', 'B', 100],
    ['R2', 'B', '0', 220],
    ['R3', 'A', 'C', 150],
    ['R4', 'C', '0', 120],
    ['R5', 'B', 'C', 470],
  ].map(([id, from, to, resistance]) => ({ id, kind: 'resistor', from, to, resistance }) as Element);
  const drawing = draw({ elements: [{ id: 'E1', kind: 'source', from: 'A', to: '0', emf: 10 }, ...bridge] });
  const crossings = drawing.parts.flatMap((p) =>
    drawing.rails.filter((r) => r.y > p.yTop + 1 && r.y < p.yBottom - 1 && r.x1 < p.x && p.x < r.x2),
  );
  expect(crossings).toEqual([]);
});

test('even heights keep every room and fill what there is', () => {
  const { y } = evenHeights(
    3,
    [
      { top: 0, bottom: 1, height: 80 },
      { top: 1, bottom: 2, height: 80 },
    ],
    400,
  );
  expect(y).toEqual([0, 200, 400]);
  expect(evenHeights(2, [{ top: 0, bottom: 1, height: 80 }], 10).y).toEqual([0, 80]);
});

test('scaled heights are as high as allowed, or as the rooms need', () => {
  const rooms = [{ top: 0, bottom: 1, height: 80 }];
  expect(scaledHeights([10, 0], rooms, 400).y[1]).toBeCloseTo(400, 6);
  expect(scaledHeights([10, 0], rooms, 20).y[1]).toBe(80);
});

test('ticks are round and kept apart', () => {
  const { ticks } = potentialAxis([24, 6, 0], [0, 300, 400], 16.7);
  expect(ticks.map((t) => t.value)).toEqual([0, 5, 10, 15, 20]);
  expect(ticks[0]!.y).toBe(400);
});
