import fc from 'fast-check';
import { solveUnloaded } from '../../loading/index.ts';
import type { Network } from '../../network/index.ts';
import { anyNetwork, soundNetwork } from '../../test/random-network.ts';
import { floodedNets, makesCircuit, rightBoard, slip } from '../../test/random-board.ts';
import { read } from '../../test/read-line.ts';
import { exercised, runs } from '../../test/runs.ts';
import type { Board } from '../board.ts';
import { boardFaults, usedHoles } from '../board-faults.ts';
import { builtNetwork } from '../built-network.ts';
import { carriedNodes } from '../carried-nodes.ts';
import { differenceEffect } from '../difference-effect.ts';
import { boardDifferences, differenceHoles, differenceSentence, mendBoard, mendingText } from './index.ts';
import { boardCautions, effectSentence } from '../effect.ts';

const divider = read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');

/** The divider as a person builds it: supply on the left rails, B in row 9, C in row 13, 0 in row 17. */
const built: Board = {
  rows: 30,
  parts: [
    { id: 'E1', from: '1L+', to: '1L-' },
    { id: 'R1', from: '5a', to: '9a' },
    { id: 'R2', from: '9d', to: '17d' },
    { id: 'R3', from: '9b', to: '13b' },
    { id: 'R4', from: '13c', to: '17c' },
  ],
  wires: [
    { from: '5L+', to: '5b' },
    { from: '17L-', to: '17a' },
  ],
};
const withPart = (id: string, place: object): Board => ({
  ...built,
  parts: built.parts.map((part) => (part.id === id ? { id, ...place } : part)),
});
const lines = (board: Board, network: Network = divider): string[] => {
  const differences = boardDifferences(network, board);
  return differences.map(
    (difference) =>
      `${differenceSentence(difference)} ${effectSentence(differenceEffect(network, board, differences, difference))}`,
  );
};

test('the divider as it is built is the circuit that is drawn, and every row that carries a node is known', () => {
  expect(lines(built)).toEqual([]);
  const { nodeOf, stripsOf } = carriedNodes(divider, built);
  expect([...nodeOf].sort()).toEqual([
    ['13L', 'C'],
    ['17L', '0'],
    ['5L', 'A'],
    ['9L', 'B'],
    ['L+', 'A'],
    ['L-', '0'],
  ]);
  expect(stripsOf.get('B')).toEqual(['9L']);
});

