import type { Element, Network } from '@usual-drag/core/network';
import type { Job } from '@usual-drag/core/job';

/** A repeatable stream of numbers from 0 to 1 (mulberry32). */
function numbers(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A mesh of `nodes` nodes, three parts a node or so, each near its neighbours, with one real source. */
export function mesh(nodes: number, seed = 1): Network {
  const random = numbers(seed);
  const side = Math.ceil(Math.sqrt(nodes));
  const name = (i: number): string => (i === 0 ? '0' : `N${i}`);
  const ohms = (): number => 10 ** (1 + 5 * random());
  const elements: Element[] = [
    { id: 'E1', kind: 'source', from: name(nodes - 1), to: '0', emf: 24, internalResistance: 1.8 },
  ];
  const add = (a: number, b: number): void => {
    if (a < nodes && b < nodes && a !== b)
      elements.push({ id: `R${elements.length}`, kind: 'resistor', from: name(a), to: name(b), resistance: ohms() });
  };
  for (let i = 0; i < nodes; i += 1) {
    if ((i + 1) % side !== 0) add(i, i + 1);
    add(i, i + side);
    if (random() < 0.3) add(i, i + side + 1);
  }
  return { elements };
}

/** Conductance matrix and currents of the node equations, node 0 left out: what a matrix library is given. */
export function nodeEquations(
  network: Network,
  nodes: number,
): { readonly matrix: number[][]; readonly right: number[] } {
  const matrix = Array.from({ length: nodes - 1 }, () => new Array<number>(nodes - 1).fill(0));
  const right = new Array<number>(nodes - 1).fill(0);
  const at = (node: string): number => (node === '0' ? -1 : Number(node.slice(1)) - 1);
  for (const element of network.elements) {
    const r =
      element.kind === 'source' ? element.internalResistance! : element.kind === 'resistor' ? element.resistance : 0;
    const drive = element.kind === 'source' ? element.emf / r : 0;
    const [a, b] = [at(element.from), at(element.to)];
    if (a >= 0) {
      matrix[a]![a]! += 1 / r;
      right[a]! += drive;
    }
    if (b >= 0) {
      matrix[b]![b]! += 1 / r;
      right[b]! -= drive;
    }
    if (a >= 0 && b >= 0) {
      matrix[a]![b]! -= 1 / r;
      matrix[b]![a]! -= 1 / r;
    }
  }
  return { matrix, right };
}

/** Twelve parts and three set-ups of a meter each, as a technician's job has them. */
export function benchJob(): Job {
  const ohms = [56e3, 39e3, 15e3, 27e3, 10e3, 4.7e3, 3.3e3, 18e3, 2.2e3, 6.8e3, 1.5e3];
  const ends = ['AB', 'B0', 'BC', 'C0', 'AD', 'D0', 'DE', 'E0', 'CE', 'AF', 'F0'];
  const elements: Element[] = [
    { id: 'E1', kind: 'source', from: 'A', to: '0', emf: 24, internalResistance: 1.8 },
    ...ohms.map((resistance, i): Element => ({
      id: `R${i + 1}`,
      kind: 'resistor',
      from: ends[i]![0]!,
      to: ends[i]![1]!,
      resistance,
    })),
  ];
  return {
    format: 'usual-drag/job',
    version: 1,
    title: 'Bench',
    network: { elements },
    instruments: [
      {
        id: 'm',
        display: 'analogue',
        functions: [
          { quantity: 'dc-voltage', ranges: [{ id: '10 V', fullScale: 10, resistance: 2e5, divisions: 50 }] },
          {
            quantity: 'dc-current',
            ranges: [{ id: '5 mA', fullScale: 5e-3, resistance: 50, divisions: 50, fuse: 0.5 }],
          },
        ],
      },
    ],
    setups: [
      {
        id: 'S-1',
        meters: [{ id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: '10 V', red: 'B', black: '0' }],
      },
      {
        id: 'S-2',
        meters: [{ id: 'V1', instrument: 'm', quantity: 'dc-voltage', range: '10 V', red: 'C', black: 'E' }],
      },
      {
        id: 'S-3',
        meters: [{ id: 'A1', instrument: 'm', quantity: 'dc-current', range: '5 mA', node: 'A', ends: ['R5.from'] }],
      },
    ],
  };
}
