import { diodesAcross, fuseFor, meterFaults } from './overload.ts';
import type { Design } from '../scheme/design.ts';
import { movementOf } from '../movement/movement.ts';
import { solveDesign } from '../scheme/solve-design.ts';

const [im, rm] = [1e-4, 1800];

function seen(target: Design['target'], scheme: Design['scheme'], ranges: readonly number[]) {
  const design: Design = {
    format: 'usual-drag/design',
    version: 1,
    target,
    scheme,
    movement: { fullScaleCurrent: im, resistance: rm },
    ranges,
  };
  const [movement, result] = [movementOf(design.movement), solveDesign(design)];
  if (!movement.ok || !result.ok) throw new Error('refused');
  return { list: meterFaults(design, movement.value, result.value), result: result.value, movement: movement.value };
}

test('without its shunt the movement takes the whole current', () => {
  const { list } = seen('ammeter', 'individual', [0.01, 1]);
  const opens = list.filter(({ what }) => what === 'section-opens');
  expect(opens.map(({ range, section, times }) => [range, section, times])).toEqual([
    [0.01, 0, expect.closeTo(100, 9)],
    [1, 1, expect.closeTo(10_000, 7)],
  ]);
  expect(opens[1]!.power).toBeCloseTo(1 ** 2 * rm, 6);
});

test('of a universal shunt only the tapped part burns the movement when it opens; the rest lets the needle fall', () => {
  const { list } = seen('ammeter', 'universal', [0.025, 2.5]);
  const of = (range: number, section: number) =>
    list.find((one) => one.what === 'section-opens' && one.range === range && one.section === section)!;
  expect(of(2.5, 0).times).toBeCloseTo(25_000, 6);
  expect(of(2.5, 1).times).toBe(0);
  expect(of(0.025, 1).times).toBeCloseTo(250, 8);
});

test('the highest range’s current on a lower range goes by the ratio of the ranges', () => {
  for (const scheme of ['individual', 'universal'] as const) {
    const { list } = seen('ammeter', scheme, [0.025, 0.25, 2.5]);
    const low = list.filter(({ what }) => what === 'range-too-low');
    expect(low.map(({ range, applied, times }) => [range, applied, times])).toEqual([
      [0.025, 2.5, expect.closeTo(100, 8)],
      [0.25, 2.5, expect.closeTo(10, 9)],
    ]);
    expect(low[0]!.power).toBeCloseTo((100 * im) ** 2 * rm, 9);
  }
});

test('a multiplier that shorts puts the range across what is left', () => {
  const { list, result } = seen('voltmeter', 'string', [2.5, 10]);
  const [first, second] = result.sections.map(({ resistance }) => resistance) as [number, number];
  const of = (range: number, section: number) =>
    list.find((one) => one.what === 'section-shorts' && one.range === range && one.section === section)!;
  expect(of(2.5, 0).times).toBeCloseTo(2.5 / rm / im, 9);
  expect(of(10, 0).times).toBeCloseTo(10 / (second + rm) / im, 9);
  expect(of(10, 1).times).toBeCloseTo(10 / (first + rm) / im, 9);
  expect(list.find(({ what }) => what === 'range-too-low')).toMatchObject({ range: 2.5, applied: 10 });
});

test('diodes hold a movement at their knee, and fit one of less than half of it', () => {
  expect(diodesAcross(seen('ammeter', 'universal', [1]).movement)).toEqual({
    holdAt: expect.closeTo(10 / 3, 9),
    fit: true,
  });
  const stiff = movementOf({ fullScaleCurrent: 1e-3, resistance: 500 });
  expect(stiff.ok && diodesAcross(stiff.value).fit).toBe(false);
});

test.each([
  [0.025, 0.032],
  [0.25, 0.25],
  [2.6, 3.15],
  [9, 10],
])('%d A wants a fuse of %d A', (current, rating) => expect(fuseFor(current)).toBe(rating));

test('what no fuse carries has none', () => expect(fuseFor(1000)).toBeNull());
