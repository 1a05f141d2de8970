import { renameNode, replaceElement } from '../network/index.ts';
import { read } from '../test/read-line.ts';
import { applyBoardLine, readHole } from './board-line.ts';
import { emptyBoard, type Board } from './board.ts';
import { dropPart, moveHole, movePart } from './board-edits.ts';
import { boardFaults } from './board-faults.ts';
import { followNetwork } from './follow-network.ts';
import { holesIn, stripOf, stripWords } from './holes.ts';
import { breakPlace, probeHole, probePlace } from './probe-places.ts';

const divider = read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');
const typed = 'E1 1L+ 1L-; R1 5a 9a, R2 9d 17d, R3 9b 13b\nr4 13c 17c, wire 5l+ 5b, W 17L- 17a';
const board = (text: string, on: Board = emptyBoard(30)): Board => {
  const applied = applyBoardLine(divider, on, text);
  if (!applied.ok) throw new Error(applied.fault.message);
  return applied.value;
};

test('parts and wires are typed with their holes', () => {
  const built = board(typed);
  expect(built.parts).toEqual([
    { id: 'E1', from: '1L+', to: '1L-' },
    { id: 'R1', from: '5a', to: '9a' },
    { id: 'R2', from: '9d', to: '17d' },
    { id: 'R3', from: '9b', to: '13b' },
    { id: 'R4', from: '13c', to: '17c' },
  ]);
  expect(built.wires).toEqual([
    { from: '5L+', to: '5b' },
    { from: '17L-', to: '17a' },
  ]);
  expect(board('R1 - 9a', built).parts[1]).toEqual({ id: 'R1', to: '9a' });
  expect(board('R1 5a 9c', built).parts[1]).toEqual({ id: 'R1', from: '5a', to: '9c' });
  expect(board('R1 off', built).parts.map(({ id }) => id)).toEqual(['E1', 'R2', 'R3', 'R4']);
  expect(board('wire 17a off', built).wires).toEqual([{ from: '5L+', to: '5b' }]);
});

test.each([
  ['R9 5a 9a', 'The circuit has no part R9. Its parts are E1, R1, R2, R3, R4.'],
  ['R1 5a', 'Type the hole of the second leg of R1 too, or - if it is in none.'],
  ['R1 5a 31a', 'The board has no hole 31a. Rows are 1 to 30, columns a to j; rails are L+, L-, R+ and R-.'],
  ['R1 5a 5k', /^The board has no hole 5k\./],
  ['R1 5a 13b', 'Hole 13b is taken. Use another hole of its row.'],
  ['R1 5a 5a', 'Hole 5a is taken. Use another hole of its row.'],
  ['wire 5a', 'Type both holes of the wire, such as wire 5L+ 5b.'],
  ['wire 30a off', 'No wire is in hole 30a.'],
  ['R1', 'Type a part and two holes, such as E1 5a 9a.'],
  ['R1 5a 9a 9b', 'Type a part and two holes, such as E1 5a 9a.'],
])('%s is refused with the remedy', (text, message) => {
  const applied = applyBoardLine(divider, board('R3 9b 13b'), text);
  expect(applied.ok ? '' : applied.fault.message).toEqual(
    typeof message === 'string' ? message : expect.stringMatching(message),
  );
});

test('holes are read in either order and case', () => {
  expect(['5A', 'a5', 'l+12', '12R−', '0a', '5', 'aa', '5aa', ''].map(readHole)).toEqual([
    '5a',
    '5a',
    '12L+',
    '12R-',
    null,
    null,
    null,
    null,
    null,
  ]);
});

test('strips have their holes and their words; split rails are two strips', () => {
  const plain = { rows: 10 };
  const split = { rows: 10, splitRails: true } as const;
  expect(holesIn(plain, '3R')).toEqual(['3f', '3g', '3h', '3i', '3j']);
  expect(holesIn(plain, 'L-')).toHaveLength(10);
  expect(['5L+', '6L+'].map((hole) => stripWords(stripOf(plain, hole)))).toEqual(['left + rail', 'left + rail']);
  expect(['5L+', '6L+'].map((hole) => stripWords(stripOf(split, hole)))).toEqual([
    'upper half of the left + rail',
    'lower half of the left + rail',
  ]);
  expect(holesIn(split, 'R-2')).toEqual(['6R-', '7R-', '8R-', '9R-', '10R-']);
  for (const strip of ['L+1', 'L+2', '4L', '4R'])
    for (const hole of holesIn(split, strip)) expect(stripOf(split, hole)).toBe(strip);
});

