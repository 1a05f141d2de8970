import fc from 'fast-check';
import { anyNetwork } from '../../test/random-network.ts';
import { makesCircuit } from '../../test/random-board.ts';
import { sketchedNetwork } from '../../test/sketched-network.ts';
import { read } from '../../test/read-line.ts';
import { exercised, runs } from '../../test/runs.ts';
import type { Network } from '../../network/index.ts';
import type { Board } from '../board.ts';
import { boardFaults } from '../board-faults.ts';
import { boardDifferences } from '../differences/index.ts';
import { parseHole } from '../holes.ts';
import { placeParts } from './place-parts.ts';

/** Bodies of parts that share a column and rows. */
function overlaps({ parts }: Board): string[] {
  const bodies = parts.flatMap(({ id, from, to }) => {
    const [a, b] = [parseHole(from!)!, parseHole(to!)!];
    return a.column === b.column && a.column.length === 1
      ? [{ id, column: a.column, first: Math.min(a.row, b.row), last: Math.max(a.row, b.row) }]
      : [];
  });
  return bodies.flatMap((a, index) =>
    bodies
      .slice(index + 1)
      .filter((b) => b.column === a.column && b.first <= a.last && b.last >= a.first)
      .map((b) => `${a.id} ${b.id}`),
  );
}

test('the divider needs two wires, one to each rail, and its parts are beside each other', () => {
  const board = placeParts(read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)'), 30)!;
  expect(board).toEqual({
    rows: 30,
    parts: [
      { id: 'E1', from: '1L+', to: '1L-' },
      { id: 'R1', from: '2c', to: '8c' },
      { id: 'R2', from: '8e', to: '20e' },
      { id: 'R3', from: '8a', to: '14a' },
      { id: 'R4', from: '14c', to: '20c' },
    ],
    wires: [
      { from: '2a', to: '2L+' },
      { from: '20a', to: '20L-' },
    ],
  });
});

test('split rails are joined in the middle', () => {
  const board = placeParts(read('E1 24V: R1 56k + R2 39k'), 30, true)!;
  expect(board.splitRails).toBe(true);
  expect(board.wires).toEqual(
    expect.arrayContaining([
      { from: '15L+', to: '16L+' },
      { from: '15L-', to: '16L-' },
    ]),
  );
});

test.each([
  [5, 3],
  [10, 4],
  [20, 14],
  [30, 14],
])('networks of %i parts make the drawn circuit, with %i wires on average at most', (parts, most) => {
  let wires = 0;
  const count = 20;
  for (let seed = 1; seed <= count; seed += 1) {
    const network = sketchedNetwork(seed, parts);
    const board = placeParts(network, 30)!;
    expect(boardFaults(board)).toEqual([]);
    expect(boardDifferences(network, board)).toEqual([]);
    expect(overlaps(board)).toEqual([]);
    wires += board.wires.length;
  }
  expect(wires / count).toBeLessThanOrEqual(most);
});

test('any network is placed so that the board makes it', () => {
  let placed = 0;
  fc.assert(
    fc.property(anyNetwork, fc.boolean(), (network, split) => {
      const board = placeParts(network, 30, split)!;
      expect(boardFaults(board)).toEqual([]);
      expect(overlaps(board)).toEqual([]);
      expect(makesCircuit(network, board)).toBe(true);
      placed += 1;
    }),
    { numRuns: runs(200) },
  );
  expect(placed).toBeGreaterThanOrEqual(exercised(200));
});

test('a source is not placed over a part in its column', () => {
  const zero = { emf: 0, internalResistance: 1 } as const;
  const network: Network = {
    elements: [
      { id: 'X0', from: 'D', to: 'B', kind: 'current-source', current: 0.001 },
      { id: 'X1', from: 'E', to: 'A', kind: 'load', ratedVoltage: 12, ratedCurrent: 0.35 },
      { id: 'X2', from: 'A', to: 'C', kind: 'source', ...zero },
      { id: 'X3', from: 'A', to: 'A', kind: 'source', ...zero },
    ],
  };
  const board = placeParts(network, 30)!;
  expect(overlaps(board)).toEqual([]);
  expect(makesCircuit(network, board)).toBe(true);
});

test('chains of every length fit the board that they are placed on', () => {
  let sizes = 0;
  for (let parts = 1; parts <= 38; parts += 1) {
    const chain = Array.from({ length: parts }, (_, k) => `R${k + 1} 1k`).join(' + ');
    const network = read(`E1 24V: ${chain}`);
    const board = placeParts(network, 30)!;
    expect(boardFaults(board)).toEqual([]);
    expect(boardDifferences(network, board)).toEqual([]);
    sizes += Number(board.rows > 30);
  }
  expect(sizes).toBeGreaterThan(10);
});

test('a network that is too large for the largest board is not placed', () => {
  const line = Array.from({ length: 150 }, (_, k) => `R${k + 1} 1k`).join(' + ');
  expect(placeParts(read(`E1 24V: ${line}`), 30)).toBeNull();
});
