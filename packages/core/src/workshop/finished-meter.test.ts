import { kitFaults } from '../instrument/index.ts';
import { toNumber } from '../solver/index.ts';
import { designCautions } from './cautions.ts';
import { usualParts, type Design } from './design.ts';
import { instrumentFromDesign, meterOnRange, movementCheck } from './finished-meter.ts';
import { movementOf } from './movement.ts';
import { solveDesign } from './solve-design.ts';

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

test('the ring of a universal shunt closes over the movement, the terminal at its tap', () => {
  const { movement, ranges, sections } = worked(feed);
  const { elements } = meterOnRange(feed, movement, ranges, sections, 1);
  expect(elements.map(({ id, from, to }) => `${id} ${from}-${to}`)).toEqual([
    'J P-N',
    'S1 T1-N',
    'S2 P-T1',
    'S3 m-P',
    'M m-N',
  ]);
});

test('in the kit it has the resistance of its parts and a class that holds their worst case', () => {
  const { movement, result } = worked(feed);
  const kept = instrumentFromDesign(feed, movement, result, 0.015, 50, ['feed-current-panel-meter']);
  expect(kitFaults(kept)).toEqual([]);
  expect(kept.id).toBe('feed-current-panel-meter-2');
  const ranges = kept.functions![0]!.ranges;
  expect(ranges.map(({ id }) => id)).toEqual(['25 mA', '250 mA', '2.5 A']);
  const [ring, coil] = [
    result.sections.reduce((sum, { parts }) => sum + parts.resistance, 0),
    toNumber(movement.resistance),
  ];
  expect(ranges[0]!.resistance).toBeCloseTo((ring * coil) / (ring + coil), 9);
  const worst = Math.max(...result.asBuilt[0]!.worstCase.map(Math.abs));
  expect(ranges[0]!.accuracyOfRange).toBeCloseTo(0.015 + worst, 4);
});

test('cautions name the section that gets too warm, the switch that is needed, and the voltage that can kill', () => {
  const messages = (design: Design): string =>
    designCautions(design, worked(design).result, usualParts)
      .map(({ message }) => message)
      .join('\n');
  // 2.5 A through 72 mΩ are 0.45 W, more than a quarter watt.
  expect(messages(feed)).toMatch(/Section 1 puts 4\d\d\u00a0mW into one resistor of 250\u00a0mW/);
  expect(messages(feed)).not.toContain('make-before-break');
  expect(messages({ ...feed, scheme: 'individual' })).toContain('make-before-break');
  const volts: Design = { ...feed, target: 'voltmeter', scheme: 'string', ranges: [10, 250] };
  expect(messages(volts)).toContain('nearly all of 250\u00a0V');
  expect(messages({ ...volts, ranges: [10] })).toBe('');
});