test('faults of a board are named by the hole or the part', () => {
  const wrong = {
    rows: 10,
    parts: [
      { id: 'R1', from: '5a', to: '11a' },
      { id: 'R1', from: '5b' },
      { id: 'R2', from: '5a' },
    ],
    wires: [],
  };
  expect(boardFaults(wrong).map(({ code, message }) => `${code}: ${message}`)).toEqual([
    'invalid-value: The board has no hole 11a. Rows are 1 to 10, columns a to j, L+, L-, R+ and R-.',
    'invalid-value: Two ends are in hole 5a of the board. Move one of them to another hole of its row.',
    'duplicate-id: R1 is on the board twice. Remove one of its entries.',
  ]);
});

test('probes go to rows that carry the node; a break names the legs and their holes', () => {
  const built = board(typed);
  expect(['A', 'B', 'C', '0'].map((node) => probePlace(divider, built, node))).toEqual([
    'row 5 left',
    'row 9 left',
    'row 13 left',
    'row 17 left',
  ]);
  expect(breakPlace(divider, built, ['R3.from'])).toBe('the first leg of R3 out of 9b');
  // Plugged in the other way round, the leg in the row of B is the second one.
  expect(breakPlace(divider, board('R3 13b 9b', board('R3 off', built)), ['R3.from'])).toBe(
    'the second leg of R3 out of 9b',
  );
  expect(breakPlace(divider, board('R3 - 13b', built), ['R3.from'])).toBeNull();
  expect(probePlace(divider, emptyBoard(30), 'B')).toBeNull();
  expect(probeHole(divider, emptyBoard(30), 'B')).toBeNull();
  expect(probeHole(divider, built, 'B')).toBe('9c');
  // In a full row the probe touches a leg.
  expect(probeHole(divider, board('wire 9c 20c, wire 9e 21c', built), 'B')).toBe('9a');
});

test('a renamed part keeps its holes; a node that is renamed, and a part that is removed, change nothing', () => {
  const built = board(typed);
  const r3 = divider.elements.find(({ id }) => id === 'R3')!;
  const renamed = replaceElement(divider, 'R3', { ...r3, id: 'R7' });
  expect(followNetwork(built, divider, renamed).parts.map(({ id }) => id)).toEqual(['E1', 'R1', 'R2', 'R7', 'R4']);
  expect(followNetwork(built, divider, renameNode(divider, 'B', 'mid'))).toBe(built);
  const without = { ...divider, elements: divider.elements.filter(({ id }) => id !== 'R3') };
  expect(followNetwork(built, divider, without)).toBe(built);
});

test('a part is dropped with its body below the hole, moved as a whole, and not where something is', () => {
  const dropped = dropPart(emptyBoard(30), 'R1', '5a');
  expect(dropped.parts).toEqual([{ id: 'R1', from: '5a', to: '9a' }]);
  expect(dropPart(dropped, 'R2', '5c').parts[1]).toEqual({ id: 'R2', from: '5c', to: '9c' });
  expect(dropPart(dropped, 'R2', '1a').parts[1]).toEqual({ id: 'R2', from: '1a', to: '4a' });
  expect(dropPart(dropped, 'R2', '30a').parts[1]).toEqual({ id: 'R2', from: '30a', to: '26a' });
  expect(movePart(dropped, 'R1', '7c').parts).toEqual([{ id: 'R1', from: '7c', to: '11c' }]);
  expect(movePart(dropped, 'R1', '27a')).toBe(dropped);
  const two = dropPart(dropped, 'R2', '5c');
  expect(movePart(two, 'R1', '5c')).toBe(two);
  expect(moveHole(two, '9c', '10d').parts[1]).toEqual({ id: 'R2', from: '5c', to: '10d' });
});
