import { addInParallel, newElement, replaceElement, type Element, type Network } from '../../network/index.ts';
import { circuitOf, networkValues, solveCircuit } from '../../solver/index.ts';
import { sketchedNetwork } from '../../test/sketched-network.ts';
import { drawRails, type DrawingInput, type RailDrawing } from './rail-drawing.ts';
import { reuseUnchanged } from './reuse.ts';
import { drawingKind } from '../by-kind.ts';

function draw(network: Network, more: Partial<DrawingInput> = {}): RailDrawing {
  const named = circuitOf(network);
  const solved = solveCircuit(named.circuit);
  const truth = solved.ok ? networkValues(network, named, solved.value) : null;
  return drawRails({ network, truth, spacing: 'even', height: 480, width: 760, ...more });
}

interface Box {
  readonly what: string;
  readonly x1: number;
  readonly x2: number;
  readonly y1: number;
  readonly y2: number;
}

const overlap = (a: Box, b: Box): boolean =>
  a.x1 < b.x2 - 0.01 && b.x1 < a.x2 - 0.01 && a.y1 < b.y2 - 0.01 && b.y1 < a.y2 - 0.01;

/** Everything that must not lie on anything else. */
function boxesOf(drawing: RailDrawing): { labels: Box[]; symbols: Box[]; wires: Box[]; rails: Box[]; letters: Box[] } {
  const labels = drawing.parts.map(({ element, label, ySymbol }): Box => {
    const height = label.lines.length * label.size * 1.2;
    return {
      what: `label ${element.id}`,
      x1: label.x,
      x2: label.x + label.width,
      y1: ySymbol - height / 2,
      y2: ySymbol + height / 2,
    };
  });
  const symbols = drawing.parts.map(({ element, x, ySymbol, symbolScale }): Box => {
    const half = Math.max(6, drawingKind(element.kind).halfHeight) * symbolScale;
    const side = (element.kind === 'resistor' || element.kind === 'link' ? 9 : 17) * symbolScale;
    return { what: `symbol ${element.id}`, x1: x - side, x2: x + side, y1: ySymbol - half, y2: ySymbol + half };
  });
  const wires = drawing.parts.map(({ element, x, yTop, yBottom }): Box => ({
    what: `wire ${element.id}`,
    x1: x - 1,
    x2: x + 1,
    y1: yTop + 3,
    y2: yBottom - 3,
  }));
  const rails = drawing.rails.map(({ node, x1, x2, y }): Box => ({
    what: `rail ${node}`,
    x1,
    x2,
    y1: y - 2.5,
    y2: y + 2.5,
  }));
  const letters = drawing.rails.map(({ node, x1, y, letter: { width, height } }): Box => ({
    what: `letter ${node}`,
    x1: x1 - width - 1,
    x2: x1,
    y1: y - height / 2,
    y2: y + height / 2,
  }));
  return { labels, symbols, wires, rails, letters };
}

/** Pairs that lie on each other and must not. */
function clashes(drawing: RailDrawing): string[] {
  const { labels, symbols, wires, rails, letters } = boxesOf(drawing);
  const found: string[] = [];
  const check = (some: readonly Box[], others: readonly Box[]): void => {
    some.forEach((a, i) =>
      others.forEach((b, j) => {
        if ((some !== others || i < j) && overlap(a, b)) found.push(`${a.what} on ${b.what}`);
      }),
    );
  };
  check(labels, labels);
  check(labels, symbols);
  check(labels, wires);
  check(labels, rails);
  check(labels, letters);
  check(symbols, symbols);
  check(symbols, rails);
  check(symbols, letters);
  check(letters, letters);
  wires.forEach((a, i) => wires.forEach((b, j) => i < j && overlap(a, b) && found.push(`${a.what} on ${b.what}`)));
  wires.forEach((wire, i) =>
    symbols.forEach((symbol, j) => i !== j && overlap(wire, symbol) && found.push(`${wire.what} on ${symbol.what}`)),
  );
  return found;
}

