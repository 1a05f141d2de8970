import fc from 'fast-check';
import { anyNetwork } from '../test/random-network.ts';
import { chainsOf } from './chains.ts';
import type { Element } from './element.ts';
import { endsAt } from './network.ts';
import { runs } from '../test/runs.ts';

const part = (id: string, from: string, to: string): Element => ({ id, kind: 'resistor', from, to, resistance: 1 });

const told = (elements: readonly Element[]): string[] =>
  chainsOf({ elements }).map(({ parts, nodes }) => `${parts.map(({ id }) => id).join('-')} ${nodes.join('')}`);

test('parts joined where nothing else is are one chain', () => {
  const divider = [
    part('E', 'A', '0'),
    part('R1', 'A', 'B'),
    part('R2', 'B', '0'),
    part('R3', 'B', 'C'),
    part('R4', 'C', '0'),
  ];
  expect(told(divider).sort()).toEqual(['E-R1 0AB', 'R2 0B', 'R4-R3 0CB'].sort());
});

test('a single loop is one closed chain', () => {
  const [loop, ...others] = chainsOf({ elements: [part('E', 'A', '0'), part('R1', 'A', 'B'), part('R2', 'B', '0')] });
  expect(others).toEqual([]);
  expect(loop!.nodes[0]).toBe(loop!.nodes.at(-1));
  expect(loop!.parts).toHaveLength(3);
});

test('every part is in one chain, inner nodes join two ends, in networks of every kind', () => {
  fc.assert(
    fc.property(anyNetwork, (network) => {
      const chains = chainsOf(network);
      const ids = chains.flatMap(({ parts }) => parts.map(({ id }) => id)).sort();
      expect(ids).toEqual(network.elements.flatMap(({ id, from, to }) => (from === to ? [] : [id])).sort());
      for (const { parts, nodes } of chains) {
        expect(nodes).toHaveLength(parts.length + 1);
        for (const node of nodes.slice(1, -1)) expect(endsAt(network, node)).toHaveLength(2);
        parts.forEach(({ from, to }, k) => expect([from, to].sort()).toEqual([nodes[k], nodes[k + 1]].sort()));
      }
    }),
    { numRuns: runs(200) },
  );
});