test.each([
  [
    'a leg in an empty row',
    withPart('R3', { from: '9b', to: '12b' }),
    /^The second leg of R3 is in row 12 left; node C is in row 13 left\. Nothing else is there, so R3 is open\. The voltage C to 0 would be 0\sV, not 4\.09\sV\.$/,
  ],
  [
    'both legs in one row',
    withPart('R2', { from: '9d', to: '9e' }),
    /^The (first|second) leg of R2 is in row 9 left; node 0 is in .*row 17 left.* Both legs of R2 are joined, so it is shorted\. The voltage B to 0 would be 10\.3\sV, not 6\.37\sV\.$/,
  ],
  [
    'a leg in no hole',
    withPart('R4', { from: '13c' }),
    /^The second leg of R4 is not in a hole; node 0 is in left − rail and row 17 left\. R4 is open\. The voltage C to 0 would be 9\.8\d\sV, not 4\.09\sV\.$/,
  ],
  ['a part left out', { ...built, parts: built.parts.slice(0, 4) }, /^R4 is not on the board\. The voltage C to 0 /],
  [
    'two parts exchanged',
    { ...built, parts: built.parts.map((part) => ({ ...part, id: { R1: 'R2', R2: 'R1' }[part.id] ?? part.id })) },
    /^R1 and R2 are exchanged: each is in the place of the other\. The voltage B to 0 would be/,
  ],
  [
    'a wire that joins two nodes',
    { ...built, wires: [...built.wires, { from: '9e', to: '13e' }] },
    /^The wire from row 9 left to row 13 left joins node B to node C\. The voltage C to 0 would be 5\.3\d\sV, not 4\.09\sV\.$/,
  ],
  [
    'a wire that is missing',
    { ...built, wires: built.wires.slice(0, 1) },
    /^Node 0 is in two places that are not joined: /,
  ],
  [
    'a split rail',
    {
      ...built,
      splitRails: true as const,
      wires: [
        { from: '5L+', to: '5b' },
        { from: '17L-', to: '17a' },
      ],
    },
    /^The rail of node 0 is split in the middle: /,
  ],
  [
    'a source the wrong way round',
    withPart('E1', { from: '1L-', to: '1L+' }),
    /^E1 is the wrong way round\. The voltage A to 0 would be −24\.0\sV, not 24\.0\sV\.$/,
  ],
  [
    'a part of another circuit',
    { ...built, parts: [...built.parts, { id: 'R9', from: '1a', to: '4a' }] },
    /^R9 is on the board, but/,
  ],
])('%s is named with what it does to the readings, and mended in one step', (_name, board, sentence) => {
  expect(boardFaults(board)).toEqual([]);
  const found = lines(board);
  expect(found).toHaveLength(1);
  expect(found[0]).toMatch(sentence);
  const [difference] = boardDifferences(divider, board);
  expect(mendingText(difference!)).not.toBe('');
  const used = usedHoles(board);
  for (const hole of differenceHoles(difference!, board)) expect(used).toContain(hole);
  const mended = mendBoard(divider, board, difference!)!;
  expect(boardFaults(mended)).toEqual([]);
  expect(makesCircuit(divider, mended)).toBe(true);
  expect(lines(mended)).toEqual([]);
});

test('two nodes whose ends are all in one row are joined, and moved apart in one step', () => {
  const board = {
    ...built,
    parts: built.parts.map((part) =>
      part.id === 'R3' ? { ...part, to: '9e' } : part.id === 'R4' ? { ...part, from: '9c' } : part,
    ),
  };
  const found = boardDifferences(divider, board);
  expect(found.map(({ kind }) => kind)).toEqual(['joined']);
  expect(differenceSentence(found[0]!)).toBe('Nodes B and C are joined: both are in row 9 left.');
  expect(lines(mendBoard(divider, board, found[0]!)!)).toEqual([]);
});

test('two stray legs in one row are named as joined to each other, not as open', () => {
  const board = {
    ...built,
    parts: built.parts.map((part) =>
      part.id === 'R1' ? { ...part, to: '25a' } : part.id === 'R4' ? { ...part, from: '25b' } : part,
    ),
  };
  const [first] = boardDifferences(divider, board);
  expect(differenceSentence(first!)).toBe(
    'The second leg of R1 is in row 25 left; node B is in row 9 left. There it is joined to R4.',
  );
});

test('a part with both ends on one node that is plugged elsewhere is not called shorted', () => {
  const network = {
    elements: [...divider.elements, { id: 'R5', kind: 'resistor', from: 'B', to: 'B', resistance: 1 } as const],
  };
  const board = { ...built, parts: [...built.parts, { id: 'R5', from: '25a', to: '25b' }] };
  const found = boardDifferences(network, board);
  expect(found.map(differenceSentence).join(' ')).not.toContain('shorted');
  expect(found.length).toBeGreaterThan(0);
});

test('an ideal source that the board shorts is a danger; a part that would burn is a caution', () => {
  const ideal = read('E1 24V: R1 56k + R2 39k');
  const board: Board = {
    rows: 30,
    parts: [
      { id: 'E1', from: '1a', to: '2a' },
      { id: 'R1', from: '1b', to: '9a' },
      { id: 'R2', from: '9b', to: '2b' },
    ],
    wires: [{ from: '1c', to: '2c' }],
  };
  expect(lines(board, ideal)[0]).toMatch(/Do not switch on\.$/);
  const small = read('E1 24V/1R8: R1 56k 0.25W + R2 100 0.25W');
  const shorted = { ...board, wires: [{ from: '1c', to: '9c' }] };
  const cautions = boardCautions(small, builtNetwork(small, shorted));
  expect(cautions.join()).toMatch(/R2 dissipates .* it will burn/);
});

