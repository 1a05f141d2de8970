import fc from 'fast-check';
import { seriesValues } from '../../quantity/index.ts';
import { fullScaleErrors } from '../errors/as-built.ts';
import { chooseParts } from './choose-parts.ts';
import type { Combination, Design } from '../scheme/design.ts';
import { movementOf } from '../movement/movement.ts';
import { partLoads } from './part-loads.ts';
import { planDesign } from '../scheme/schemes.ts';
import { solveDesign } from '../scheme/solve-design.ts';
import type { StockPart } from './stock.ts';
import { runs } from '../../test/runs.ts';

const feed = { fullScaleCurrent: 1e-4, resistance: 1800 };

function design(
  target: Design['target'],
  scheme: Design['scheme'],
  ranges: readonly number[],
  parts: Partial<NonNullable<Design['parts']>>,
): Design {
  const usual = { series: 'E12', tolerance: 0.01, powerRating: 0.25, maxParts: 1 } as const;
  return {
    format: 'usual-drag/design',
    version: 1,
    target,
    scheme,
    movement: feed,
    ranges,
    parts: { ...usual, ...parts },
  };
}

function planned(of: Design) {
  const movement = movementOf(of.movement);
  if (!movement.ok) throw new Error(movement.fault.message);
  const plan = planDesign(of, movement.value);
  if (!plan.ok) throw new Error(plan.fault.message);
  const worst = (sections: readonly number[]): number =>
    Math.max(
      ...fullScaleErrors(
        of,
        movement.value,
        [...of.ranges].sort((a, b) => a - b),
        sections,
      ).map(Math.abs),
    );
  return { movement: movement.value, plan: plan.value, worst };
}

const resistancesOf = (chosen: readonly Combination[]): number[] => chosen.map(({ resistance }) => resistance);

/** Every resistance that up to two of some values make, each value as often as one likes. */
const pairsOf = (values: readonly number[]): number[] =>
  values.flatMap((a, i) => [a, ...values.slice(0, i + 1).flatMap((b) => [a + b, (a * b) / (a + b)])]);

/** The least that the worst error of any range can be, over every choice of some resistances for the sections. */
function bruteForce(sections: number, choices: readonly number[], worst: (of: readonly number[]) => number): number {
  let best = Infinity;
  const choose = (chosen: readonly number[]): void => {
    if (chosen.length === sections) return void (best = Math.min(best, worst(chosen)));
    for (const value of choices) choose([...chosen, value]);
  };
  choose([]);
  return best;
}

test.each([
  ['ammeter', 'universal', [0.001, 0.01], 1],
  ['voltmeter', 'string', [2.5, 10], 1],
  ['ammeter', 'universal', [0.003, 0.02, 0.08], 1],
  ['voltmeter', 'string', [1, 4, 9], 1],
  ['voltmeter', 'string', [0.7, 3, 8], 2],
  ['ammeter', 'universal', [0.0015, 0.004, 0.009], 2],
  ['ammeter', 'individual', [0.0011, 0.006], 2],
  ['voltmeter', 'individual', [0.33, 7], 2],
] as const)(
  'of an %s with %s for %j no other choice of up to %d resistors a section is better for all ranges at once',
  (target, scheme, ranges, maxParts) => {
    const decades = target === 'ammeter' ? [1, 10, 100] : [100, 1000, 10_000];
    const series = seriesValues(maxParts === 1 ? 'E12' : 'E3');
    const values = decades.flatMap((decade) => series.map((figure) => Number((figure * decade).toPrecision(3))));
    const stock = values.map((resistance): StockPart => ({ resistance }));
    const of = design(target, scheme, ranges, { maxParts });
    const { movement, plan, worst } = planned(of);
    const chosen = worst(resistancesOf(chooseParts(of, movement, plan, { stock })));
    const choices = maxParts === 1 ? values : pairsOf(values);
    // Far from its section no choice is the best: half to double is looked at.
    const near = choices.filter((value) => plan.sections.some(({ resistance: r }) => value > r / 2 && value < 2 * r));
    expect(chosen).toBeLessThanOrEqual(bruteForce(plan.sections.length, near, worst) + 1e-12);
  },
);

