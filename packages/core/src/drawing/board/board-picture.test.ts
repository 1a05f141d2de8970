import { emptyBoard, placeParts, type Board } from '../../board/index.ts';
import { read } from '../../test/read-line.ts';
import { sketchedNetwork } from '../../test/sketched-network.ts';
import { svgText } from '../symbols/svg.ts';
import type { Mark } from '../symbols/mark.ts';
import { textWidth } from '../symbols/text-width.ts';
import { boardPicture, groundMarks, ringMarks, stillBoard } from './board-picture.ts';
import { holeAt, holeBeside, holePoint, holesOfRow } from './board-scale.ts';

const divider = read('E1 24V/1R8: R1 56k 1% + (R2 39k || R3 15k + R4 27k)');
const board = placeParts(divider, 30)!;
const texts = (marks: readonly Mark[]): string[] => marks.flatMap((mark) => (mark.shape === 'text' ? [mark.text] : []));

test('every hole is found again at its own place and a little beside it, and none between the halves', () => {
  const small = { rows: 12 };
  let found = 0;
  for (let row = 1; row <= 12; row += 1)
    for (const hole of holesOfRow(row)) {
      const { x, y } = holePoint(hole);
      expect(holeAt(small, { x, y })).toBe(hole);
      expect(holeAt(small, { x: x + 5, y: y - 8 })).toBe(hole);
      found += 1;
    }
  expect(found).toBe(12 * 14);
  const { x } = holePoint('1e');
  expect(holeAt(small, { x: x + 36, y: holePoint('1e').y })).toBeNull();
  expect(holeAt(small, { x, y: holePoint('12e').y + 40 })).toBeNull();
  expect(holeAt(small, { x, y: -100 })).toBeNull();
});

test('holes of different names have different places', () => {
  const places = holesOfRow(1)
    .concat(holesOfRow(2))
    .map((hole) => JSON.stringify(holePoint(hole)));
  expect(new Set(places).size).toBe(28);
});

test('arrow keys go from hole to hole, over the gap and onto the rails, and stop at the edges', () => {
  const small = { rows: 12 };
  expect((['left', 'right', 'up', 'down'] as const).map((to) => holeBeside(small, '5e', to))).toEqual([
    '5d',
    '5f',
    '4e',
    '6e',
  ]);
  expect(holeBeside(small, '5a', 'left')).toBe('5L-');
  expect(holeBeside(small, '5L+', 'left')).toBe('5L+');
  expect(holeBeside(small, '1a', 'up')).toBe('1a');
  expect(holeBeside(small, '12R-', 'down')).toBe('12R-');
});

test('rows carry the letters of their nodes; parts have names, values and the bands of their values', () => {
  const picture = boardPicture(divider, board);
  expect(texts(picture.badges).sort()).toEqual(['0', '0', 'A', 'A', 'B', 'C']);
  const r1 = picture.parts.find(({ id }) => id === 'R1')!;
  expect(texts(r1.marks)).toEqual(['R1', '56\u00a0kΩ']);
  const bands = r1.marks.flatMap((mark) =>
    mark.shape === 'path' && mark.fill?.startsWith('band-') ? [mark.fill] : [],
  );
  expect(bands).toEqual(['band-body', 'band-green', 'band-blue', 'band-black', 'band-red', 'band-brown']);
  const e1 = picture.parts.find(({ id }) => id === 'E1')!;
  expect(texts(e1.marks)).toEqual(['E1+', 'E1−']);
  expect(picture.wires).toHaveLength(board.wires.length);
  expect(picture.ends.map(({ hole }) => hole).sort()).toEqual(
    [...board.parts, ...board.wires].flatMap(({ from, to }) => [from!, to!]).sort(),
  );
  expect(picture.ends.map(({ name }) => name)).toEqual(
    expect.arrayContaining(['E1, + lead', 'R3, second leg', 'wire to 2L+']),
  );
});

test('a leg that is in no hole, a switch, a lamp and a link are drawn too', () => {
  const network = read('E1 12V: S1 open + L1 12V 0.1A polarised + W1 link + R1 1k');
  const placed = placeParts(network, 30)!;
  const kinds = boardPicture(network, placed).parts.map(({ id, marks }) => `${id} ${marks.length > 2}`);
  expect(kinds).toEqual(['E1 true', 'S1 true', 'L1 true', 'W1 true', 'R1 true']);
  const loose: Board = { ...emptyBoard(30), parts: [{ id: 'R1', from: '5a' }] };
  const [r1] = boardPicture(network, loose).parts;
  expect(r1!.marks).toHaveLength(1);
});

test('the ground has a number for each row, and its marks make a file', () => {
  const numbers = texts(groundMarks({ rows: 30, splitRails: true }));
  expect(numbers).toEqual(expect.arrayContaining(['1', '30', 'a', 'j', '+', '−']));
  const still = stillBoard(divider, board);
  expect(svgText(still, [...still.marks, ...ringMarks(['5a'])], 'Board')).not.toMatch(/NaN|undefined|var\(/);
});

/** Extent of a path of M and L across and down. */
function extent(d: string): {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly low: number;
} {
  const points = [...d.matchAll(/[ML](\S+) ([^LZ]+)/g)].map(([, x, y]) => [Number(x), Number(y)] as const);
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), low: Math.max(...ys) };
}

test('the value of a part does not run into the body of another', () => {
  let values = 0;
  const overlaps: string[] = [];
  for (let seed = 1; seed <= 15; seed += 1) {
    const network = sketchedNetwork(seed, 12);
    const { parts } = boardPicture(network, placeParts(network, 30)!);
    const bodies = parts.flatMap(({ id, marks }) =>
      marks.flatMap((mark) => (mark.shape === 'path' && mark.fill === 'band-body' ? [{ id, ...extent(mark.d) }] : [])),
    );
    for (const { id, marks } of parts)
      for (const mark of marks) {
        if (mark.shape !== 'text' || !mark.mono) continue;
        values += 1;
        const right = mark.x + textWidth(mark.text, mark.size, 'mono');
        for (const body of bodies)
          if (body.id !== id && body.left < right && body.right > mark.x && body.top < mark.y && body.low > mark.y - 9)
            overlaps.push(`${seed}: ${id} on ${body.id}`);
      }
  }
  expect(values).toBeGreaterThan(80);
  expect(overlaps).toEqual([]);
});
