import type { Element, Network } from '../network/index.ts';

/** A network of a size and kind as they turn up on a bench: ladders, groups in groups, planar meshes, and tangles. */
export function sketchedNetwork(seed: number, parts: number): Network {
  const random = generator(seed);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const values = [10, 47, 120, 330, 680, 1000, 2200, 4700, 15_000, 39_000, 56_000, 270_000];
  const elements: Element[] = [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 1.8, label: 'SL-014 feed' },
  ];
  const add = (from: string, to: string): void => {
    const number = elements.length;
    const roll = random();
    const base = {
      id: roll < 0.9 ? `R${number}` : `L${number}`,
      from,
      to,
      ...(random() < 0.3 && { label: 'upper float' }),
    };
    elements.push(
      roll < 0.9
        ? { ...base, kind: 'resistor', resistance: pick(values), ...(random() < 0.5 && { tolerance: 0.05 }) }
        : { ...base, kind: 'load', ratedVoltage: 12, ratedCurrent: 0.35 },
    );
  };
  const node = (k: number): string => (k === 0 ? 'A' : `N${k}`);
  switch (pick(['ladder', 'grouped', 'planar', 'tangle'] as const)) {
    case 'ladder':
      for (let k = 0; elements.length < parts; k += 1) {
        add(node(k), node(k + 1));
        add(node(k + 1), '0');
      }
      break;
    case 'grouped': {
      const ends: [string, string][] = [['A', '0']];
      for (let next = 1; ends.length < parts - 1;) {
        const [from, to] = ends.splice(Math.floor(random() * ends.length), 1)[0]!;
        if (random() < 0.5) {
          ends.push([from, node(next)], [node(next), to]);
          next += 1;
        } else ends.push([from, to], [from, to]);
      }
      for (const [from, to] of ends) add(from, to);
      break;
    }
    case 'planar': {
      const width = Math.max(2, Math.round(Math.sqrt(parts / 2)));
      const at = (row: number, column: number): string =>
        row === 0 && column === 0 ? 'A' : `N${row * width + column}`;
      for (let row = 0; elements.length < parts - 1; row += 1)
        for (let column = 0; column < width && elements.length < parts - 1; column += 1) {
          if (column > 0) add(at(row, column - 1), at(row, column));
          if (row > 0) add(at(row - 1, column), at(row, column));
        }
      add(elements.at(-1)!.to, '0');
      break;
    }
    case 'tangle': {
      const nodes = Math.max(2, Math.round(parts / 2));
      for (let k = 1; k < nodes && elements.length < parts - 1; k += 1) add(node(Math.floor(random() * k)), node(k));
      while (elements.length < parts)
        add(node(Math.floor(random() * nodes)), random() < 0.2 ? '0' : node(Math.floor(random() * nodes)));
      add(node(nodes - 1), '0');
    }
  }
  return { elements };
}

/** A small repeatable random number generator (mulberry32). */
function generator(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}