test('more parts, and a finer series, are never worse', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(['ammeter', 'universal'] as const, ['voltmeter', 'string'] as const),
      fc.uniqueArray(fc.integer({ min: 3, max: 60 }), { minLength: 1, maxLength: 4 }),
      ([target, scheme], tenths) => {
        const own = target === 'ammeter' ? 1e-4 : 0.18;
        const ranges = tenths.map((tenth) => own * 10 ** (tenth / 15));
        const error = (series: 'E6' | 'E12', maxParts: number): number => {
          const of = design(target, scheme, ranges, { series, maxParts });
          const { movement, plan, worst } = planned(of);
          return worst(resistancesOf(chooseParts(of, movement, plan)));
        };
        expect(error('E12', 2)).toBeLessThanOrEqual(error('E12', 1) + 1e-12);
        expect(error('E12', 1)).toBeLessThanOrEqual(error('E6', 1) + 1e-12);
        expect(error('E6', 3)).toBeLessThanOrEqual(error('E6', 2) + 1e-12);
      },
    ),
    { numRuns: runs(20) },
  );
});

test('four ranges of three E96 parts each stand within a millionth', () => {
  const solved = solveDesign(design('ammeter', 'universal', [0.025, 0.25, 2.5, 10], { series: 'E96', maxParts: 3 }));
  if (!solved.ok) throw new Error(solved.fault.message);
  for (const { fullScaleError } of solved.value.asBuilt) expect(Math.abs(fullScaleError)).toBeLessThan(1e-6);
});

test('no more of a value is taken from a stock than there are', () => {
  // 10 kΩ and 10 kΩ would be best for 1 V and 2 V beyond; there is only one of them.
  const movement = { fullScaleCurrent: 1e-4, resistance: 1000 };
  const of = { ...design('voltmeter', 'string', [1.1, 2.1, 3.1], { maxParts: 2 }), movement };
  const { movement: inUse, plan } = planned(of);
  const take = (stock: readonly StockPart[]) => chooseParts(of, inUse, plan, { stock });
  expect(resistancesOf(take([{ resistance: 1e4 }, { resistance: 9100 }]))).toEqual([1e4, 1e4, 1e4]);
  const rare = take([
    { resistance: 1e4, count: 1 },
    { resistance: 9100, count: 5 },
    { resistance: 1e3, count: 2 },
  ]);
  const used = rare.flatMap(({ values }) => values);
  expect(used.filter((value) => value === 1e4).length).toBeLessThanOrEqual(1);
  expect(used.filter((value) => value === 1e3).length).toBeLessThanOrEqual(2);
  for (const value of used) expect([1e4, 9100, 1e3]).toContain(value);
});

test('where it is asked for no part takes more than half its power or its limiting voltage', () => {
  const of = design('voltmeter', 'string', [50, 250, 500], { series: 'E24', maxParts: 3 });
  const { movement, plan } = planned(of);
  const ratings = { powerRating: 0.25, limitingVoltage: 150 };
  const loads = (chosen: readonly Combination[]) => chosen.flatMap((parts, k) => partLoads(plan.sections[k]!, parts));
  const free = loads(chooseParts(of, movement, plan));
  expect(Math.max(...free.map(({ voltage }) => voltage))).toBeGreaterThan(150);
  for (const { power, voltage } of loads(chooseParts(of, movement, plan, { ratings }))) {
    expect(voltage).toBeLessThanOrEqual(150);
    expect(power).toBeLessThanOrEqual(0.125);
  }
});

test('a section that nothing comes near still gets the nearest there is', () => {
  const of = design('ammeter', 'individual', [5000], { series: 'E3', maxParts: 2 });
  const { movement, plan } = planned(of);
  expect(chooseParts(of, movement, plan)[0]).toMatchObject({ values: [1e-3, 1e-3], joined: 'parallel' });
});

test('a long search tells how far it is', () => {
  const of = design('ammeter', 'universal', [0.02513, 0.2517, 2.571, 10.3], { series: 'E192', maxParts: 3 });
  const { movement, plan, worst } = planned(of);
  const seen: { tried: number; best: number | null }[] = [];
  const chosen = chooseParts(of, movement, plan, {
    onProgress: ({ tried, best }) => void seen.push({ tried, best }),
  });
  expect(worst(resistancesOf(chosen))).toBeLessThan(1e-6);
  expect(seen.length).toBeGreaterThan(2);
  expect(seen[0]!.best).toBeNull();
  for (let k = 1; k < seen.length; k += 1) expect(seen[k]!.tried).toBeGreaterThanOrEqual(seen[k - 1]!.tried);
});
