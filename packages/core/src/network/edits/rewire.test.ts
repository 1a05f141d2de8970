import fc from 'fast-check';
import { anyNetwork } from '../../test/random-network.ts';
import { addElement, newElement, removeElement, replaceElement } from './edits.ts';
import { commonPoints, samePoint, wiresBetween } from '../common-points.ts';
import { endsAt, nodesOf, type Network } from '../network.ts';
import { pasteElements } from './paste.ts';
import {
  addInParallel,
  closeOver,
  insertInSeries,
  joinNodes,
  moveEnd,
  removeElements,
  renameNode,
  splitNode,
  swapEnds,
} from './rewire.ts';
import { read } from '../../test/read-line.ts';
import { runs } from '../../test/runs.ts';

const ends = (network: Network): string[] => network.elements.map(({ id, from, to }) => `${id} ${from} ${to}`);
const divider = read('E1 24V/1R8: R1 56k + (R2 39k || R3 15k + R4 27k)');
const r9 = newElement(divider, 'resistor');

test('in series behind a part, between it and where it ended', () => {
  expect(ends(insertInSeries(divider, 'R1', r9))).toEqual(['E1 A 0', 'R1 A D', 'R5 D B', 'R2 B 0', 'R3 B C', 'R4 C 0']);
});

test('in parallel with a part', () => {
  expect(ends(addInParallel(divider, 'R3', r9)).slice(4, 6)).toEqual(['R5 B C', 'R4 C 0']);
});

test('a node is split and its ends joined again', () => {
  const split = splitNode(divider, 'B', ['R2.from', 'R3.from', 'R9.from'], 'X');
  expect(ends(split)).toEqual(['E1 A 0', 'R1 A B', 'R2 X 0', 'R3 X C', 'R4 C 0']);
  expect(joinNodes(split, 'B', 'X')).toEqual(divider);
});

test('a chosen reference follows a join and falls back where it is taken away', () => {
  const against: Network = { ...divider, reference: 'C' };
  expect(joinNodes(against, 'B', 'C').reference).toBe('B');
  expect(removeElements(against, ['R3', 'R4']).reference).toBeUndefined();
});

test('the last part stays', () => {
  expect(ends(removeElements(divider, ['E1', 'R1', 'R2', 'R3', 'R4']))).toEqual(['E1 A 0']);
  expect(closeOver(read('R1 5'), 'R1')).toEqual(read('R1 5'));
});

const anyPart = fc.tuple(anyNetwork, fc.nat(), fc.nat()).map(([network, a, b]) => {
  const nodes = nodesOf(network);
  return {
    network,
    element: network.elements[a % network.elements.length]!,
    node: nodes[a % nodes.length]!,
    other: nodes[b % nodes.length]!,
    b,
  };
});

test('every edit has its inverse', () => {
  fc.assert(
    fc.property(anyPart, ({ network, element, node, other, b }) => {
      const { id } = element;
      const added = newElement(network, 'resistor');
      expect(removeElement(addElement(network, added), added.id)).toEqual(network);
      expect(replaceElement(replaceElement(network, id, { ...element, label: 'x' }), id, element)).toEqual(network);
      expect(removeElement(addInParallel(network, id, added), added.id)).toEqual(network);
      expect(closeOver(insertInSeries(network, id, added), added.id)).toEqual(network);
      expect(moveEnd(moveEnd(network, `${id}.to`, other), `${id}.to`, element.to)).toEqual(network);
      expect(swapEnds(swapEnds(network, id), id)).toEqual(network);
      expect(renameNode(renameNode(network, node, 'new'), 'new', node)).toEqual(network);
      if (node !== other) {
        const gone = endsAt(network, other);
        expect(splitNode(joinNodes(network, node, other), node, gone, other)).toEqual(network);
      }
      const some = endsAt(network, node).filter((_, index) => index % 2 === b % 2);
      expect(joinNodes(splitNode(network, node, some, 'new'), node, 'new')).toEqual(network);
      const copies = pasteElements(network, [element]);
      expect(removeElements(copies, [copies.elements.at(-1)!.id])).toEqual(network);
    }),
    { numRuns: runs(300) },
  );
});

test('a pasted chain comes out beside the original, with names and an inner node of its own', () => {
  const chain = divider.elements.slice(3);
  expect(ends(pasteElements(divider, chain)).slice(5)).toEqual(['R5 B D', 'R6 D 0']);
  expect(ends(pasteElements(read('E1 5V: R1 1k'), chain, divider)).slice(2)).toEqual(['R3 B C', 'R4 C 0']);
});

test('what links and closed switches join is one point, and says by what', () => {
  const network = read('E1 24V: W1 link @B S1 closed @C R1 1k @D S2 open');
  expect(commonPoints(network)).toEqual([['A', 'B', 'C'], ['0'], ['D']]);
  expect(wiresBetween(network, 'A', 'C')).toEqual(['W1', 'S1']);
  expect(wiresBetween(network, 'D', '0')).toBeNull();
  expect(samePoint(network, 'A', 'C')).toBe(
    'A and C are the same point: W1 and S1 join them, so there is no voltage across.',
  );
  expect(samePoint(network, 'B', 'B')).toMatch(/one point/);
  expect(samePoint(network, 'C', 'D')).toBeNull();
});
