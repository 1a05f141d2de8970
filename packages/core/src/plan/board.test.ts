import fc from 'fast-check';
import type { Network } from '../network/index.ts';
import { anyNetwork } from '../test/random-network.ts';
import { buildOrder } from './build-order.ts';
import { stripBoard } from './strip-board.ts';
import { runs } from '../test/runs.ts';

const divider: Network = {
  elements: [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24 },
    { id: 'R1', kind: 'resistor', from: 'A', to: 'B', resistance: 56_000 },
    { id: 'R2', kind: 'resistor', from: 'B', to: '0', resistance: 39_000 },
    { id: 'R3', kind: 'resistor', from: 'B', to: 'C', resistance: 15_000 },
    { id: 'R4', kind: 'resistor', from: 'C', to: '0', resistance: 27_000 },
  ],
};

test('the innermost loop is built first, the source last, each end wired to one that stands already', () => {
  const order = buildOrder(divider);
  expect(order.map(({ element }) => element.id).sort()).toEqual(['E1', 'R1', 'R2', 'R3', 'R4']);
  expect(new Set(order.slice(0, 3).map(({ element }) => element.id))).toEqual(new Set(['R2', 'R3', 'R4']));
  expect(order.at(-1)!.element.id).toBe('E1');
  // Ten ends on four nodes: six wires join them.
  expect(order.flatMap(({ wires }) => wires)).toHaveLength(6);
});

test('every leg has a hole, rows of one node are linked, and no row has more legs than holes', () => {
  fc.assert(
    fc.property(anyNetwork, fc.integer({ min: 2, max: 6 }), (network, holes) => {
      const { rows, links } = stripBoard(network, holes);
      const legs = rows.flatMap((row) => row.legs);
      const wanted = network.elements
        .filter(({ kind }) => kind !== 'link')
        .flatMap(({ id }) => [`${id}.from`, `${id}.to`]);
      expect([...legs].sort()).toEqual([...wanted].sort());
      for (const row of rows) expect(row.legs.length).toBeLessThanOrEqual(Math.max(1, holes - 1));
      for (const node of new Set(rows.map((row) => row.node))) {
        const own = rows.filter((row) => row.node === node).map(({ row }) => row);
        for (const row of own.slice(1))
          expect(links.some(({ to, element }) => to === row && element === null)).toBe(true);
      }
    }),
    { numRuns: runs(200) },
  );
});

test('a part with both legs on one node is named', () =>
  expect(
    stripBoard({ elements: [...divider.elements, { id: 'R5', kind: 'resistor', from: 'B', to: 'B', resistance: 1 }] })
      .shorted,
  ).toEqual(['R5']));