test('500 networks of 3 to 60 parts: no part on another, no label on anything', () => {
  const wrong: string[] = [];
  for (let seed = 1; seed <= 500; seed += 1) {
    const network = sketchedNetwork(seed, 3 + ((seed * 7) % 58));
    const spacing = seed % 3 === 0 ? 'scale' : 'even';
    const found = clashes(draw(network, { spacing }));
    if (found.length > 0) wrong.push(`${seed}: ${found.slice(0, 4).join(', ')}`);
  }
  expect(wrong).toEqual([]);
}, 120_000);

test('what an edit does not touch keeps its order', () => {
  for (let seed = 1; seed <= 40; seed += 1) {
    const network = sketchedNetwork(seed, 5 + seed);
    const before = draw(network);
    const x = (drawing: RailDrawing, id: string): number => drawing.parts.find((part) => part.element.id === id)!.x;
    const twin = network.elements[1 + (seed % (network.elements.length - 1))]!;
    const added = addInParallel(network, twin.id, { ...newElement(network, 'resistor'), resistance: 1e15 } as Element);
    const after = draw(added, { previous: before.arrangement });
    for (const { id: a } of network.elements)
      for (const { id: b } of network.elements)
        if (x(before, a) < x(before, b)) expect(x(after, a)).toBeLessThanOrEqual(x(after, b));
    const first = network.elements[1]!;
    const relabelled = replaceElement(network, first.id, { ...first, label: 'x' });
    expect(draw(relabelled, { previous: before.arrangement }).arrangement).toEqual(before.arrangement);
  }
});

test('a value typed digit by digit moves the columns at most now and then, and never on to each other', () => {
  let kept = 0;
  let drawings = 0;
  for (let seed = 1; seed <= 40; seed += 1) {
    let network = sketchedNetwork(seed, 5 + seed);
    let before = draw(network);
    const resistors = network.elements.filter((element) => element.kind === 'resistor');
    const chosen = resistors[seed % resistors.length]!;
    for (const resistance of [4, 47, 471, 4715, 47_150, 4715, 471, 47]) {
      network = replaceElement(network, chosen.id, { ...chosen, resistance });
      const after = draw(network, { previous: before.arrangement });
      expect(clashes(after)).toEqual([]);
      // Never much wider than with newly placed columns.
      const anew = draw(network, { previous: { ...before.arrangement, places: { width: 0, x: new Map() } } });
      expect(after.width).toBeLessThanOrEqual(anew.width + 48);
      drawings += 1;
      if (after.parts.every(({ x }, index) => x === before.parts[index]!.x)) kept += 1;
      before = after;
    }
  }
  expect(kept / drawings).toBeGreaterThan(0.8);
});

test('what has not changed is the very object it was', () => {
  const network = sketchedNetwork(12, 24);
  const before = draw(network);
  const edited = replaceElement(network, 'R5', {
    ...network.elements.find((e) => e.id === 'R5')!,
    label: 'x',
  });
  const after = reuseUnchanged(draw(edited), before);
  expect(after.parts.filter((part, index) => part !== before.parts[index]).map((part) => part.element.id)).toEqual([
    'R5',
  ]);
  expect(after.rails.every((rail, index) => rail === before.rails[index])).toBe(true);
  expect(reuseUnchanged(before, undefined)).toBe(before);
});

test('a line that passes a rail hops over it', () => {
  let hopped = 0;
  for (let seed = 1; seed <= 30; seed += 1)
    for (const { x, hops, yTop, yBottom } of draw(sketchedNetwork(seed, 30)).parts)
      for (const y of hops) {
        hopped += 1;
        expect(y).toBeGreaterThan(yTop);
        expect(y).toBeLessThan(yBottom);
        expect(x).toBeGreaterThan(0);
      }
  expect(hopped).toBeGreaterThan(0);
});
