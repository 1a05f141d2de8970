import type { Design } from './design.ts';
import { movementOf } from '../movement/movement.ts';
import { sectionWords } from './section-words.ts';
import { solveDesign } from './solve-design.ts';

const base = {
  format: 'usual-drag/design',
  version: 1,
  movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
} as const;

/** The words of a design with plain spaces. */
function words(design: Design): string[] {
  const [movement, result] = [movementOf(design.movement), solveDesign(design)];
  if (!movement.ok || !result.ok) throw new Error('refused');
  return sectionWords(design, movement.value, result.value).map(({ name, formula }) =>
    `${name}: ${formula}`.replaceAll('\u00a0', ' '),
  );
}

test('individual shunts and multipliers have one formula a range', () => {
  expect(words({ ...base, target: 'ammeter', scheme: 'individual', ranges: [2.5, 0.025] })).toEqual([
    'shunt of the 25 mA range: 100 µA × 1.8 kΩ / (25 mA − 100 µA)',
    'shunt of the 2.5 A range: 100 µA × 1.8 kΩ / (2.5 A − 100 µA)',
  ]);
  expect(words({ ...base, target: 'voltmeter', scheme: 'individual', ranges: [10] })).toEqual([
    'multiplier of the 10 V range: 10 V / 100 µA − 1.8 kΩ',
  ]);
});

test('a universal shunt is told from the common end up, the highest range first', () => {
  expect(words({ ...base, target: 'ammeter', scheme: 'universal', ranges: [0.025, 0.25, 2.5] })).toEqual([
    'from the common end to the 2.5 A tap: 100 µA × (7.2289 Ω + 1.8 kΩ) / 2.5 A',
    'from the 2.5 A tap to the 250 mA tap: 722.89 mΩ − 72.289 mΩ',
    'from the 250 mA tap to the 25 mA tap: 7.2289 Ω − 722.89 mΩ',
  ]);
  expect(words({ ...base, target: 'ammeter', scheme: 'universal', ranges: [0.025] })).toEqual([
    'from the common end to the 25 mA tap: 100 µA × 1.8 kΩ / (25 mA − 100 µA)',
  ]);
});

test('a string is told from the movement, each section by the drop between its taps', () => {
  expect(words({ ...base, target: 'voltmeter', scheme: 'string', ranges: [2.5, 10, 50] })).toEqual([
    'from the movement to the 2.5 V tap: 2.5 V / 100 µA − 1.8 kΩ',
    'from the 2.5 V tap to the 10 V tap: (10 V − 2.5 V) / 100 µA',
    'from the 10 V tap to the 50 V tap: (50 V − 10 V) / 100 µA',
  ]);
});
