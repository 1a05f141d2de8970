import type { Network } from '../network/index.ts';
import { buildOrder } from './build-order.ts';

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
