import { solveDesign } from '../scheme/solve-design.ts';
import { workedOut } from '../../test/meter-projects.ts';
import { planDesign } from '../scheme/schemes.ts';
import { cheapestWithin, usualPrices, waysToMeet, worthwhile, type Way } from './ways-to-meet.ts';

function ways(): Way[] {
  const [side] = workedOut({}).sides;
  const plan = planDesign(side!.design, side!.movement);
  if (!plan.ok) throw new Error(plan.fault.message);
  return waysToMeet(side!.design, side!.movement, plan.value, usualPrices, 50);
}

test('every way costs its parts and is off by the worst case that the headless command gives', () => {
  const all = ways();
  expect(all).toHaveLength(7 * 3 + 1);
  const [side] = workedOut({}).sides;
  for (const [maxParts, tolerance] of [
    [1, 0.05],
    [2, 0.001],
    [3, 0.01],
  ] as const) {
    const solved = solveDesign({ ...side!.design, parts: { ...side!.design.parts!, maxParts, tolerance } });
    if (!solved.ok) throw new Error(solved.fault.message);
    const way = all.find((one) => one.maxParts === maxParts && one.tolerance === tolerance)!;
    const worst = solved.value.asBuilt.flatMap(({ worstCase }) => worstCase.map(Math.abs));
    expect(way.error).toBeCloseTo(Math.max(...worst), 14);
    const count = solved.value.sections.reduce((sum, { parts }) => sum + parts.values.length, 0);
    expect(way.count).toBe(count);
    expect(way.price).toBeCloseTo(count * usualPrices.find((price) => price.tolerance === tolerance)!.price, 12);
  }
});

test('the cheapest within an error keeps it, and nothing cheaper does', () => {
  const all = ways();
  for (const error of [0.2, 0.05, 0.02, 0.005, 0.002]) {
    const found = cheapestWithin(all, error)!;
    expect(found.error).toBeLessThanOrEqual(error);
    for (const way of all) if (way.price < found.price) expect(way.error).toBeGreaterThan(error);
  }
  expect(cheapestWithin(all, 1e-9)).toBeNull();
});

test('a trimmer is as good as a quarter of a division', () => {
  const trimmed = ways().find(({ maxParts }) => maxParts === null)!;
  expect(trimmed.error).toBe(0.005);
  // Three sections, each a trimmer and the cheapest resistor of 1 % or better.
  expect(trimmed.price).toBeCloseTo(3 * (1.5 + 0.04), 12);
});

test('what is dearer and no closer is not worth it', () => {
  const all = ways();
  const worth = worthwhile(all);
  expect(worth[0]).toBe(all[0]);
  worth.slice(1).forEach((way, k) => {
    expect(way.price).toBeGreaterThanOrEqual(worth[k]!.price);
    expect(way.error).toBeLessThan(0.95 * worth[k]!.error);
  });
  // What is left out is at most that hair better than something cheaper.
  for (const way of all)
    if (!worth.includes(way))
      expect(worth.some(({ price, error }) => price <= way.price && 0.95 * error <= way.error)).toBe(true);
});
