import fc from 'fast-check';
import type { Instrument } from '../instrument/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { nodesOf, type Network } from '../network/index.ts';
import { anyNetwork, resistance } from '../test/random-network.ts';
import { expectationOf } from './expectation.ts';
import type { Reading } from './reading.ts';
import { exercised, runs } from '../test/runs.ts';

const meter = (across: number, inSeries: number): Instrument => ({
  id: 'm',
  functions: [
    {
      quantity: 'dc-voltage',
      ranges: [
        { id: 'v', fullScale: 1e12, resistance: across },
        // Beside another meter it changes nothing that doubles could tell.
        { id: 'bystander', fullScale: 1e12, resistance: 1e26 },
      ],
    },
    { quantity: 'dc-current', ranges: [{ id: 'a', fullScale: 1e12, resistance: inSeries }] },
  ],
});

const toleranced = (network: Network): Network => ({
  ...network,
  elements: network.elements.map((part, index) =>
    part.kind === 'resistor' ? { ...part, tolerance: 0.01 + (index % 4) * 0.02 } : part,
  ),
});

test('a meter alone reads what the whole network solved with it gives, tolerance limits too', () => {
  let compared = 0;
  fc.assert(
    fc.property(anyNetwork, resistance, resistance, fc.nat(), (network, across, inSeries, pick) => {
      const solved = solveUnloaded(toleranced(network));
      if (!solved.ok) return;
      const nodes = nodesOf(network);
      const part = network.elements[pick % network.elements.length]!;
      const instruments = [meter(across, inSeries)];
      const [red, black] = [nodes[pick % nodes.length]!, nodes[(pick >> 4) % nodes.length]!];
      const places: Reading[] = [
        { id: 'M1', quantity: 'dc-voltage', instrument: 'm', range: 'v', red, black, observations: [] },
        {
          id: 'M2',
          quantity: 'dc-current',
          instrument: 'm',
          range: 'a',
          node: part.from,
          ends: [`${part.id}.from`],
          reversed: pick % 3 === 0,
          observations: [],
        },
      ];
      for (const reading of places) {
        const bystander = {
          id: 'V1',
          quantity: 'dc-voltage',
          instrument: 'm',
          range: 'bystander',
          red,
          black,
        } as const;
        const alone = expectationOf(solved.value, instruments, reading);
        const solvedFor = expectationOf(solved.value, instruments, { ...reading, alongside: [bystander] });
        if (alone.expected === null || alone.true === null || solvedFor.expected === null || solvedFor.true === null)
          continue;
        const figure = reading.quantity === 'dc-voltage' ? 'voltage' : 'current';
        const largest = Math.max(...Object.values(solved.value.values.elements).map((of) => Math.abs(of[figure] ?? 0)));
        const size = Math.max(Math.abs(solvedFor.true), Math.abs(solvedFor.expected), 1e-6 * largest, 1e-12);
        expect(Math.abs(alone.expected - solvedFor.expected)).toBeLessThanOrEqual(1e-9 * size);
        expect(Math.abs(alone.true - solvedFor.true)).toBeLessThanOrEqual(1e-9 * size);
        expect(alone.state).toBe(solvedFor.state);
        for (const side of ['low', 'high'] as const) {
          const [a, b] = [alone.limits![side], solvedFor.limits![side]];
          expect(Math.abs(a - b)).toBeLessThanOrEqual(1e-7 * size);
          const [c, d] = [alone.trueLimits()![side], solvedFor.trueLimits()![side]];
          expect(Math.abs(c - d)).toBeLessThanOrEqual(1e-7 * size);
        }
        compared += 1;
      }
    }),
    { numRuns: runs(300) },
  );
  expect(compared).toBeGreaterThan(exercised(150));
});
