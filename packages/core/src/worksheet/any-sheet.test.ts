import fc from 'fast-check';
import { checkSteps } from '../test/check-sheet.ts';
import { solveUnloaded } from '../loading/index.ts';
import type { Network, Resistor, Source } from '../network/index.ts';
import { networkOfSheet, sheetOfNetwork } from './sheet-network.ts';
import { solveWorksheet } from './solve-worksheet.ts';
import { sheetQuantities, type Given, type SheetQuantity, type SheetValues, type Worksheet } from './worksheet.ts';
import { exercised, runs } from '../test/runs.ts';

const ohms = fc.double({ min: 0.5, max: 5, noNaN: true }).map((decade) => Number((10 ** decade).toPrecision(3)));

/** A source feeding parts joined in series and in parallel at random, up to nine resistors. */
const seriesParallel: fc.Arbitrary<Network> = fc
  .record({
    emf: fc.double({ min: 1, max: 48, noNaN: true }).map((v) => Number(v.toPrecision(3))),
    resistances: fc.array(ohms, { minLength: 2, maxLength: 9 }),
    splits: fc.array(fc.tuple(fc.nat(), fc.boolean()), { minLength: 8, maxLength: 8 }),
  })
  .map(({ emf, resistances, splits }) => {
    let ends: { from: string; to: string }[] = [{ from: 'A', to: '0' }];
    for (let k = 1; k < resistances.length; k += 1) {
      const [at, inSeries] = splits[k - 1]!;
      const { from, to } = ends[at % ends.length]!;
      const rest = ends.filter((_, index) => index !== at % ends.length);
      const node = `N${k}`;
      ends = inSeries ? [...rest, { from, to: node }, { from: node, to }] : [...rest, { from, to }, { from, to }];
    }
    const source: Source = { id: 'E1', kind: 'source', from: 'A', to: '0', emf };
    return {
      reference: '0',
      elements: [
        source,
        ...ends.map((end, index): Resistor => ({
          id: `R${index + 1}`,
          kind: 'resistor',
          ...end,
          resistance: resistances[index]!,
        })),
      ],
    };
  });

function truthOf(network: Network): Record<string, SheetValues> {
  const solved = solveUnloaded(network);
  if (!solved.ok) throw new Error('not solvable');
  return Object.fromEntries(
    network.elements.map(({ id }) => {
      const { voltage, current, power } = solved.value.values.elements[id]!;
      return [id, { voltage, current, power: Math.abs(power!), resistance: voltage! / current! }];
    }),
  );
}

const keysOf = (network: Network): (readonly [string, SheetQuantity])[] =>
  network.elements.flatMap(({ id }) => sheetQuantities.map((quantity) => [id, quantity] as const));

/** The sheet of a network with only some of its values given. */
function sheetWith(network: Network, keys: readonly (readonly [string, SheetQuantity])[]): Worksheet {
  const truth = truthOf(network);
  return {
    format: 'usual-drag/worksheet',
    version: 1,
    network: {
      reference: '0',
      elements: network.elements.map(({ id, kind, from, to }) => ({ id, kind, from, to }) as never),
    },
    givens: keys.map(([of, quantity]): Given => ({ of, quantity, value: truth[of]![quantity]! })),
  };
}

const withKeys = seriesParallel.chain((network) =>
  fc.record({
    network: fc.constant(network),
    keys: fc.shuffledSubarray(keysOf(network), { minLength: 1, maxLength: Math.min(10, 2 * network.elements.length) }),
  }),
);

const near = (a: number | null, b: number): boolean => a !== null && Math.abs(a - b) <= 1e-6 * Math.abs(b);