const boardCase = fc
  .oneof(anyNetwork, soundNetwork)
  .chain((network) => fc.record({ network: fc.constant(network), board: rightBoard(network, 60) }));

test('a board that makes the circuit has no differences, whatever its rows, wires and ways round', () => {
  let tried = 0;
  fc.assert(
    fc.property(boardCase, ({ network, board }) => {
      tried += 1;
      expect(boardFaults(board)).toEqual([]);
      expect(makesCircuit(network, board)).toBe(true);
      expect(boardDifferences(network, board)).toEqual([]);
    }),
    { numRuns: runs(400) },
  );
  expect(tried).toBeGreaterThanOrEqual(exercised(400));
});

test('a board has differences if and only if it makes another circuit, and mending them one by one makes it right', () => {
  let same = 0;
  let other = 0;
  fc.assert(
    fc.property(boardCase, fc.array(slip, { minLength: 1, maxLength: 4 }), ({ network, board }, slips) => {
      const now = slips.reduce((one, change) => change(one), board);
      expect(boardFaults(now)).toEqual([]);
      const found = boardDifferences(network, now);
      const isSame = makesCircuit(network, now);
      expect(found.length === 0).toBe(isSame);
      if (isSame) same += 1;
      else other += 1;
      let mended = now;
      for (const difference of found) {
        expect(differenceSentence(difference)).toMatch(/^[A-Z].*\.$/);
        mended = mendBoard(network, mended, difference)!;
        expect(boardFaults(mended)).toEqual([]);
      }
      expect(makesCircuit(network, mended)).toBe(true);
    }),
    { numRuns: runs(600) },
  );
  expect(same).toBeGreaterThanOrEqual(exercised(20));
  expect(other).toBeGreaterThanOrEqual(exercised(300));
});

test('the circuit that a board makes has the potentials of its flooded netlist', () => {
  let solved = 0;
  fc.assert(
    fc.property(
      soundNetwork.chain((network) => fc.record({ network: fc.constant(network), board: rightBoard(network, 60) })),
      fc.array(slip, { maxLength: 3 }),
      ({ network, board }, slips) => {
        const now = slips.reduce((one, change) => change(one), board);
        const net = floodedNets(now);
        // The netlist by another way: nodes are the flooded groups, parts as they are plugged in.
        const elements = now.parts.flatMap((part) => {
          const element = network.elements.find(({ id }) => id === part.id);
          const at = (leg: 'from' | 'to'): string =>
            part[leg] === undefined
              ? `${part.id}-${leg}`
              : `n${net(part[leg]).replace(/\W/g, (c) => `_${c.charCodeAt(0)}`)}`;
          return element ? [{ ...element, from: at('from'), to: at('to') }] : [];
        });
        const made = builtNetwork(network, now);
        if (elements.length === 0) return expect(made).toBeNull();
        const [a, b] = [solveUnloaded(made!), solveUnloaded({ elements })];
        expect(a.ok).toBe(b.ok);
        if (!a.ok || !b.ok) return;
        solved += 1;
        for (const { id } of elements) {
          const [one, two] = [a.value.values.elements[id]!, b.value.values.elements[id]!];
          for (const key of ['voltage', 'current'] as const) {
            if (two[key] === null) expect(one[key]).toBeNull();
            else expect(Math.abs(one[key]!)).toBeCloseTo(Math.abs(two[key]), 6);
          }
        }
      },
    ),
    { numRuns: runs(300) },
  );
  expect(solved).toBeGreaterThanOrEqual(exercised(200));
});
