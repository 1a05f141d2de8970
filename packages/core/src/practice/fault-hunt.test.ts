import { boardDifferences, boardFaults, builtNetwork } from '../board/index.ts';
import { withFault } from '../faults/index.ts';
import { solveUnloaded } from '../loading/index.ts';
import { observedNumber } from '../readings/index.ts';
import { bestLine, costOf, costOfLine, isTheFault, makeHunt } from './fault-hunt.ts';
import { levels } from './problems/problem.ts';

const seeds = Array.from({ length: 40 }, (_, k) => k + 1);

test.each(levels)(
  'on level %i the best line ends at the hidden fault, or where no reading tells more apart',
  (level) => {
    let alone = 0;
    for (const seed of seeds) {
      const hunt = makeHunt(level, seed);
      expect(makeHunt(level, seed).fault).toEqual(hunt.fault);
      expect(hunt.candidates.filter(({ hypothesis }) => isTheFault(hypothesis, hunt))).toHaveLength(1);
      const line = bestLine(hunt);
      let before = hunt.candidates.length;
      for (const { left } of line) {
        expect(left).toBeLessThan(before);
        before = left;
      }
      if (before === 1) alone += 1;
      expect(costOf(line.map(({ place }) => place))).toBeLessThan(30);
    }
    expect(alone).toBeGreaterThan(seeds.length * 0.7);
  },
);

test('the bench shows what the line says: a hunt can be won by it', () => {
  for (const seed of seeds.slice(0, 12)) {
    const hunt = makeHunt(2, seed);
    for (const { place, value } of bestLine(hunt)) {
      if (place.quantity !== 'dc-voltage') continue;
      const shown = hunt.bench.read({ ...place, instrument: 'digital-2000', range: '200 V' });
      expect(Math.abs(observedNumber(shown!)! - value)).toBeLessThan(0.05 * Math.abs(value) + 0.6);
    }
  }
});

test('a voltage is cheapest, a resistance dearest', () => {
  expect(costOf([{ quantity: 'dc-voltage' }, { quantity: 'dc-current' }, { quantity: 'resistance' }])).toBe(9);
});

test('a line that leaves several faults costs the wrong answers that are to be expected', () => {
  const place = { quantity: 'dc-voltage', red: 'A', black: '0' } as const;
  expect(costOfLine([{ place, value: 1, left: 1 }], 9)).toBe(1);
  expect(costOfLine([{ place, value: 1, left: 3 }], 9)).toBe(1 + 4);
  expect(costOfLine([], 3)).toBe(4);
});

test('a hunt on a strip board hides a mistake of the board: what is built has the values of the fault', () => {
  const kinds = new Set<string>();
  let compared = 0;
  for (const level of levels)
    for (let seed = 1; seed <= 12; seed += 1) {
      const hunt = makeHunt(level, seed, true);
      const { network } = hunt.job;
      expect(boardFaults(hunt.board!)).toEqual([]);
      expect(boardDifferences(network, hunt.board!)).not.toEqual([]);
      kinds.add(hunt.fault.fault);
      const [built, faulty] = [
        builtNetwork(network, hunt.board!)!,
        withFault({ network, instruments: [] }, hunt.fault).network,
      ].map((one) => {
        const solved = solveUnloaded(one);
        return solved.ok ? solved.value.values.elements : {};
      });
      for (const { id } of network.elements) {
        const [made, wanted] = [built![id]?.current ?? 0, faulty![id]?.current ?? 0];
        // A wire carries the current of a part that it shorts.
        if (hunt.fault.where.includes(id)) continue;
        // The direction in which a part counts is free if its legs are in the nodes of another.
        expect(Math.abs(made)).toBeCloseTo(Math.abs(wanted), 9);
        compared += 1;
      }
      expect(bestLine(hunt).every(({ place }) => place.quantity !== 'resistance')).toBe(true);
    }
  expect(compared).toBeGreaterThan(60);
  expect(kinds.size).toBeGreaterThanOrEqual(2);
});