test('whatever is given of a circuit, what follows is its own value, each step comes out, and the missing values complete it', () => {
  let whole = 0;
  fc.assert(
    fc.property(withKeys, ({ network, keys }) => {
      const truth = truthOf(network);
      const sheet = sheetWith(network, keys);
      const solved = solveWorksheet(sheet);
      if (!solved.ok) throw new Error(solved.fault.message);
      const { values, alternative, complete, missing, contradiction } = solved.value;
      expect(contradiction).toBeNull();
      const wrong = (set: typeof values): string[] =>
        keysOf(network).flatMap(([id, quantity]) => {
          const value = set[id]![quantity];
          return value === null || near(value, truth[id]![quantity]!) ? [] : [`${id}.${quantity}: ${value}`];
        });
      if (wrong(values).length > 0) expect(alternative === null ? wrong(values) : wrong(alternative)).toEqual([]);
      expect(checkSteps(sheet, solved.value)).toEqual([]);
      expect(missing.length === 0).toBe(complete);
      whole += complete ? 1 : 0;
      const wanted = missing.map((line) => line.split(' or ')[0]!.split('.') as [string, SheetQuantity]);
      const completed = solveWorksheet(sheetWith(network, [...keys, ...wanted]));
      expect(completed).toMatchObject({ ok: true, value: { complete: true, contradiction: null } });
    }),
    { numRuns: runs(60) },
  );
  expect(whole).toBeGreaterThan(exercised(5));
});

test('a given that is off by more than all can explain contradicts the others where these say it already', () => {
  let contradicted = 0;
  fc.assert(
    fc.property(withKeys, fc.nat(), ({ network, keys }, pick) => {
      const sheet = sheetWith(network, keys);
      const solved = solveWorksheet(sheet);
      if (!solved.ok || solved.value.alternative) return;
      const follow = solved.value.steps.filter(({ value }) => value !== 0);
      if (follow.length === 0) return;
      const { of, quantity, value } = follow[pick % follow.length]!;
      const off = solveWorksheet({ ...sheet, givens: [...sheet.givens, { of, quantity, value: value * 1.02 }] });
      expect(off).toMatchObject({ ok: true, value: { contradiction: { between: expect.any(Array) } } });
      const same = solveWorksheet({ ...sheet, givens: [...sheet.givens, { of, quantity, value }] });
      expect(same).toMatchObject({ ok: true, value: { contradiction: null } });
      contradicted += 1;
    }),
    { numRuns: runs(30) },
  );
  expect(contradicted).toBeGreaterThan(exercised(15));
});

test('a network becomes a sheet that is complete, and the sheet the network again', () => {
  fc.assert(
    fc.property(seriesParallel, (network) => {
      const sheet = sheetOfNetwork(network, 'Float level');
      const solved = solveWorksheet(sheet);
      if (!solved.ok) throw new Error(solved.fault.message);
      expect(solved.value.complete).toBe(true);
      expect(networkOfSheet(sheet, solved.value)).toEqual(network);
    }),
    { numRuns: runs(40) },
  );
});

test('what is no part of a sheet is told by others: wires, cells, a current source, loads', () => {
  const sheet = sheetOfNetwork({
    reference: '0',
    elements: [
      {
        id: 'E1',
        kind: 'source',
        from: 'P',
        to: '0',
        emf: 1.5,
        internalResistance: 0.2,
        cellsInSeries: 4,
        cellsInParallel: 2,
      },
      { id: 'S1', kind: 'switch', from: 'P', to: 'A', closed: true },
      { id: 'S2', kind: 'switch', from: 'A', to: 'Z', closed: false },
      { id: 'I1', kind: 'current-source', from: 'B', to: '0', current: 0.02 },
      { id: 'L1', kind: 'load', from: 'A', to: 'B', ratedVoltage: 6, ratedCurrent: 0.1, label: 'Beacon' },
      { id: 'L2', kind: 'load', from: 'B', to: '0', ratedVoltage: 6, ratedCurrent: 0.1, exponent: 0.55 },
    ],
  });
  expect(sheet.network.elements).toEqual([
    { id: 'E1', kind: 'source', from: 'E1i', to: '0', emf: 6 },
    { id: 'E1i', kind: 'resistor', from: 'E1i', to: 'P', label: 'inside E1', resistance: 0.4 },
    { id: 'I1', kind: 'source', from: 'B', to: '0' },
    { id: 'L1', kind: 'resistor', from: 'P', to: 'B', label: 'Beacon', resistance: 6 / 0.1 },
    { id: 'L2', kind: 'resistor', from: 'B', to: '0' },
  ]);
  expect(sheet.givens).toEqual([{ of: 'I1', quantity: 'current', value: 0.02 }]);
});
