import { usualParts, type Design } from '../scheme/design.ts';
import { meterOnRange, movementCheck } from './finished-meter.ts';
import { movementOf } from '../movement/movement.ts';
import { solveDesign } from '../scheme/solve-design.ts';

const feed: Design = {
  format: 'usual-drag/design',
  version: 1,
  title: 'Feed-current panel meter',
  target: 'ammeter',
  movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
  scheme: 'universal',
  ranges: [0.025, 0.25, 2.5],
  parts: usualParts,
};

function worked(design: Design) {
  const [movement, result] = [movementOf(design.movement), solveDesign(design)];
  if (!movement.ok || !result.ok) throw new Error('refused');
  const ranges = result.value.ranges.map(({ range }) => range);
  const sections = result.value.sections.map(({ resistance }) => resistance);
  return { movement: movement.value, result: result.value, ranges, sections };
}

test.each([
  feed,
  { ...feed, scheme: 'individual' as const },
  { ...feed, target: 'voltmeter' as const, scheme: 'string' as const, ranges: [2.5, 10, 50] },
  { ...feed, target: 'voltmeter' as const, scheme: 'individual' as const, ranges: [2.5, 10, 50] },
])('solved as a network the movement stands at full scale: $target, $scheme', (design) => {
  const { movement, ranges, sections } = worked(design);
  const check = movementCheck(design, movement, ranges, sections);
  if (!check.ok) throw new Error(check.fault.message);
  for (const off of check.value) expect(Math.abs(off)).toBeLessThan(1e-12);
});

test('a universal shunt closes over the movement, the terminal at its tap', () => {
  const { movement, ranges, sections } = worked(feed);
  const { elements } = meterOnRange(feed, movement, ranges, sections, 1);
  expect(elements.map(({ id, from, to }) => `${id} ${from}-${to}`)).toEqual([
    'J P-N',
    'A1 T1-N',
    'A2 P-T1',
    'A3 m-P',
    'M m-N',
  ]);
});
