import { compareSchemes } from './compare-schemes.ts';
import type { Design } from './design.ts';
import { movementOf } from '../movement/movement.ts';

const design: Design = {
  format: 'usual-drag/design',
  version: 1,
  target: 'ammeter',
  scheme: 'universal',
  movement: { fullScaleCurrent: 1e-4, resistance: 1800 },
  ranges: [0.025, 2.5],
};

test('individual shunts have one burden, a universal shunt the more the higher the range', () => {
  const movement = movementOf(design.movement);
  if (!movement.ok) throw new Error('refused');
  const [individual, universal] = compareSchemes(design, movement.value);
  expect(individual!.burden).toEqual([0.18, 0.18].map((v) => expect.closeTo(v, 12)));
  const shunt = 0.18 / 0.0249;
  const top = 1e-4 * (shunt + 1800 - (1e-4 * (shunt + 1800)) / 2.5);
  expect(universal!.burden).toEqual([expect.closeTo(0.18, 12), expect.closeTo(top, 12)]);
  expect(individual!.whenOpen).toContain('burns it out');
  expect(universal!.resistances).toHaveLength(2);
  const volts = compareSchemes({ ...design, target: 'voltmeter', scheme: 'string', ranges: [10, 50] }, movement.value);
  expect(volts.map(({ scheme, burden }) => [scheme, burden])).toEqual([
    ['individual', null],
    ['string', null],
  ]);
  // One string needs no more ohms in all than its highest range; single multipliers need the sum.
  expect(volts[1]!.resistances.reduce((a, b) => a + b)).toBeCloseTo(volts[0]!.resistances[1]!, 6);
});
